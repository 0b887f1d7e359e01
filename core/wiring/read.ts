import { shippedBoards, type BoardProfile } from '../boards';
import { legName, ref, type LegName, type PointName, type Ref } from '../brand';
import { acrossPitches, breadboards, PITCH_MM } from '../breadboards';
import { findKind, partKinds, type PartKind, type PartValue } from '../parts';
import { fail, ok, type Problem, type Result } from '../result';
import { readPoint, type Surroundings } from './point';
import { readTable, type TableRow } from './table';
import { nameOf, shortNameOf, type PlacedLeg, type PlacedPart, type Point, type Wiring } from './wiring';

export interface ReadOptions {
  /** Board profiles that may be named, by id; the shipped ones unless given. */
  readonly boards?: ReadonlyMap<string, BoardProfile>;
}

/** Reads a wiring table; the first thing wrong is returned with its line. */
export function readWiring(text: string, options: ReadOptions = {}): Result<Wiring> {
  const rows = readTable(text);
  return rows.ok ? wiringFromRows(rows.value, options) : rows;
}

interface Group {
  readonly ref: Ref;
  readonly kind: string;
  readonly rows: TableRow[];
}

/** Reads rows that have already been split, as an editor holds them. */
export function wiringFromRows(rows: readonly TableRow[], options: ReadOptions = {}): Result<Wiring> {
  const grouped = groupRows(rows);
  if (!grouped.ok) return grouped;
  const boards = options.boards ?? shippedBoards;
  let board: Wiring['board'];
  const boardsOnBench: { ref: Ref; model: Wiring['breadboards'][number]['model'] }[] = [];
  const kindByRef = new Map<Ref, string>();
  const plain: { group: Group; kind: PartKind }[] = [];
  for (const group of grouped.value) {
    const [first] = group.rows;
    const where = { line: first!.line };
    if (group.kind === 'board') {
      const profile = boards.get(first!.value.toLowerCase());
      if (!profile)
        return fail({
          ...where,
          typed: first!.value,
          message: `“${first!.value}” is no known board; known are ${[...boards.keys()].join(', ')}`,
        });
      if (board)
        return fail({
          ...where,
          typed: first!.ref,
          message: `${group.ref} is a second board; a wiring has one`,
        });
      board = { ref: group.ref, profile };
    } else if (group.kind === 'breadboard') {
      const model = breadboards.get(first!.value.toLowerCase());
      if (!model)
        return fail({
          ...where,
          typed: first!.value,
          message: `“${first!.value}” is no known breadboard; known are ${[...breadboards.keys()].join(', ')}`,
        });
      boardsOnBench.push({ ref: group.ref, model });
    } else {
      const kind = findKind(group.kind)!;
      kindByRef.set(group.ref, kind.kind);
      plain.push({ group, kind });
    }
  }
  const around: Surroundings = { board, breadboards: boardsOnBench, kindByRef };
  const parts: PlacedPart[] = [];
  for (const { group, kind } of plain) {
    const part = readPart(group, kind, around);
    if (!part.ok) return part;
    parts.push(part.value);
  }
  const wiring: Wiring = { board, breadboards: boardsOnBench, parts };
  const problem = firstDoubleUse(wiring) ?? firstOverreach(wiring);
  return problem ? fail(problem) : ok(wiring);
}

function groupRows(rows: readonly TableRow[]): Result<readonly Group[]> {
  const groups = new Map<Ref, Group>();
  for (const row of rows) {
    const name = ref(row.ref.toUpperCase());
    if (!/^[A-Z]{1,4}\d{0,4}$/.test(name))
      return fail({
        line: row.line,
        typed: row.ref,
        message: `“${row.ref}” is no part name; write one like D1 or W12`,
      });
    const kind = row.kind.toLowerCase();
    if (kind !== 'board' && kind !== 'breadboard' && !findKind(kind))
      return fail({
        line: row.line,
        typed: row.kind,
        message: `“${row.kind}” is no known kind; known are board, breadboard, ${partKinds.map((known) => known.kind).join(', ')}`,
      });
    const group = groups.get(name);
    if (!group) {
      groups.set(name, { ref: name, kind, rows: [row] });
      continue;
    }
    if (group.kind !== kind)
      return fail({
        line: row.line,
        typed: row.kind,
        message: `${name} was a ${group.kind} before and is “${row.kind}” here`,
      });
    if (group.rows[0]!.value.toLowerCase() !== row.value.toLowerCase())
      return fail({
        line: row.line,
        typed: row.value,
        message: `${name} was “${group.rows[0]!.value}” before and is “${row.value}” here`,
      });
    group.rows.push(row);
  }
  return ok([...groups.values()]);
}

function readPart(group: Group, kind: PartKind, around: Surroundings): Result<PlacedPart> {
  const first = group.rows[0]!;
  const value: Result<PartValue> = kind.readValue(first.value);
  if (!value.ok) return fail({ ...value.problems[0]!, line: first.line });
  const placed = new Map<LegName, PlacedLeg>();
  for (const row of group.rows) {
    if (row.leg === '' && row.at === '') continue;
    const leg = legName(row.leg.toLowerCase());
    if (!kind.legs.some((known) => known.name === leg))
      return fail({
        line: row.line,
        typed: row.leg,
        message: `“${row.leg}” is no leg of a ${kind.title}; its legs are ${kind.legs.map((known) => known.name).join(', ')}`,
      });
    if (placed.has(leg))
      return fail({ line: row.line, typed: row.leg, message: `${group.ref}.${leg} is placed twice` });
    if (row.at === '') {
      placed.set(leg, { leg, at: null, line: row.line });
      continue;
    }
    const at = readPoint(row.at, around);
    if (!at.ok) return fail({ ...at.problems[0]!, line: row.line });
    if (at.value.type === 'leg' && at.value.ref === group.ref)
      return fail({ line: row.line, typed: row.at, message: `${group.ref} cannot be fastened to itself` });
    placed.set(leg, { leg, at: at.value, line: row.line });
  }
  return ok({
    ref: group.ref,
    kind: kind.kind,
    value: value.value,
    legs: kind.legs.map(({ name }) => placed.get(name) ?? { leg: name, at: null }),
  });
}

/** How many ends fit at a point: one in a hole, as many as the board has sockets of a supply name. */
export function capacityOf(wiring: Pick<Wiring, 'board'>, point: Point): number {
  if (point.type === 'leg') return Number.POSITIVE_INFINITY;
  if (point.type !== 'pin') return 1;
  return wiring.board?.profile.supplies.find((supply) => supply.name === point.pin)?.sockets ?? 1;
}

/** A hole or a socket with more in it than it takes. */
export function firstDoubleUse(wiring: Wiring): Problem | undefined {
  const users = new Map<PointName, string[]>();
  for (const part of wiring.parts) {
    for (const { leg, at, line } of part.legs) {
      if (!at) continue;
      const name = nameOf(at);
      const here = users.get(name) ?? [];
      if (here.length >= capacityOf(wiring, at)) {
        const place = at.type === 'pin' ? `socket ${at.pin}` : `hole ${shortNameOf(at)}`;
        const holders = here.length === 1 ? here[0] : `${here.slice(0, -1).join(', ')} and ${here.at(-1)}`;
        return {
          line,
          typed: name,
          message: `${part.ref}.${leg} does not fit: ${place} already holds ${holders}`,
        };
      }
      users.set(name, [...here, `${part.ref}.${leg}`]);
    }
  }
  return undefined;
}

/** Distance between two holes of one breadboard in millimetres; `undefined` when they are not on one. */
export function distanceMm(from: Point, to: Point): number | undefined {
  if (from.type === 'pin' || to.type === 'pin' || from.type === 'leg' || to.type === 'leg') return undefined;
  if (from.ref !== to.ref) return undefined;
  const across = (point: typeof from): number =>
    acrossPitches[point.type === 'hole' ? point.column : point.rail];
  return Math.hypot(across(from) - across(to), from.row - to.row) * PITCH_MM;
}

/** The first part whose legs are farther apart than it can reach. */
function firstOverreach(wiring: Wiring): Problem | undefined {
  for (const part of wiring.parts) {
    const problem = overreachOf(part);
    if (problem) return problem;
  }
  return undefined;
}

/** What is wrong when a part's legs are farther apart than it can reach. */
export function overreachOf(part: PlacedPart): Problem | undefined {
  const { footprint, title } = findKind(part.kind)!;
  if (footprint.type !== 'leads' || footprint.reachMm === undefined) return undefined;
  const { reachMm } = footprint;
  for (const [index, to] of part.legs.entries())
    for (const from of part.legs.slice(0, index)) {
      if (!from.at || !to.at) continue;
      const apart = distanceMm(from.at, to.at);
      if (apart === undefined || apart <= reachMm) continue;
      return {
        line: to.line ?? from.line,
        typed: shortNameOf(to.at),
        message: `${part.ref} cannot reach from ${shortNameOf(from.at)} to ${shortNameOf(to.at)}: that is ${apart.toFixed(0)} mm, a ${title} spans at most ${reachMm} mm`,
      };
    }
  return undefined;
}
