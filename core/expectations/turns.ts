import { seenIntervals } from '../rehearsal/seen';
import type { RunView } from './definition';

/** LEDs that are lit again and again, by when each is first lit. */
export const takingTurns = ({ trace, seconds }: RunView): readonly string[] =>
  [...trace.leds]
    .map(([led, changes]) => ({
      lamp: led,
      spells: seenIntervals(changes, seconds).filter(({ glow }) => glow === 'lit'),
    }))
    .filter(({ spells }) => spells.length > 1)
    .sort((one, other) => one.spells[0]!.from - other.spells[0]!.from)
    .map(({ lamp: led }) => led);
