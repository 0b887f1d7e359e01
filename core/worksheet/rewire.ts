import { ref, type PointName } from '../brand';
import type { HouseRules } from '../course/house-rules';
import { fail, ok, type Result } from '../result';
import { circuitOf, legByLegLine, readLine, sayCircuit, splitPoint, withWord } from '../statements';
import type { Change } from './change';
import { contextOf, inLine, sayable, type Sheet, type SheetLine } from './sheet';

const rewritten = (line: SheetLine, is: string): Change => ({
  type: 'line',
  id: line.id,
  was: line.text,
  is,
  after: null,
});

/** The changes that take whatever is on a pin to another pin; refused when no line names the pin. */
export function movePin(
  sheet: Sheet,
  courseRules: HouseRules,
  from: string,
  to: string,
): Result<readonly Change[]> {
  const context = contextOf(sheet, courseRules);
  if (!context.ok) return context;
  const changes = sheet.lines.flatMap((line): readonly Change[] => {
    const read = readLine(line.text, context.value);
    if (read.statement?.pins.includes(from)) return [rewritten(line, withWord(read, 'pins', from, to))];
    const joins = read.statement?.joins.some((join) => join.to.type === 'pin' && join.to.pin === from);
    return joins ? [rewritten(line, withWord(read, 'join', from, to))] : [];
  });
  return changes.length > 0
    ? ok(changes)
    : fail({ message: `no line puts anything on ${from}`, typed: from });
}

/**
 * The changes that join a part's leg to another point, or to nothing (`null`). The line that made the part
 * is said again: in its usual words where the new circuit still follows them, else leg by leg.
 */
export function joinLeg(
  written: Sheet,
  courseRules: HouseRules,
  leg: PointName,
  target: PointName | null,
): Result<readonly Change[]> {
  const context = contextOf(written, courseRules);
  if (!context.ok) return context;
  // What was worked out last may be older than the lines.
  const { sheet } = inLine(written, context.value);
  const [owner] = splitPoint(leg);
  const line = sheet.lines.find((candidate) => candidate.refs.includes(owner));
  if (!line) return fail({ message: `no line makes ${owner}`, typed: owner });
  const circuit = sayable(sheet);
  const without = circuit.nets.map((net) => ({
    ...net,
    points: net.points.filter((point) => point !== leg),
  }));
  const home = without.find((net) => target !== null && net.points.includes(target));
  const nets =
    target === null
      ? without
      : home
        ? without.map((net) => (net === home ? { ...net, points: [...net.points, leg] } : net))
        : [...without, { name: '', points: [target, leg] }];
  const wanted = { ...circuit, nets: nets.filter((net) => net.points.length > 1) };
  const own = line.refs.map(ref);
  const said = sayCircuit(wanted, context.value).filter(({ refs }) =>
    refs.some((name) => own.includes(name)),
  );
  const others = sheet.lines.filter((candidate) => candidate !== line);
  // The usual words only when they speak of this line's parts alone and leave the others as they are.
  const fits = said.every(({ refs }) => refs.every((name) => own.includes(name)));
  const texts = fits
    ? said
    : own.map((name) =>
        legByLegLine(
          wanted.parts.find((part) => part.ref === name)!,
          wanted.nets,
          context.value,
        ),
      );
  const made = circuitOf(
    [...others.map(({ text, refs }) => ({ text, refs: refs.map(ref) })), ...texts],
    context.value,
  );
  if (!joins(made.nets, leg, target))
    return fail({
      message: `${leg.replace('.', ' ')} cannot be joined so without changing another line`,
      typed: leg,
    });
  const [first, ...more] = texts;
  const added = more.map(({ text }, index): Change => ({
    type: 'line',
    id: `${line.id}-${index + 2}-${sheet.lines.length}`,
    was: null,
    is: text,
    after: line.id,
  }));
  return ok([rewritten(line, first!.text), ...added.reverse()]);
}

const joins = (
  nets: readonly { readonly points: readonly PointName[] }[],
  leg: PointName,
  target: PointName | null,
): boolean => {
  const net = nets.find(({ points }) => points.includes(leg));
  return target === null ? net === undefined : net !== undefined && net.points.includes(target);
};
