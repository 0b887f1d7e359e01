import type { PointName } from '../../brand';
import { columnsOf, sideOf, type Column } from '../../breadboards';
import { effort } from '../../effort';
import { stripOf } from '../../wiring/netlist';
import { capacityOf, overreachOf } from '../../wiring/read';
import {
  nameOf,
  withLegAt,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
  type Hole,
} from '../../wiring/wiring';

/** The holes and sockets of a wiring that something can still be put into. */
export class Seats {
  private readonly used = new Map<PointName, number>();
  private readonly byStrip = new Map<string, Point>();

  constructor(private readonly wiring: Wiring) {
    for (const { legs } of wiring.parts)
      for (const { at } of legs) {
        if (!at) continue;
        this.used.set(nameOf(at), (this.used.get(nameOf(at)) ?? 0) + 1);
        this.byStrip.set(stripOf(at, wiring), at);
      }
  }

  /** A point of every strip, rail and socket that something is on. */
  get strips(): readonly Point[] {
    return [...this.byStrip.values()];
  }

  /** Whether one more leg or end fits there; `own`: places that become free. */
  isFree(point: Point, own: ReadonlySet<PointName> = new Set()): boolean {
    const name = nameOf(point);
    return own.has(name) || (this.used.get(name) ?? 0) < capacityOf(this.wiring, point);
  }

  /** A free hole on the strip of `point`, as near to `from` as there is one. */
  freeOn(point: Point, from: Point | null): Point | undefined {
    effort(point.type === 'rail' ? 20_000 : 3000);
    if (point.type === 'pin' || point.type === 'leg') return this.isFree(point) ? point : undefined;
    if (point.type === 'hole') {
      const wanted = from?.type === 'hole' ? from.column : undefined;
      return [...columnsOf(sideOf(point.column))]
        .sort((a, b) => columnGap(a, wanted) - columnGap(b, wanted))
        .map((column): Point => ({ ...point, column }))
        .find((hole) => this.isFree(hole));
    }
    const rows = this.wiring.breadboards.find((board) => board.ref === point.ref)!.model.rows;
    const near = from && 'row' in from ? from.row : point.row;
    return Array.from({ length: rows }, (_, index) => index + 1)
      .sort((a, b) => Math.abs(a - near) - Math.abs(b - near))
      .map((row): Point => ({ ...point, row }))
      .find((hole) => this.isFree(hole) && stripOf(hole, this.wiring) === stripOf(point, this.wiring));
  }

  /** A row that nothing is in, near to a leg and within its reach. */
  emptyRow(part: PlacedPart, leg: PlacedLeg): Hole | undefined {
    const [board] = this.wiring.breadboards;
    if (!board) return undefined;
    const near = leg.at && 'row' in leg.at ? leg.at.row : 1;
    return Array.from({ length: board.model.rows }, (_, index) => index + 1)
      .sort((a, b) => Math.abs(a - near) - Math.abs(b - near))
      .map((row): Hole => ({
        type: 'hole',
        ref: board.ref,
        column: leg.at?.type === 'hole' ? leg.at.column : 'e',
        row,
      }))
      .find(
        (hole) =>
          !this.byStrip.has(stripOf(hole, this.wiring)) && !overreachOf(withLegAt(part, leg.leg, hole)),
      );
  }
}

const columnGap = (column: Column, wanted: Column | undefined): number =>
  wanted === undefined ? 0 : Math.abs(column.charCodeAt(0) - wanted.charCodeAt(0));
