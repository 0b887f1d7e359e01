import type { Point } from '../wiring/wiring';
import { findSupply, logicSupply, type BoardProfile } from '../boards';
import { prepareBench } from '../electrics/bench';
import { solveBench, type BenchPoint } from '../electrics/bench-point';
import { isResistor, kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import { shortNameOf, withLegAt, withPart, type PlacedPart, type Wiring } from '../wiring/wiring';

/** Current in mA from which an LED is seen to be lit in a room. */
const SEEN_MA = 1;

/**
 * How a build is tried before any program: the wire of a pin is put into the supply socket for a moment, and a
 * light comes on. `undefined` where no wire can be moved without risk: behind it there must be nothing but
 * lights and resistors, and what flows must be no more than a pin should give.
 */
export function firstLight(wiring: Wiring, board: BoardProfile): string | undefined {
  const supply = logicSupply(board);
  if (!supply) return undefined;
  const circuit = new Circuit(wiring, board);
  for (const wire of wiring.parts.filter(({ kind }) => kindOf(kind).conductor))
    for (const { leg, at } of wire.legs) {
      if (at?.type !== 'pin' || findSupply(board, at.pin) || !isHarmless(circuit, wire, at)) continue;
      const there: Point = { ...at, pin: supply.name };
      const point = solvedWithout(withPart(wiring, withLegAt(wire, leg, there)), board);
      const lit = [...point.lamps].find(([, currentMa]) => currentMa >= SEEN_MA);
      const most = Math.max(0, ...[...point.parts.values()].map(({ currentMa }) => Math.abs(currentMa)));
      if (!lit || point.trouble || most > board.drive.recommendedMa) continue;
      const name = `the ${kindOf(wire.kind).describe(wire.value)} ${wire.ref}`;
      return `Try it before any program: move the end of ${name} from ${shortNameOf(at)} to ${supply.name}. ${lit[0]} lights up. Then move it back to ${shortNameOf(at)}.`;
    }
  return undefined;
}

const solvedWithout = (wiring: Wiring, board: BoardProfile): BenchPoint =>
  solveBench(prepareBench(new Circuit(wiring, board)), new Map());

/** Whether nothing but lights and resistors lies between a pin and the rest of the board. */
function isHarmless(circuit: Circuit, wire: PlacedPart, pin: Point): boolean {
  const node = circuit.nodeAt(pin);
  if (!node || circuit.side(node.id) !== undefined) return false;
  const behind = circuit.reach(node.id, { notBeyond: (next) => circuit.side(next) !== undefined });
  const isOther = (part: PlacedPart): boolean =>
    part !== wire && !isResistor(part) && kindOf(part.kind).observed !== 'light';
  const inner = [...behind].filter((next) => circuit.side(next) === undefined);
  return inner.every(
    (next) =>
      !circuit.partsAt(next).some((part) => !kindOf(part.kind).conductor && isOther(part)) &&
      circuit.signalsAt(next).every((name) => next === node.id && name === shortNameOf(pin)),
  );
}
