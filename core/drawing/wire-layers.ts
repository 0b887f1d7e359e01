import { kindOf } from '../parts';
import type { PlacedPart, Point, Wiring } from '../wiring/wiring';
import { conductorsOf, standingBelow, type Conductor } from './conductors';
import { Geometry, PITCH, type Frame, type XY } from './geometry';
import { around, type LabelPlacer } from './labels';
import { crossingsOf, segmentsOf, type Segment } from './legibility';
import type { Layer, Shape } from './list';
import { nameShapes } from './names';
import { rounded, routeWires, type Route } from './wires';

/** Crossings that a wire may have before it is drawn as two ends with their names. */
const MOST_CROSSINGS = 3;
/** Leads to parts beside the breadboard from which on their supply and ground are drawn apart. */
const MANY_LEADS = 9;
/** The share of the wires that are drawn apart before all are looked at again. */
const AT_ONCE = 1 / 8;

/** Where everything stands on a drawing, and how its wires run. */
export interface Arrangement {
  readonly geometry: Geometry;
  readonly conductors: readonly Conductor[];
  /** Ways of the wires that are drawn from end to end. */
  readonly routes: ReadonlyMap<string, Route>;
}

/**
 * Lays the wires so that each can be followed: one that would cross more than a few others is left out of the ways,
 * to be drawn as two ends; first those that do so most. Where many parts stand beside the breadboard, what only
 * fetches supply or ground for them is from the beginning, and where they stand below it, all that leads to them.
 */
export function arranged(wiring: Wiring, frame: Frame, usedPins: ReadonlySet<string>): Arrangement {
  const conductors = conductorsOf(wiring);
  const leads = conductors.filter(({ from, to }) => from.type === 'leg' || to.type === 'leg');
  const below = new Set<string>(standingBelow(wiring).map(({ ref }) => ref));
  const leadsBelow = ({ from, to }: Conductor): boolean =>
    [from, to].some((end) => end.type === 'leg' && below.has(end.ref));
  const apart = new Set<string>(
    leads
      .filter((lead) => leadsBelow(lead) || (leads.length >= MANY_LEADS && isFeed(lead)))
      .map(({ key }) => key),
  );
  for (;;) {
    const geometry = new Geometry(wiring, frame, usedPins, apart);
    const routes = routeWires(
      conductors.filter(({ key }) => !apart.has(key)),
      geometry,
    );
    const worst = tooOftenCrossed(conductors, routes);
    if (worst.length === 0) return { geometry, conductors, routes };
    for (const { key } of worst.slice(0, Math.ceil(worst.length * AT_ONCE))) apart.add(key);
  }
}

const isFeed = ({ from, to }: Conductor): boolean => from.type === 'rail' || to.type === 'rail';

/** The conductors that cross too many others, the worst first. */
function tooOftenCrossed(
  conductors: readonly Conductor[],
  routes: ReadonlyMap<string, Route>,
): readonly Conductor[] {
  const lines = conductors.flatMap((conductor) => {
    const route = routes.get(conductor.key);
    return route ? [{ conductor, segments: segmentsOf(route.path), count: 0 }] : [];
  });
  lines.forEach((one, index) => {
    for (const other of lines.slice(index + 1)) {
      const count = crossingsOf(one.segments, other.segments);
      one.count += count;
      other.count += count;
    }
  });
  return lines
    .filter(({ count }) => count > MOST_CROSSINGS)
    .sort((a, b) => b.count - a.count)
    .map(({ conductor }) => conductor);
}

/** One conductor as it is drawn. */
interface DrawnWire {
  readonly conductor: Conductor;
  readonly paths: readonly string[];
  readonly ends: readonly XY[];
  /** Places for its name; for one that is drawn apart, for the name at each end. */
  readonly names: readonly { readonly text: string; readonly centres: readonly XY[] }[];
}

/** Wires, leads and their names; names come after all lines, so that none lies under another wire. */
export function wireLayers(
  wiring: Wiring,
  { geometry, conductors, routes }: Arrangement,
  at: (point: Point | null) => XY | undefined,
  placer: LabelPlacer,
): readonly Layer[] {
  const drawn = [
    ...conductors.map((conductor): DrawnWire => {
      const route = routes.get(conductor.key);
      return route ? whole(conductor, route) : inTwo(conductor, at, geometry, wiring);
    }),
    ...looseWires(wiring, new Set(conductors.map(({ ref }) => ref)), at),
  ].filter(({ paths }) => paths.length > 0);
  const lines = drawn.map(({ conductor, paths, ends }): Layer => {
    const paint = { of: 'wire', name: conductor.colour } as const;
    return {
      ref: conductor.ref,
      shapes: [
        ...paths.flatMap((path): readonly Shape[] => [
          { type: 'path', role: 'wire-casing', width: 7.5, path },
          { type: 'path', role: 'outline', width: 4, paint, path, dashed: conductor.isClip },
        ]),
        ...ends.map(({ x, y }): Shape => ({ type: 'circle', role: 'outline', paint, x, y, radius: 4.6 })),
      ],
    };
  });
  for (const { conductor, paths } of drawn)
    for (const path of paths)
      for (const segment of segmentsOf(path)) placer.block(boxOf(segment), conductor.key);
  // Of two rails the outer one has its names nearer to the edge.
  const order = [...drawn].sort(
    (a, b) => Number(isAtInnerRail(a.conductor)) - Number(isAtInnerRail(b.conductor)),
  );
  const names = order.flatMap(({ conductor, names: wanted }) =>
    wanted.map(({ text, centres }): Layer => {
      const placed = placer.place(text, centres, conductor.key);
      return { ref: conductor.ref, shapes: nameShapes(placed.text, placed.box, 'wire-name') };
    }),
  );
  return [...lines, ...names];
}

const isInnerRail = (at: Point): boolean => at.type === 'rail' && (at.rail === 'j-' || at.rail === 'a+');
const isAtInnerRail = ({ from, to }: Conductor): boolean => isInnerRail(from) || isInnerRail(to);

/** Half the width that a wire takes up. */
const HALF = 3.5;

const boxOf = ([from, to]: Segment) => ({
  x: Math.min(from.x, to.x) - HALF,
  y: Math.min(from.y, to.y) - HALF,
  width: Math.abs(to.x - from.x) + 2 * HALF,
  height: Math.abs(to.y - from.y) + 2 * HALF,
});

/** Places along a piece of a wire where its name may stand. */
const along = ([from, to]: Segment): readonly XY[] =>
  [0.5, 0.3, 0.7, 0.15, 0.85].map((share) => ({
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
  }));

function whole(conductor: Conductor, route: Route): DrawnWire {
  const segments = segmentsOf(route.path).filter(
    ([from, to]) => Math.hypot(to.x - from.x, to.y - from.y) > PITCH / 2,
  );
  return {
    conductor,
    paths: [route.path],
    ends: route.ends,
    // A part's own leads carry no name: the part has it.
    names: conductor.isLead
      ? []
      : [
          {
            text: conductor.ref,
            centres: [
              ...route.namePlaces,
              ...segments.flatMap(along),
              ...route.namePlaces.flatMap((place) => around(place, 18, 14)),
            ],
          },
        ],
  };
}

/** Length of the piece of wire that is seen at an end that is drawn apart. */
const STUB = 12;
/** Width of a character of a name, and what its plate has beside the text. */
const [CHARACTER, PLATE] = [8, 8];

/** A wire as its two ends, each with its name and where the other end is. */
function inTwo(
  conductor: Conductor,
  at: (point: Point | null) => XY | undefined,
  geometry: Geometry,
  wiring: Wiring,
): DrawnWire {
  const { from, to, ref, isLead } = conductor;
  const pieces = [
    [from, to],
    [to, from],
  ].flatMap(([here, there]) => {
    const place = at(here!);
    if (!place) return [];
    const name = isLead && here!.type !== 'leg' ? placeText(there!, wiring) : isLead ? '' : ref;
    const isNarrow = here!.type === 'rail' || here!.type === 'hole';
    const text = isNarrow ? name : `${name} to ${placeText(there!, wiring)}`.trim();
    return [stub(here!, place, text, geometry)];
  });
  return {
    conductor,
    paths: pieces.map(({ path }) => path),
    ends: pieces.map(({ place }) => place),
    names: pieces.map(({ text, centres }) => ({ text, centres })),
  };
}

/** A place as it is written where the other end is drawn: `j-4`, `9`, `M8 S`. */
function placeText(point: Point, wiring: Wiring): string {
  switch (point.type) {
    case 'pin':
      return point.pin;
    case 'hole':
      return `${point.column}${point.row}`;
    case 'rail':
      return `${point.rail}${point.row}`;
    case 'leg': {
      const part = wiring.parts.find(({ ref }) => ref === point.ref);
      const leg = part && kindOf(part.kind).legs.find(({ name }) => name === point.leg);
      return `${point.ref} ${leg?.mark ?? point.leg}`;
    }
  }
}

function stub(here: Point, place: XY, text: string, geometry: Geometry) {
  const half = (text.length * CHARACTER + PLATE) / 2;
  const { x, y } = place;
  const sheet = geometry.sheet;
  if (here.type === 'leg') {
    const end = x - STUB;
    return { place, text, path: `M${x} ${y} L${end} ${y}`, centres: [{ x: end - half, y }] };
  }
  if (here.type === 'rail' && sheet) {
    const isRight = here.rail.startsWith('j');
    const edge = isRight ? sheet.x + sheet.width : sheet.x;
    const sign = isRight ? 1 : -1;
    // The rail further in leads out between two rows, clear of what is in the outer one.
    const isInner = isInnerRail(here);
    const level = isInner ? y - PITCH * 0.36 : y;
    const end = edge + sign * 4;
    const path = rounded([place, ...(isInner ? [{ x: x + sign * 9, y: level }] : []), { x: end, y: level }]);
    const centre = { x: end + sign * (half + HALF + 1), y };
    return {
      place,
      text,
      path,
      centres: [
        centre,
        { x: centre.x + sign * (half * 2 + 2), y },
        { x: centre.x + sign * (half * 4 + 4), y },
      ],
    };
  }
  if (here.type === 'pin') {
    const end = x + STUB;
    return { place, text, path: `M${x} ${y} L${end} ${y}`, centres: [{ x: end + half, y }] };
  }
  const end = { x: x + PITCH * 0.4, y: y - PITCH / 2 };
  return {
    place,
    text,
    path: `M${x} ${y} L${end.x} ${end.y}`,
    centres: [{ x: end.x + half, y: end.y }, ...around(place, half + 10, PITCH / 2)],
  };
}

/** Wires with an end on a leg that has no place of its own, or hanging free: a curve between what is known of it. */
function looseWires(
  wiring: Wiring,
  known: ReadonlySet<string>,
  at: (point: Point | null) => XY | undefined,
): readonly DrawnWire[] {
  return wiring.parts
    .filter((part) => kindOf(part.kind).conductor && !known.has(part.ref))
    .flatMap((part) => {
      const [one, other] = part.legs.map((leg) => at(leg.at));
      return looseWire(part, one, other) ?? [];
    });
}

function looseWire(part: PlacedPart, one: XY | undefined, other: XY | undefined): DrawnWire | undefined {
  const known = one ?? other;
  if (!known) return undefined;
  const end = one && other ? other : { x: known.x + 44, y: known.y + 16 };
  const start = one ?? known;
  const bend = { x: (start.x + end.x) / 2, y: start.y };
  const place = { x: bend.x, y: (start.y + end.y) / 2 };
  return {
    conductor: {
      key: part.ref,
      ref: part.ref,
      isLead: false,
      from: part.legs[0]!.at ?? part.legs[1]!.at!,
      to: part.legs[1]!.at ?? part.legs[0]!.at!,
      colour: part.value.text,
      isClip: part.kind === 'clip',
    },
    paths: [rounded([start, bend, { x: bend.x, y: end.y }, end])],
    ends: one && other ? [one, other] : [known],
    names: [{ text: part.ref, centres: [place, ...around(place, 18, 14)] }],
  };
}
