import type { Knex } from 'knex';
import { liveWorkers } from './workers';

/** Whether the product can do its work, and what of it cannot be done. */
export interface Health {
  readonly ok: boolean;
  /** Whether what is handed in can be kept. */
  readonly keeps: boolean;
  /** What is wrong, for whoever runs it; empty when nothing is. */
  readonly troubles: readonly string[];
  /** Hand-ins that wait to be judged, and how long the oldest has waited, in seconds. */
  readonly waiting: number;
  readonly oldestSeconds: number;
  readonly workers: number;
}

/** Seconds of waiting that are too many. */
const TOO_LONG = 60;
/** What the database says when its disk is full. */
const DISK_FULL = '53100';

/** Looks whether the database answers and takes what is written, and whether what waits is being checked. */
export async function healthOf(db: Knex): Promise<Health> {
  const troubles: string[] = [];
  const unknown = { waiting: 0, oldestSeconds: 0, workers: 0 };
  let queue: typeof unknown;
  try {
    const [row] = await db('judging').select<{ waiting: string; oldest: string | null }[]>(
      db.raw('count(*) as waiting'),
      db.raw('extract(epoch from clock_timestamp() - min(queued_at)) as oldest'),
    );
    queue = {
      waiting: Number(row?.waiting ?? 0),
      oldestSeconds: Math.round(Number(row?.oldest ?? 0)),
      workers: await liveWorkers(db),
    };
  } catch {
    return { ok: false, keeps: false, troubles: ['the database does not answer'], ...unknown };
  }
  let keeps = true;
  try {
    await db('setting')
      .insert({ name: 'health', value: db.raw('clock_timestamp()::text') })
      .onConflict('name')
      .merge();
  } catch (error) {
    keeps = false;
    troubles.push(
      (error as { readonly code?: string }).code === DISK_FULL
        ? 'the disk of the database is full: nothing can be handed in'
        : 'the database takes nothing that is written',
    );
  }
  if (queue.workers === 0) troubles.push('no worker lives: hand-ins are kept, and judged when one does');
  if (queue.oldestSeconds > TOO_LONG)
    troubles.push(`something has waited ${queue.oldestSeconds} s to be judged`);
  return { ok: troubles.length === 0, keeps, troubles, ...queue };
}
