import { format } from 'date-fns';
import type { Knex } from 'knex';
import { listText } from '@/core/words/words';
import type { Guard } from '../guard/processes';
import { boardNames } from './kit-store';
import type { PlannedMeeting } from './meetings';
import { outlook } from './planning';

/** The pick list and the bag labels of a meeting, as PDF. */
export async function kitPapers(
  db: Knex,
  guarded: Guard,
  meeting: PlannedMeeting,
  now: Date,
): Promise<Uint8Array> {
  const [{ meetings }, boards] = await Promise.all([outlook(db, guarded, now), boardNames(db)]);
  const supplies = meetings.find((one) => one.meeting.id === meeting.id)?.supplies ?? [];
  const printed = await guarded.ask('kitPapers', {
    supplies,
    wish: {
      title: listText(meeting.exercises.map(({ title }) => title)) || 'Nothing planned',
      subtitle: `${meeting.className}, ${format(meeting.startsAt, 'd MMMM yyyy, HH:mm')}`,
      names: meeting.learners.map(({ name }) => name),
      perBench: meeting.perBench,
      boards,
    },
  });
  return Buffer.from(printed, 'base64');
}
