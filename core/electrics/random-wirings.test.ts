import { expect, test } from 'vitest';
import { groundNames, logicSupply } from '../boards';
import { randomBench } from '../testing/random-wiring';
import { samples } from '../testing/samples';
import { Circuit } from '../wiring/circuit';
import { legPoint } from '../wiring/wiring';
import { prepareBench, type Bench } from './bench';
import { solveBench, type BenchPoint } from './bench-point';

/** Sums below a thousandth of this, in mA, are the leaks that keep lone nodes solvable. */
const FLOOR_MA = 1;

/** Largest sum of currents at a node that has no ground, against the largest current there, in mA. */
function worstImbalance(
  { circuit, solverNode }: Bench,
  point: BenchPoint,
  skip: ReadonlySet<string>,
): number {
  let worst = 0;
  for (const node of circuit.nodes) {
    // The reference itself hides what flows into it.
    if (solverNode[node.id] === 0 || node.pins.some((pin) => skip.has(pin)) || point.volts[node.id] === null)
      continue;
    const currents = [
      ...node.terminals.map(({ ref, leg }) => -(point.legs.get(legPoint(ref, leg)) ?? 0)),
      ...node.pins.map((pin) => point.pins.get(pin)?.currentMa ?? point.supplies.get(pin) ?? 0),
    ];
    const largest = Math.max(...currents.map(Math.abs), FLOOR_MA);
    worst = Math.max(worst, Math.abs(currents.reduce((sum, amount) => sum + amount, 0)) / largest);
  }
  return worst;
}

test('random wirings end with Kirchhoff’s current law at every node, or with a named reason', () => {
  const count = samples(10_000);
  const reasons = new Map<string, number>();
  for (let seed = 0; seed < count; seed += 1) {
    const { wiring, drives, states } = randomBench(seed);
    const bench = prepareBench(new Circuit(wiring), { states });
    const point = solveBench(bench, drives);
    reasons.set(point.trouble ?? 'solved', (reasons.get(point.trouble ?? 'solved') ?? 0) + 1);
    if (point.trouble) continue;
    const board = wiring.board?.profile;
    // The board's own consumers, its pins among them, hang on these sockets from inside.
    const skip = new Set([
      ...(board && logicSupply(board) ? [logicSupply(board)!.name] : []),
      ...(board ? groundNames(board) : []),
      ...(board?.supplies ?? []).flatMap((supply) => (supply.role === 'input' ? [supply.name] : [])),
    ]);
    expect(worstImbalance(bench, point, skip), `seed ${seed}`).toBeLessThan(1e-3);
  }
  expect(
    [...reasons.keys()].filter((reason) => !['solved', 'contradiction', 'not-settled'].includes(reason)),
  ).toEqual([]);
  expect(reasons.get('solved')).toBeGreaterThan(count * 0.995);
});
