import { existsSync, writeFileSync } from 'node:fs';
import { constants, setPriority } from 'node:os';

/** The group by which Linux shares processors between sessions, where it does: a session's own nice value counts little. */
const GROUP = '/proc/self/autogroup';

/**
 * Lets every other process of this machine go first, and with it whatever this one starts: where judging shares a
 * machine with the web process, a page and a hand-in go before a check that nobody looks at.
 */
export function giveWay(): void {
  const { PRIORITY_LOW } = constants.priority;
  setPriority(PRIORITY_LOW);
  if (existsSync(GROUP)) writeFileSync(GROUP, String(PRIORITY_LOW));
}
