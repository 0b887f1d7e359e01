import { pointName } from '../brand';
import { columnsOf } from '../breadboards';
import { kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import { nameOf, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';
import { standsBeside } from './conductors';
import { HEADER, spanOf, PITCH, type Frame, type Geometry, type XY } from './geometry';
import { around, LabelPlacer } from './labels';
import { boxAround, type Drawing, type Layer, type Shape, type Target } from './list';
import { nameShapes } from './names';
import { holeShapes, ledgerShapes, rowNameShapes, sheetShapes } from './sheet';
import { boxAt } from './symbols/symbol';
import { drawPart } from './symbols';
import { arranged, wireLayers } from './wire-layers';

export interface BenchDrawingOptions {
  /** Rows to draw; without it those in use, with some room. */
  readonly rows?: readonly [number, number];
  /** `used`: leaves out the side of the breadboard that nothing is in. */
  readonly crop?: 'used' | 'whole';
  /** Points whose strips are shown as a thread, and what for. */
  readonly threads?: readonly {
    readonly point: Point;
    readonly role: 'supply' | 'ground' | 'signal' | 'sense';
  }[];
  /** Parts to mark with corners. */
  readonly marked?: readonly string[];
  /** Points to mark with a ring, unless they belong to a marked part. */
  readonly markedPoints?: readonly string[];
  /** A point to mark as the next one. */
  readonly ghost?: Point;
}

/** The frame that shows what is in use. */
export function frameOf(wiring: Wiring, options: BenchDrawingOptions = {}): Frame {
  const [board] = wiring.breadboards;
  const [firstRow, lastRow] = options.rows ?? (board ? spanOf(wiring, board.ref) : [1, LONE_BOARD_ROWS]);
  const usesRight = wiring.parts.some((part) =>
    part.legs.some(
      ({ at }) =>
        (at?.type === 'hole' && at.column > 'e') || (at?.type === 'rail' && at.rail.startsWith('j')),
    ),
  );
  return {
    firstRow,
    lastRow: Math.min(board?.model.rows ?? lastRow, lastRow),
    hasRightSide: options.crop !== 'used' || usesRight,
  };
}

/** Room beside a name at the edge. */
const NAME_MARGIN = 4;

/** Half the size of a leg's end in its hole. */
const LEG_REACH: XY = { x: 4, y: 4 };

/** Height of a drawing without a breadboard, in rows. */
const LONE_BOARD_ROWS = 9;

/** Draws board, breadboard, parts and wires as a list of shapes. */
export function drawBench(wiring: Wiring, options: BenchDrawingOptions = {}): Drawing {
  const usedPins = new Set(
    wiring.parts.flatMap((part) => part.legs.flatMap(({ at }) => (at?.type === 'pin' ? [at.pin] : []))),
  );
  const arrangement = arranged(wiring, frameOf(wiring, options), usedPins);
  const { geometry } = arrangement;
  const placer = new LabelPlacer();
  const layers: Layer[] = [
    { shapes: [...ledgerShapes(geometry, wiring, usedPins), ...sheetShapes(geometry)] },
  ];
  layers.push({ shapes: threadShapes(geometry, wiring, options) });
  layers.push({ shapes: holeShapes(geometry) });
  const parts = wiring.parts.filter((part) => !kindOf(part.kind).conductor);
  const legPlaces = new Map([...looseParts(geometry, parts), ...geometry.margin]);
  const at = (point: Point | null): XY | undefined =>
    point ? (point.type === 'leg' ? legPlaces.get(nameOf(point)) : geometry.at(point)) : undefined;
  for (const part of wiring.parts)
    for (const { at: point } of part.legs) {
      const place = at(point);
      if (place) placer.block({ x: place.x - 6, y: place.y - 6, width: 12, height: 12 });
    }
  const rowNames = geometry.rowNamesX;
  for (const sheet of geometry.sheets)
    for (const x of rowNames)
      for (let row = sheet.firstRow; row <= sheet.lastRow; row += 1)
        placer.block({ x: x - 9, y: geometry.rowY(row, sheet) - 6, width: 18, height: 12 });
  const drawn = parts.flatMap((part) => {
    const legs = part.legs.map(
      (leg) =>
        geometry.margin.get(pointName(`${part.ref}.${leg.leg}`)) ??
        at(leg.at) ??
        legPlaces.get(pointName(`${part.ref}.${leg.leg}`)),
    );
    return legs.every((leg) => leg !== undefined)
      ? [{ part, legs, symbol: drawPart(part, legs, rowNames) }]
      : [];
  });
  for (const { symbol } of drawn) for (const box of symbol.boxes) placer.block(box);
  layers.push(...wireLayers(wiring, arrangement, at, placer));
  for (const { part, legs, symbol } of drawn) {
    const label = placer.place(
      part.ref,
      around(symbol.centre, symbol.reach.x + 16, symbol.reach.y + 6.5, symbol.reach.x > symbol.reach.y * 2),
    );
    layers.push({
      ref: part.ref,
      seat: boxAt(symbol.centre, symbol.reach),
      ...(symbol.lights ? { lights: symbol.lights } : {}),
      box: boxAround([
        boxAt(symbol.centre, symbol.reach),
        label.box,
        ...symbol.boxes,
        ...legs.map((leg) => boxAt(leg, LEG_REACH)),
      ]),
      shapes: [
        ...symbol.shapes,
        ...nameShapes(label.text, label.box, 'part-name'),
        ...(options.marked?.includes(part.ref) ? [markShape(symbol.centre, symbol.reach)] : []),
      ],
    });
  }
  layers.push({ shapes: [...rowNameShapes(geometry), ...ringShapes(options, parts, at, wiring)] });
  const ghost = options.ghost && at(options.ghost);
  if (ghost) layers.push({ shapes: [{ type: 'circle', role: 'ghost', x: ghost.x, y: ghost.y, radius: 9 }] });
  return {
    // A name may stand beyond the edge of the breadboard.
    width: Math.max(
      geometry.width,
      ...layers.flatMap(({ box, shapes }) => [
        ...(box ? [box.x + box.width + NAME_MARGIN] : []),
        ...shapes.map((shape) =>
          shape.role === 'plate' && shape.type === 'rect' ? shape.x + shape.width : 0,
        ),
      ]),
    ),
    height: geometry.height,
    layers,
    targets: targetsOf(geometry, wiring),
    description: describe(wiring),
  };
}

/** Bands over every strip and rail of the nodes that are to be followed. */
function threadShapes(
  geometry: Geometry,
  wiring: Wiring,
  { threads = [] }: BenchDrawingOptions,
): readonly Shape[] {
  if (threads.length === 0 || !geometry.sheet) return [];
  const circuit = new Circuit(wiring);
  const shapes: Shape[] = [];
  const seen = new Set<string>();
  const nodes = new Map<NodeId, string>();
  for (const { point, role } of threads) {
    const node = circuit.nodeAt(point)?.id;
    if (node !== undefined && !nodes.has(node)) nodes.set(node, role);
  }
  for (const part of wiring.parts)
    for (const { at } of part.legs) {
      if (!at || at.type === 'pin' || at.type === 'leg') continue;
      const role = nodes.get(circuit.nodeAt(at)!.id);
      const strip = circuit.stripAt(at)!;
      if (role === undefined || seen.has(strip)) continue;
      seen.add(strip);
      const sheet = geometry.sheetOf(at.ref);
      if (!sheet) continue;
      const paint = { of: 'electricity', name: role } as const;
      if (at.type === 'rail') {
        if (!geometry.railsOf(sheet).includes(at.rail)) continue;
        const x = geometry.columnX(at.rail);
        shapes.push({
          type: 'path',
          role: 'trace',
          paint,
          width: PITCH * 0.5,
          path: `M${x} ${geometry.rowY(sheet.firstRow, sheet)} V${geometry.rowY(sheet.lastRow, sheet)}`,
        });
      } else if (at.row >= sheet.firstRow && at.row <= sheet.lastRow) {
        const side = columnsOf(at.column <= 'e' ? 'a' : 'f');
        shapes.push({
          type: 'path',
          role: 'trace',
          paint,
          width: PITCH * 0.62,
          path: `M${geometry.columnX(side[0]!)} ${geometry.rowY(at.row, sheet)} H${geometry.columnX(side.at(-1)!)}`,
        });
      }
    }
  return shapes;
}

/** Places for the legs of parts that hang free or are only clipped, in a row under the gutter. */
function looseParts(geometry: Geometry, parts: readonly PlacedPart[]): Map<string, XY> {
  const places = new Map<string, XY>();
  const loose = parts.filter(
    (part) => !standsBeside(part) && part.legs.every((leg) => !leg.at || leg.at.type === 'leg'),
  );
  const x = geometry.ledgerWidth + (geometry.sheet ? 40 : 150);
  loose.forEach((part, index) => {
    const y = HEADER + 40 + index * 4 * PITCH;
    part.legs.forEach((leg, at) => places.set(`${part.ref}.${leg.leg}`, { x, y: y + at * 2.4 * PITCH }));
  });
  // A leg fastened to another part's leg is where that one is.
  for (const part of parts)
    for (const leg of part.legs) {
      const own = `${part.ref}.${leg.leg}`;
      const place = leg.at
        ? leg.at.type === 'leg'
          ? places.get(nameOf(leg.at))
          : geometry.at(leg.at)
        : undefined;
      if (place && !places.has(own)) places.set(own, place);
      if (place && leg.at?.type === 'leg') places.set(own, place);
    }
  for (const part of parts)
    part.legs.forEach((leg, index) => {
      const own = `${part.ref}.${leg.leg}`;
      const anchor = part.legs.map((other) => places.get(`${part.ref}.${other.leg}`)).find(Boolean);
      if (!places.has(own) && anchor) places.set(own, { x: anchor.x + 30, y: anchor.y + 44 + index * 4 });
    });
  return places;
}

/** Rings round the ends of wires that a finding is about; a part has its corners. */
function ringShapes(
  { marked = [], markedPoints = [] }: BenchDrawingOptions,
  parts: readonly PlacedPart[],
  at: (point: Point | null) => XY | undefined,
  wiring: Wiring,
): readonly Shape[] {
  const points = new Map(
    wiring.parts.flatMap((part) =>
      part.legs.flatMap((leg) => (leg.at ? [[nameOf(leg.at) as string, leg.at] as const] : [])),
    ),
  );
  const ofParts = new Set(
    parts
      .filter((part) => marked.includes(part.ref))
      .flatMap((part) => part.legs.flatMap((leg) => (leg.at ? [nameOf(leg.at) as string] : []))),
  );
  return markedPoints.flatMap((name): readonly Shape[] => {
    const point = points.get(name);
    const place = point && !ofParts.has(name) ? at(point) : undefined;
    return place
      ? [
          {
            type: 'path',
            role: 'mark',
            width: 2.6,
            path: `M${place.x - 10} ${place.y} a10 10 0 1 0 20 0 a10 10 0 1 0 -20 0`,
          },
        ]
      : [];
  });
}

/** Four corners round a part that a finding is about. */
function markShape({ x, y }: XY, reach: XY): Shape {
  const [w, h, l] = [reach.x + 8, reach.y + 8, 9];
  const corner = (sx: number, sy: number): string =>
    `M${x + sx * w} ${y + sy * (h - l)} V${y + sy * h} H${x + sx * (w - l)}`;
  return {
    type: 'path',
    role: 'mark',
    width: 2.6,
    path: [corner(-1, -1), corner(1, -1), corner(-1, 1), corner(1, 1)].join(' '),
  };
}

function targetsOf(geometry: Geometry, wiring: Wiring): readonly Target[] {
  const targets: Target[] = [];
  const board = wiring.board;
  if (board)
    for (const line of geometry.ledger)
      if (line.type === 'pin')
        targets.push({ point: pointName(`${board.ref}.${line.name}`), x: geometry.ledgerWidth, y: line.y });
  for (const sheet of geometry.sheets)
    for (let row = sheet.firstRow; row <= sheet.lastRow; row += 1)
      for (const column of geometry.columnsOf(sheet))
        targets.push({
          point: pointName(`${sheet.ref}.${column}${row}`),
          x: geometry.columnX(column),
          y: geometry.rowY(row, sheet),
        });
  return targets;
}

function describe(wiring: Wiring): string {
  const lines = wiring.parts.map((part) => {
    const kind = kindOf(part.kind);
    const ends = part.legs.map(
      ({ leg, at }) =>
        `${kind.legs.find((known) => known.name === leg)?.title ?? leg} in ${at ? nameOf(at) : 'nothing'}`,
    );
    return `${kind.describe(part.value)} ${part.ref}: ${ends.join(', ')}`;
  });
  return `${wiring.board?.profile.short ?? 'no board'}. ${lines.join('. ')}`;
}
