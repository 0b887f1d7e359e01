import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { referencePins, type Exercise } from '../formats/exercise';
import { isSingleLight } from '../parts';
import { Circuit } from '../wiring/circuit';
import { withPart } from '../wiring/wiring';

/** Current that each LED of the reference may carry, by its name there: lowest and highest, in mA. */
export type LedBands = ReadonlyMap<string, readonly [lowestMa: number, highestMa: number]>;

/** The band of currents that the accepted values allow, with every signal pin of the reference high. */
export function ledBands(exercise: Exercise): LedBands {
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
