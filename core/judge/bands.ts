import { placesOf } from './places';
import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { quantity, type Observation } from '../findings/finding';
import { referencePins, type Exercise } from '../formats/exercise';
import { isSingleLight, kindOf } from '../parts';
import { milliamps } from '../units';
import { Circuit } from '../wiring/circuit';
import { withPart } from '../wiring/wiring';
import type { ComparingRule } from './subject';
import { partText } from '../wiring/words';
import { capital } from '../words/words';

/** Current that each LED of the reference may carry, by its name there: lowest and highest, in mA. */
export type LampBands = ReadonlyMap<string, readonly [lowestMa: number, highestMa: number]>;

/** Share by which a current may lie outside the band before it is worth saying. */
const MARGIN = 0.05;

/** The band of currents that the accepted values allow, with every signal pin of the reference high. */
export function lampBands(exercise: Exercise): LampBands {
  const drives = new Map(referencePins(exercise).map((pin): [string, PinDrive] => [pin, { mode: 'high' }]));
  const solve = (end: 0 | 1): ReadonlyMap<string, number> => {
    let wiring = exercise.reference;
    for (const part of wiring.parts) {
      const range = exercise.accepted.get(part.ref);
      if (range) wiring = withPart(wiring, { ...part, value: { ...part.value, amount: range[end] } });
    }
    const point = solveBench(prepareBench(new Circuit(wiring)), drives);
    return new Map([...point.parts].map(([ref, { currentMa }]) => [ref, currentMa]));
  };
  const [most, least] = [solve(0), solve(1)];
  return new Map(
    exercise.reference.parts
      .filter(isSingleLight)
      .map((part) => [part.ref, [least.get(part.ref) ?? 0, most.get(part.ref) ?? 0] as const]),
  );
}

/** LEDs whose largest current lies outside the band of the exercise. */
export const lampCurrents: ComparingRule = ({ states, board }, { lampBands: bands, pairs }) =>
  [...bands].flatMap(([name, [lowest, highest]]): readonly Observation[] => {
    const lamp = pairs.get(name);
    if (!lamp || highest <= 0) return [];
    const currentMa = Math.max(0, ...states.map(({ point }) => point.parts.get(lamp.ref)?.currentMa ?? 0));
    const dim = currentMa < lowest * (1 - MARGIN);
    if ((!dim && currentMa <= highest * (1 + MARGIN)) || currentMa < 0.001) return [];
    const limitMa = Math.min(kindOf(lamp.kind).ratings?.currentMa ?? Infinity, board.drive.recommendedMa);
    const band = `${milliamps(lowest)} to ${milliamps(highest)}`;
    return [
      {
        code: dim ? 'too-dim' : 'too-bright',
        severity: !dim && currentMa > limitMa ? 'risk' : 'fault',
        refs: [lamp.ref],
        at: placesOf(lamp),
        message: `${capital(partText(lamp))} carries ${milliamps(currentMa)}; it should be ${band}, so it is ${dim ? 'dimmer' : 'brighter'} than it should be.`,
        hints: [
          `Is ${lamp.ref} as bright as in the example?`,
          `${milliamps(currentMa)} flows through ${lamp.ref}; ${band} would be right. What in its path sets the current?`,
          `Check the resistor in the path of ${lamp.ref} and whether its pin is an output.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          lowestMa: quantity(lowest, 'mA'),
          highestMa: quantity(highest, 'mA'),
        },
      },
    ];
  });
