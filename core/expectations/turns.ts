import { seenIntervals } from '../rehearsal/seen';
import type { RunView } from './definition';

/** LEDs that are lit again and again, by when each is first lit. */
export const takingTurns = ({ trace, seconds }: RunView): readonly string[] =>
  [...trace.lamps]
    .map(([lamp, changes]) => ({
      lamp,
      spells: seenIntervals(changes, seconds).filter(({ glow }) => glow === 'lit'),
    }))
    .filter(({ spells }) => spells.length > 1)
    .sort((one, other) => one.spells[0]!.from - other.spells[0]!.from)
    .map(({ lamp }) => lamp);
