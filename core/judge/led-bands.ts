import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { referencePins, type Exercise } from '../formats/exercise';
import { isSingleLight } from '../parts';
import type { PartStates } from '../electrics/bench';
import { contactStates, extremeStates } from './states';
import { Circuit } from '../wiring/circuit';
import { withPart } from '../wiring/wiring';

/** Current that each LED of the reference may carry, by its name there: lowest and highest, in mA. */
export type LedBands = ReadonlyMap<string, readonly [lowestMa: number, highestMa: number]>;

/**
 * The band of currents that the accepted values allow, with every signal pin of the reference high: between potentiometers
 * and sensors at their ends, and up to what flows with any contact closed.
 */
export function ledBands(exercise: Exercise): LedBands {
  const drives = new Map(referencePins(exercise).map((pin): [string, PinDrive] => [pin, { mode: 'high' }]));
  const lights = exercise.reference.parts.filter(isSingleLight);
  /** The currents of each LED with the accepted values at one end, first those at rest. */
  const solve = (end: 0 | 1, states: (circuit: Circuit) => readonly PartStates[]): readonly Currents[] => {
    let wiring = exercise.reference;
    for (const part of wiring.parts) {
      const range = exercise.accepted.get(part.ref);
      if (range) wiring = withPart(wiring, { ...part, value: { ...part.value, amount: range[end] } });
    }
    const circuit = new Circuit(wiring);
    return [new Map(), ...states(circuit)].map((parts) => {
      const point = solveBench(prepareBench(circuit, { states: parts }), drives);
      return new Map(lights.map(({ ref }) => [ref, point.parts.get(ref)?.currentMa ?? 0]));
    });
  };
  const most = solve(0, (circuit) => [...contactStates(circuit), ...extremeStates(circuit)]);
  const least = solve(1, extremeStates);
  return new Map(
    lights.map(({ ref }) => {
      const [lows, highs] = [least, most].map((all) => all.map((currents) => currents.get(ref)!)) as [
        number[],
        number[],
      ];
      return [ref, [Math.min(...lows), Math.max(...highs)] as const];
    }),
  );
}

type Currents = ReadonlyMap<string, number>;
