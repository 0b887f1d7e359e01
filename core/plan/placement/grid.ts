import { columnsOf, rails, railHalf, sideOf, type Column, type Rail } from '../../breadboards';
import type { PointName, Ref } from '../../brand';
import { nameOf, type Point } from '../../wiring/wiring';
import { overlaps, type BodyBox } from './body-box';
import type { PlacementTask, TaskNet } from './task';

/** A hole of a breadboard. */
export type Hole = Extract<Point, { type: 'hole' | 'rail' }>;

/** A half row or a rail with what is in it. */
export interface Strip {
  readonly key: string;
  readonly board: Ref;
  /** Row of a half row; `undefined` for a rail. */
  readonly row: number | undefined;
  readonly rail: Rail | undefined;
  readonly net: TaskNet;
}

/** Legs of parts in a half row; the fifth hole stays for a wire. */
export const MOST_LEGS = 4;

/** What is where while parts are being placed. Filled from seats, anew for each trial. */
export class Grid {
  private readonly netAt = new Map<string, TaskNet>();
  private readonly strips = new Map<TaskNet, Set<string>>();
  private readonly used = new Set<PointName>();
  private readonly legs = new Map<string, number>();
  /** Holes under the body or the leads of a part. */
  private readonly covered = new Set<PointName>();
  private readonly bodies: BodyBox[] = [];
  /** Strips that a part joins inside, without a wire. */
  private readonly bridges: (readonly [string, string])[] = [];

  constructor(
    readonly task: PlacementTask,
    private readonly mostLegs = MOST_LEGS,
  ) {}

  keyOf(hole: Hole): string {
    if (hole.type === 'hole') return `${hole.ref}.${sideOf(hole.column)}${hole.row}`;
    const { model } = this.task.breadboards.find(({ ref }) => ref === hole.ref)!;
    return `${hole.ref}.${hole.rail}/${railHalf(model, hole.row)}`;
  }

  netOf(hole: Hole): TaskNet | undefined {
    return this.netAt.get(this.keyOf(hole));
  }

  isFree(hole: Hole): boolean {
    return !this.used.has(nameOf(hole));
  }

  /** Whether an end of that net may go into the hole: the hole is free and its strip has no other net. */
  takes(hole: Hole, net: TaskNet | undefined, end: 'leg' | 'wire'): boolean {
    if (!this.isFree(hole)) return false;
    if (end === 'leg' && this.covered.has(nameOf(hole))) return false;
    const key = this.keyOf(hole);
    const there = this.netAt.get(key);
    if (there !== undefined && there !== net) return false;
    // A leg that is in no net must stay alone.
    if (net === undefined && (this.legs.get(key) ?? 0) > 0) return false;
    return end === 'wire' || hole.type === 'rail' || (this.legs.get(key) ?? 0) < this.mostLegs;
  }

  put(hole: Hole, net: TaskNet | undefined, end: 'leg' | 'wire'): void {
    const key = this.keyOf(hole);
    this.used.add(nameOf(hole));
    this.netAt.set(key, net ?? LONE);
    if (net) {
      const keys = this.strips.get(net);
      if (keys) keys.add(key);
      else this.strips.set(net, new Set([key]));
    }
    if (end === 'leg') this.legs.set(key, (this.legs.get(key) ?? 0) + 1);
  }

  /** Notes a hole that a body or a lead lies over: no leg goes there, and a wire only at need. */
  cover(hole: Hole): void {
    this.covered.add(nameOf(hole));
  }

  isCovered(hole: Hole): boolean {
    return this.covered.has(nameOf(hole));
  }

  addBody(body: BodyBox): void {
    this.bodies.push(body);
  }

  /** How many bodies stand where this one would. */
  overlapping(body: BodyBox): number {
    return this.bodies.reduce((count, other) => count + (overlaps(body, other) ? 1 : 0), 0);
  }

  /** Notes that two strips are one node through a part. */
  bridge(one: string, other: string): void {
    this.bridges.push([one, other]);
  }

  /** Strips that are one node with this one through parts, itself among them. */
  bridgedWith(key: string): ReadonlySet<string> {
    const found = new Set([key]);
    for (const at of found)
      for (const [one, other] of this.bridges) {
        if (one === at) found.add(other);
        if (other === at) found.add(one);
      }
    return found;
  }

  /** Strips of a net that hold something. */
  stripsOf(net: TaskNet): ReadonlySet<string> {
    return this.strips.get(net) ?? NO_STRIPS;
  }

  /** Whether nothing is in a half row. */
  isEmpty(board: Ref, row: number, side: 'a' | 'f'): boolean {
    return !this.netAt.has(`${board}.${side}${row}`);
  }

  /** Lowest row of any breadboard below which nothing stands, counted over one breadboard. */
  lastRow(board: Ref): number {
    let last = 0;
    for (const key of this.netAt.keys()) {
      const match = /^(.+)\.[af](\d+)$/.exec(key);
      if (match?.[1] === board) last = Math.max(last, Number(match[2]));
    }
    return last;
  }
}

const NO_STRIPS: ReadonlySet<string> = new Set();

/** Stands for the strip of a leg that is in no net. */
const LONE: TaskNet = { name: '', role: 'inner', pins: [], legs: [] };

/**
 * The free hole of a strip that suits a wire of that net best: in a half row the outermost, in a rail
 * the one nearest to a row.
 */
export function wireHole(grid: Grid, key: string, net: TaskNet, row: number): Hole | undefined {
  const dot = key.lastIndexOf('.');
  const board = key.slice(0, dot) as Ref;
  const place = key.slice(dot + 1);
  const rail = rails.find((name) => place.startsWith(name));
  const { model } = grid.task.breadboards.find(({ ref }) => ref === board)!;
  if (rail) {
    for (let away = 0; away < model.rows; away += 1)
      for (const at of away === 0 ? [row] : [row - away, row + away]) {
        if (at < 1 || at > model.rows) continue;
        const hole: Hole = { type: 'rail', ref: board, rail, row: at };
        if (grid.keyOf(hole) === key && grid.takes(hole, net, 'wire')) return hole;
      }
    return undefined;
  }
  const holes = wireColumns(place.startsWith('a') ? 'a' : 'f')
    .map((column): Hole => ({ type: 'hole', ref: board, column, row: Number(place.slice(1)) }))
    .filter((hole) => grid.takes(hole, net, 'wire'));
  return holes.find((hole) => !grid.isCovered(hole)) ?? holes[0];
}

/** Columns of a side from the outside inwards, as wires take them. */
export const wireColumns = (side: 'a' | 'f'): readonly Column[] =>
  side === 'a' ? columnsOf('a') : [...columnsOf('f')].reverse();

/** Columns of a side from the centre gap outwards, as parts take them. */
export const partColumns = (side: 'a' | 'f'): readonly Column[] => [...wireColumns(side)].reverse();
