import { findSupply, logicSupply, type BoardProfile } from '../boards';
import { prepareBench } from '../electrics/bench';
import { solveBench, type BenchPoint } from '../electrics/bench-point';
import { isResistor, kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import { shortNameOf, withLegAt, withPart, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';

/** Current in mA from which an LED is seen to be lit in a room. */
const SEEN_MA = 1;

/**
 * How a build is tried before any program: the wire of a pin is put into the supply socket, and a
 * light comes on. `undefined` where no wire can be moved without risk: behind it there must be nothing but
 * lights and resistors, and what flows must be no more than a pin should give.
 */
export function firstLight(wiring: Wiring, board: BoardProfile): string | undefined {
  const supply = logicSupply(board);
  if (!supply) return undefined;
  const circuit = new Circuit(wiring, board);
  for (const wire of wiring.parts.filter(({ kind }) => kindOf(kind).conductor))
    for (const { leg, at } of wire.legs) {
      if (at?.type !== 'pin' || findSupply(board, at.pin) || !isHarmless(circuit, at)) continue;
      const there: Point = { ...at, pin: supply.name };
      const point = solvedWithout(withPart(wiring, withLegAt(wire, leg, there)), board);
      const lit = [...point.leds].find(([, currentMa]) => currentMa >= SEEN_MA);
      const most = Math.max(0, ...[...point.parts.values()].map(({ currentMa }) => Math.abs(currentMa)));
      if (!lit || point.trouble || most > board.drive.recommendedMa) continue;
      const name = `the ${kindOf(wire.kind).describe(wire.value)} ${wire.ref}`;
      return `Try it before any program: with the board unplugged, move the end of ${name} from ${shortNameOf(at)} to ${supply.name}, then plug it in. ${lit[0]} lights up. Unplug it again and move the end back to ${shortNameOf(at)}.`;
    }
  return undefined;
}

const solvedWithout = (wiring: Wiring, board: BoardProfile): BenchPoint =>
  solveBench(prepareBench(new Circuit(wiring, board)), new Map());

/** Whether nothing but lights and resistors lies between a pin and the supplies of the board. */
function isHarmless(circuit: Circuit, pin: Point): boolean {
  const node = circuit.nodeAt(pin);
  if (!node) return false;
  const isPowered = (id: typeof node.id): boolean => circuit.side(id) !== undefined;
  const between = [...circuit.reach(node.id, { notInto: isPowered })];
  const isHarmlessPart = (part: PlacedPart): boolean =>
    isResistor(part) || kindOf(part.kind).conductor || kindOf(part.kind).observed === 'light';
  return (
    !isPowered(node.id) &&
    between.every((id) => circuit.partsAt(id).every(isHarmlessPart)) &&
    between.flatMap((id) => circuit.signalsAt(id)).length === 1
  );
}
