import { Circuit } from '../../wiring/circuit';
import { nameOf } from '../../wiring/wiring';
import { prepareBench } from '../bench';
import { solveBench } from '../bench-point';
import { goldenDrives, goldenStates, goldenWiring, type GoldenCircuit } from './circuits';

/** How far the solver is from the reference figures at one node. */
export interface Deviation {
  readonly point: string;
  /** Volts of the reference, and of the solver (`null` where it says that the node floats). */
  readonly golden: number;
  readonly solved: number | null;
  /** Difference in V; 0 where the node floats, since its voltage then means nothing. */
  readonly volts: number;
}

/** Within 0.5 % or 2 mV, whichever is more. */
export const isWithin = ({ golden, volts }: Deviation): boolean =>
  Math.abs(volts) <= Math.max(0.002, 0.005 * Math.abs(golden));

/** Compares every node of a circuit with its reference figures. */
export function deviations(
  circuit: GoldenCircuit,
  golden: Readonly<Record<string, number>>,
): readonly Deviation[] {
  const wiring = goldenWiring(circuit);
  const bench = prepareBench(new Circuit(wiring), { states: goldenStates(circuit) });
  const point = solveBench(bench, goldenDrives(circuit));
  if (point.trouble) throw new Error(`${circuit.name}: ${point.trouble}`);
  return bench.circuit.nodes
    .filter(({ id }) => bench.solverNode[id] !== 0)
    .map(({ id, points }) => {
      const name = nameOf(points[0]!) as string;
      const solved = point.volts[id] ?? null;
      const reference = golden[name];
      if (reference === undefined) throw new Error(`${circuit.name}: no figure for ${name}`);
      return { point: name, golden: reference, solved, volts: solved === null ? 0 : solved - reference };
    });
}
