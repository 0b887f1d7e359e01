import { isSingleLight } from '../parts';
import { quantity, toFinding, type Finding } from '../findings/finding';
import { hasPassed } from '../formats/report';
import type { Sighting } from '../formats/sighting';
import { seenIntervals } from '../rehearsal/seen';
import { lightsOf, observedSeconds } from '../rehearsal/trace';
import type { Build } from './build';
import type { Examination } from './examine';

const words: Readonly<Record<Sighting, string>> = {
  right: 'it does what it should',
  dark: 'the LED stays dark',
  faint: 'the LED only glows faintly',
  other: 'it does something else',
};

/**
 * Compares what was seen with what the recorded build does. When they differ, the record has a slip,
 * or the bench has a fault that no record shows; the cheapest look comes first.
 */
export function benchDisagrees(
  sighting: Sighting | undefined,
  examination: Examination,
  build: Build,
): Finding | undefined {
  if (sighting === undefined || examination.traces.length === 0) return undefined;
  const computed = computedSighting(examination);
  if (computed === sighting || (sighting === 'other' && computed !== 'right')) return undefined;
  const works = hasPassed(examination.verdict);
  const led = build.wiring.parts.find(isSingleLight)?.ref ?? 'the LED';
  const remedies: Readonly<Record<Sighting, string>> = {
    dark: `Press each leg of ${led} down and look. Still dark? Load the program again and wait for the message that it is done. Then swap ${led} for a fresh one.`,
    faint: `Press the wire in the pin and the legs of ${led} down. Still faint? Read the bands of the resistor again, then load the program again.`,
    other: `Load this very program again: an old one may still be on the board. Then compare each hole with the record.`,
    right: `Compare each hole and each line with the record: one of them was written down differently from what is on the bench.`,
  };
  return {
    ...toFinding({
      code: 'bench-disagrees',
      severity: works ? 'fault' : 'advice',
      refs: led === 'the LED' ? [] : [led],
      message: works
        ? `You saw that ${words[sighting]}, but with this record and this program it should work. So the record doesn’t quite match the bench, or something is loose or broken, or an old program is still on the board.`
        : `You saw that ${words[sighting]}, but going by the record, ${words[computed]}. So the record doesn’t quite match the bench.`,
      hints: [
        `Is every hole in the record really the one on your bench?`,
        works
          ? `Going by the record, ${led} works. What could be different: a loose leg, an old program still on the board, a broken part.`
          : `Going by the record, ${words[computed]}. Which hole or line is different from the record?`,
        remedies[sighting],
      ],
      evidence: { scenarios: quantity(examination.scenarios.length, '') },
    }),
    cause: works,
  };
}

function computedSighting({ verdict, traces, scenarios }: Examination): Sighting {
  if (hasPassed(verdict) || scenarios.every((scenario) => scenario.passed)) return 'right';
  const [trace] = traces;
  const glows = trace
    ? [...lightsOf(trace).values()].flatMap((changes) =>
        seenIntervals(changes, observedSeconds(trace)).map((interval) => interval.glow),
      )
    : [];
  if (glows.includes('lit')) return 'other';
  return glows.includes('faint') ? 'faint' : 'dark';
}
