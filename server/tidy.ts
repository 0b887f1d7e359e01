import type { Knex } from 'knex';
import { eraseWhatIsOver } from './people/retention';
import { recoverRechecks } from './submissions/recheck';
import { recoverLost } from './workers';

/** Days that failures of the judge are kept for the developer. */
const FAILURES_KEPT = 60;

/** Days for which checks are known: they are of the meeting in which they were made. */
const CHECKS_KEPT = 2;

/** Hours after which failed tries are forgotten, and days after which a device is. */
const [TRIES_KEPT, DEVICES_KEPT] = [24, 200];

/** What is done once a minute: clears away what is over, and takes up what was lost. */
export async function tidyUp(db: Knex): Promise<void> {
  await recoverLost(db);
  await recoverRechecks(db);
  await db('session').whereRaw('expires_at < now()').delete();
  await db('rate_limit').whereRaw('expire < (extract(epoch from now()) * 1000)::bigint').delete();
  await db('sign_in_try').whereRaw("last_at < now() - ? * interval '1 hour'", [TRIES_KEPT]).delete();
  await db('known_device').whereRaw("seen_at < now() - ? * interval '1 day'", [DEVICES_KEPT]).delete();
  await db('bench_check').whereRaw("at < now() - ? * interval '1 day'", [CHECKS_KEPT]).delete();
  await db('help_call').whereRaw("called_at < now() - ? * interval '1 day'", [CHECKS_KEPT]).delete();
  await db('one_time_link').whereRaw('expires_at < now()').delete();
  await eraseWhatIsOver(db);
  await db('judging_failure').whereRaw("at < now() - ? * interval '1 day'", [FAILURES_KEPT]).delete();
}
