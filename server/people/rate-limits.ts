import type { Knex } from 'knex';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';

/** What is counted, how many tries there are, and in how many seconds. */
const limits = {
  /** Tries at the door from one address; a whole class shares one. */
  address: { points: 400, duration: 600 },
  /** Hand-ins of one learner. */
  'hand-in': { points: 40, duration: 600 },
  /** Checks on the server of one learner. */
  check: { points: 120, duration: 600 },
} as const;
export type Limit = keyof typeof limits;

/** Counts one try; returns how many seconds to wait when there were too many, else 0. */
export async function secondsToWait(db: Knex, limit: Limit, key: string): Promise<number> {
  const limiter = new RateLimiterPostgres({
    storeClient: db,
    storeType: 'knex',
    tableName: 'rate_limit',
    tableCreated: true,
    keyPrefix: limit,
    clearExpiredByTimeout: false,
    ...limits[limit],
  });
  try {
    await limiter.consume(key.slice(0, 120));
    return 0;
  } catch (refusal) {
    if (refusal instanceof RateLimiterRes) {
      const seconds = Math.ceil(refusal.msBeforeNext / 1000);
      // Longer than any wait there is: the clock was put back, and that is nobody's fault.
      if (seconds > limits[limit].duration) {
        await limiter.delete(key.slice(0, 120));
        return 0;
      }
      return seconds;
    }
    throw refusal;
  }
}
