import { existsSync, writeFileSync } from 'node:fs';
import { setPriority } from 'node:os';
import { log } from '@/server/log';

/** The group by which Linux shares processors between sessions, where it does: a session's own nice value counts little. */
const GROUP = '/proc/self/autogroup';

/**
 * How far it goes behind, as a nice value: a third of what a page gets where both want the same processor. Further
 * behind, hand-ins would not be judged for as long as a room is busy.
 */
const BEHIND = 5;

/**
 * Lets every other process of this machine go first, and with it whatever this one starts: where judging shares a
 * machine with the web process, a page and a hand-in go before a check that nobody looks at.
 */
export function giveWay(): void {
  setPriority(BEHIND);
  try {
    if (existsSync(GROUP)) writeFileSync(GROUP, String(BEHIND));
  } catch (error) {
    // A container may have this closed: then sessions share alike, and judging is only less polite.
    log.warn({ err: error }, 'the session cannot give way');
  }
}
