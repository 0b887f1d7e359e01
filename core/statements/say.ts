import { isPowerSource, isResistor, kindOf } from '../parts';
import { legPoint } from '../wiring/wiring';
import {
  BOARD_REF,
  splitPoint,
  type PartLine,
  type StatedCircuit,
  type StatedNet,
  type StatedPart,
} from './stated';
import { circuitOf } from './circuit';
import { recipesOn } from './recipes';
import { readLine } from './read';
import type { StatementContext } from './statement';
import { supplySocket } from './pins';
import { CircuitView } from './view';
import type { Ref } from '../brand';

/** What is to be said in lines. */
export type SayableCircuit = Pick<StatedCircuit, 'parts' | 'nets' | 'freePins'>;

/** Kinds that are said as a part of another's line where they can be. */
const OFTEN_WITH_OTHERS: ReadonlySet<string> = new Set([
  'resistor',
  'capacitor',
  'electrolytic',
  'diode',
  'transistor-npn',
]);

/**
 * Lines that describe a circuit: in the usual way of each kind where the circuit follows it, else leg by
 * leg. Reading the lines again gives the same circuit.
 */
export function sayCircuit(circuit: SayableCircuit, context: StatementContext): readonly PartLine[] {
  const view = new CircuitView(circuit.parts, circuit.nets, context.board, circuit.freePins);
  const lines: PartLine[] = [];
  const claimed = new Set<Ref>();
  const apart = new Set<Ref>();
  const order = [
    ...circuit.parts.filter((part) => !OFTEN_WITH_OTHERS.has(part.kind)),
    ...circuit.parts.filter((part) => OFTEN_WITH_OTHERS.has(part.kind)),
  ];
  for (const part of order) {
    if (claimed.has(part.ref)) continue;
    const usual = usualLine(part, circuit, context, view, claimed);
    const line = usual ?? legByLegLine(part, circuit.nets, context);
    lines.push(line);
    if (!usual) apart.add(part.ref);
    for (const name of line.refs) claimed.add(name);
  }
  return together(mended(lines, apart, circuit, context), circuit, context);
}

/** The line in the usual way, when it makes nothing but what the circuit has. */
function usualLine(
  part: StatedPart,
  circuit: SayableCircuit,
  context: StatementContext,
  view: CircuitView,
  claimed: ReadonlySet<Ref>,
): PartLine | undefined {
  const text = recipesOn(context.board).get(part.kind)?.say?.(part, view);
  if (text === undefined) return undefined;
  const { statement } = readLine(text, context);
  if (!statement) return undefined;
  const helpers = helpersOf(part, view, claimed);
  const line = { text, refs: [part.ref, ...helpers] };
  // What feeds this part, with power or with data, must be there to be named.
  const sources = circuit.parts
    .filter(
      (other) =>
        other.ref !== part.ref && (isPowerSource(other) || recipesOn(context.board).get(other.kind)?.leads),
    )
    .map((other) => legByLegLine(other, [], context));
  const made = circuitOf([...sources, line], context);
  const own = made.lines.at(-1)!;
  if (own.troubles.some(({ weight }) => weight !== 'warns')) return undefined;
  const isRight =
    own.refs.every((name) => {
      const [mine, theirs] = [made, circuit].map((one) => one.parts.find((other) => other.ref === name));
      return mine && theirs && samePart(mine, theirs);
    }) && made.nets.every((net) => isWithinOne(net, circuit.nets));
  return isRight ? { text, refs: own.refs } : undefined;
}

const samePart = (one: StatedPart, other: StatedPart): boolean =>
  one.kind === other.kind &&
  one.value === other.value &&
  one.accept?.from === other.accept?.from &&
  one.accept?.to === other.accept?.to;

const isWithinOne = (net: StatedNet, nets: readonly StatedNet[]): boolean => {
  const home = nets.find((candidate) => candidate.points.includes(net.points[0]!));
  return home !== undefined && net.points.every((point) => home.points.includes(point));
};

/** What a part’s line makes with it: what hangs on it in series, and the resistors around them in the order of their legs. */
function helpersOf(part: StatedPart, view: CircuitView, claimed: ReadonlySet<Ref>): readonly Ref[] {
  const following = view.inSeriesBehind(part);
  const names = [part, ...following].flatMap((one) =>
    kindOf(one.kind).legs.flatMap(({ name }) =>
      view
        .neighbours(one, name)
        .filter((other) => isResistor(other.part) && !claimed.has(other.part.ref))
        .filter(() => ['inner', 'pin'].includes(view.place(one, name).type))
        .map((other) => other.part.ref),
    ),
  );
  return [...following.map(({ ref: name }) => name), ...new Set(names)];
}

/** The line of a part with each of its legs joined to the first point of its net. */
export function legByLegLine(
  part: StatedPart,
  nets: readonly StatedNet[],
  { board }: StatementContext,
): PartLine {
  const kind = kindOf(part.kind);
  const joins = kind.legs.flatMap(({ name }) => {
    const own = legPoint(part.ref, name);
    const net = nets.find((candidate) => candidate.points.includes(own));
    if (!net) return [];
    const target = pointPhrase(net, own, board);
    return target === undefined ? [] : [`${name} to ${target}`];
  });
  const accept = part.accept ? ` (${part.accept.from}-${part.accept.to})` : '';
  const name = `${part.value === '' ? '' : `${part.value}${accept} `}${titleOf(part.kind)} as ${part.ref}`;
  return { text: joins.length > 0 ? `${name}: ${joins.join(', ')}` : `${name}, left free`, refs: [part.ref] };
}

/** The word of a kind that reads back as that kind. */
const titleOf = (kind: string): string => kindOf(kind).title;

/** A point of the net that others can name: its ground, supply or pin, else its first leg. */
function pointPhrase(net: StatedNet, own: string, board: StatementContext['board']): string | undefined {
  const sockets = net.points
    .filter((point) => splitPoint(point)[0] === BOARD_REF)
    .map((point) => splitPoint(point)[1] as string);
  if (
    sockets.some((name) => board.supplies.some((socket) => socket.name === name && socket.role === 'ground'))
  )
    return 'ground';
  const supply = supplySocket(board);
  if (supply !== undefined && sockets.includes(supply)) return 'supply';
  if (sockets[0] !== undefined) return sockets[0];
  const [first] = net.points;
  return first === own ? undefined : first;
}

/** Says leg by leg what the usual lines leave unjoined, until the lines give the whole circuit. */
function mended(
  lines: readonly PartLine[],
  /** Parts that are said leg by leg already. */
  apart: ReadonlySet<Ref>,
  circuit: SayableCircuit,
  context: StatementContext,
): readonly PartLine[] {
  const made = circuitOf(lines, context);
  const broken = circuit.nets.find((net) => net.points.length > 1 && !isWithinOne(net, made.nets));
  const owners = new Set(broken?.points.map((point) => splitPoint(point)[0]));
  const next = lines.find((line) => line.refs.some((name) => owners.has(name) && !apart.has(name)));
  if (!next) return lines;
  const legwise = next.refs.map((name) =>
    legByLegLine(
      circuit.parts.find((part) => part.ref === name)!,
      circuit.nets,
      context,
    ),
  );
  return mended(
    lines.flatMap((line) => (line === next ? legwise : [line])),
    new Set([...apart, ...next.refs]),
    circuit,
    context,
  );
}

/** Lines that are alike but for their pin, as one: `8 servos on 2-9 from G1`. */
function together(
  lines: readonly PartLine[],
  circuit: SayableCircuit,
  context: StatementContext,
): readonly PartLine[] {
  const result: PartLine[] = [];
  for (let first = 0; first < lines.length;) {
    const shape = shapeOf(lines[first]!);
    let last = first + 1;
    while (last < lines.length && shapeOf(lines[last]!) === shape) last += 1;
    const run = lines.slice(first, last);
    const joined = run.length > 1 ? oneLine(run, context) : undefined;
    const isSame =
      joined && sameCircuit(circuitOf([...result, joined, ...lines.slice(last)], context), circuit, joined);
    result.push(...(isSame ? [joined] : run));
    first = last;
  }
  return result;
}

const PIN_IN_LINE = / on ([A-Z]?\d+)(?= |$|,)/;
const shapeOf = ({ text }: PartLine): string =>
  PIN_IN_LINE.test(text) ? text.replace(PIN_IN_LINE, ' on #') : `${text} `;

function oneLine(run: readonly PartLine[], context: StatementContext): PartLine | undefined {
  const pins = run.map(({ text }) => PIN_IN_LINE.exec(text)?.[1]);
  const { statement } = readLine(run[0]!.text, context);
  if (!statement || pins.some((pin) => pin === undefined)) return undefined;
  const view = new CircuitView([], [], context.board, {});
  const { title } = statement.kind;
  const text = run[0]!.text
    .replace(PIN_IN_LINE, ` on ${view.pins(pins.map((pin) => pin!))}`)
    .replace(title, `${title}s`);
  return { text: `${run.length} ${text}`, refs: run.flatMap(({ refs }) => refs) };
}

/** Whether a line makes exactly the parts it is to, as the circuit has them. */
function sameCircuit(made: StatedCircuit, circuit: SayableCircuit, line: PartLine): boolean {
  const own = made.lines.find((candidate) => candidate.text === line.text);
  return (
    own !== undefined &&
    own.refs.length === line.refs.length &&
    own.refs.every((name) => {
      const [mine, theirs] = [made, circuit].map((one) => one.parts.find((part) => part.ref === name));
      return mine && theirs && samePart(mine, theirs);
    }) &&
    made.nets.every((net) => isWithinOne(net, circuit.nets))
  );
}
