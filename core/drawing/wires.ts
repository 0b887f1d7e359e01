import { HEADER, PITCH, type Geometry, type XY } from './geometry';
import { nameOf, type Point } from '../wiring/wiring';
import type { Conductor } from './conductors';

/** A wire's way over the sheet, and places along it where its name may stand. */
export interface Route {
  readonly path: string;
  readonly ends: readonly [XY, XY];
  readonly namePlaces: readonly XY[];
}

/**
 * Routes wires between the rows and columns of holes rather than over them: out of a socket into a
 * lane of its own, along the space between two rows, and from there into the hole.
 */
export function routeWires(
  wires: readonly Pick<Conductor, 'key' | 'from' | 'to'>[],
  geometry: Geometry,
): ReadonlyMap<string, Route> {
  const routes = new Map<string, Route>();
  const fromBoard: { ref: string; socket: XY; hole: XY }[] = [];
  const between: { ref: string; one: XY; other: XY }[] = [];
  const toMargin: { ref: string; leg: XY; far: XY; farType: Point['type'] }[] = [];
  const place = (point: Point): XY | undefined =>
    point.type === 'leg' ? geometry.margin.get(nameOf(point)) : geometry.at(point);
  for (const { key: ref, from, to } of wires) {
    const [a, b] = [place(from), place(to)];
    if (!a || !b) continue;
    if (from.type === 'leg') toMargin.push({ ref, leg: a, far: b, farType: to.type });
    else if (to.type === 'leg') toMargin.push({ ref, leg: b, far: a, farType: from.type });
    else if (from.type === 'pin' && to.type !== 'pin') fromBoard.push({ ref, socket: a, hole: b });
    else if (to.type === 'pin' && from.type !== 'pin') fromBoard.push({ ref, socket: b, hole: a });
    else between.push({ ref, one: a, other: b });
  }
  const channels = new Map<number, number>();
  /** A height between two rows; wires that share it lie side by side. */
  const channelAt = (y: number): number => {
    const used = channels.get(y) ?? 0;
    channels.set(y, used + 1);
    return y + [0, 4, -4, 8, -8][used % 5]!;
  };
  const boardLanes = fromBoard.length + toMargin.filter(({ farType }) => farType === 'pin').length;
  const laneAt = (index: number): number => {
    const start = geometry.lanesFrom;
    return start + (((geometry.sheet?.x ?? start + 60) - 12 - start) * (index + 1)) / (boardLanes + 1);
  };
  laneOrder(fromBoard).forEach(({ ref, socket, hole }, index) => {
    const lane = laneAt(index);
    const above = socket.y <= hole.y;
    const y = channelAt(hole.y + (above ? -PITCH / 2 : PITCH / 2));
    const turn = hole.x - PITCH * 0.45;
    routes.set(ref, {
      path: rounded([socket, { x: lane, y: socket.y }, { x: lane, y }, { x: turn, y }, hole]),
      ends: [socket, hole],
      namePlaces: [
        { x: socket.x + 28, y: socket.y },
        { x: lane, y: (socket.y + y) / 2 },
        { x: (lane + turn) / 2, y },
      ],
    });
  });
  for (const { ref, one, other } of between) routes.set(ref, betweenHoles(one, other, channelAt));
  const [laneFrom, laneTo] = geometry.marginLanes;
  let board = fromBoard.length;
  marginOrder(toMargin).forEach(({ ref, leg, far, farType }, index, all) => {
    const lane = laneTo - ((laneTo - laneFrom) * (index + 0.5)) / all.length;
    if (farType === 'leg') {
      routes.set(ref, marginRoute([leg, { x: lane, y: leg.y }, { x: lane, y: far.y }, far], lane));
      return;
    }
    const y = channelAt(Math.round((far.y - HEADER) / PITCH) * PITCH + HEADER);
    if (farType === 'pin') {
      const near = laneAt(board++);
      routes.set(
        ref,
        marginRoute(
          [leg, { x: lane, y: leg.y }, { x: lane, y }, { x: near, y }, { x: near, y: far.y }, far],
          lane,
        ),
      );
      return;
    }
    const turn = far.x + PITCH * 0.45;
    routes.set(ref, marginRoute([leg, { x: lane, y: leg.y }, { x: lane, y }, { x: turn, y }, far], lane));
  });
  return routes;
}

const marginRoute = (points: readonly XY[], lane: number): Route => {
  const [leg, , bend] = points;
  return {
    path: rounded(points),
    ends: [leg!, points.at(-1)!],
    namePlaces: [
      { x: leg!.x - 14, y: leg!.y },
      { x: lane, y: (leg!.y + bend!.y) / 2 },
    ],
  };
};

/** Lanes from the margin inwards: of wires that go up the topmost first, of those going down the lowest. */
function marginOrder<T extends { readonly leg: XY; readonly far: XY }>(wires: readonly T[]): readonly T[] {
  const goesDown = (wire: T): boolean => wire.far.y >= wire.leg.y;
  const down = wires.filter(goesDown).sort((a, b) => b.leg.y - a.leg.y);
  const up = wires.filter((wire) => !goesDown(wire)).sort((a, b) => a.leg.y - b.leg.y);
  return [...up, ...down];
}

function betweenHoles(one: XY, other: XY, channelAt: (y: number) => number): Route {
  const [upper, lower] = one.y <= other.y ? [one, other] : [other, one];
  const towards = upper.x <= lower.x ? 1 : -1;
  if (upper.y === lower.y) {
    const y = channelAt(upper.y - PITCH / 2);
    return {
      path: rounded([
        upper,
        { x: upper.x + towards * PITCH * 0.4, y },
        { x: lower.x - towards * PITCH * 0.4, y },
        lower,
      ]),
      ends: [one, other],
      namePlaces: [{ x: (upper.x + lower.x) / 2, y }],
    };
  }
  const y = channelAt(upper.y + PITCH / 2);
  const x = lower.x - towards * (PITCH / 2);
  return {
    path: rounded([
      upper,
      { x: upper.x + towards * PITCH * 0.35, y },
      { x, y },
      { x, y: lower.y - PITCH * 0.4 },
      lower,
    ]),
    ends: [one, other],
    namePlaces: [
      { x, y: (y + lower.y) / 2 },
      { x: (upper.x + x) / 2, y },
    ],
  };
}

/**
 * Lanes left to right so that wires which go the same way do not cross: of those going down, the
 * lowest socket keeps nearest to the board; of those going up, the highest.
 */
function laneOrder<T extends { readonly socket: XY; readonly hole: XY }>(wires: readonly T[]): readonly T[] {
  const goesDown = (wire: T): boolean => wire.hole.y >= wire.socket.y;
  const down = wires.filter(goesDown).sort((a, b) => b.socket.y - a.socket.y);
  const up = wires.filter((wire) => !goesDown(wire)).sort((a, b) => a.socket.y - b.socket.y);
  return [...up, ...down];
}

const RADIUS = 8;

/** A line through the points with its corners rounded. */
export function rounded(points: readonly XY[]): string {
  const clean = points.filter(
    (point, index) =>
      index === 0 || Math.hypot(point.x - points[index - 1]!.x, point.y - points[index - 1]!.y) > 0.5,
  );
  const text = (value: number): string => String(Math.round(value * 10) / 10);
  let path = `M${text(clean[0]!.x)} ${text(clean[0]!.y)}`;
  for (let index = 1; index < clean.length - 1; index += 1) {
    const [before, corner, after] = [clean[index - 1]!, clean[index]!, clean[index + 1]!];
    const enter = towards(corner, before);
    const leave = towards(corner, after);
    path += ` L${text(enter.x)} ${text(enter.y)} Q${text(corner.x)} ${text(corner.y)} ${text(leave.x)} ${text(leave.y)}`;
  }
  const last = clean.at(-1)!;
  return `${path} L${text(last.x)} ${text(last.y)}`;
}

function towards(from: XY, to: XY): XY {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const step = Math.min(RADIUS, length / 2) / (length || 1);
  return { x: from.x + (to.x - from.x) * step, y: from.y + (to.y - from.y) * step };
}
