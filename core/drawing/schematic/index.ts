import { kindOf } from '../../parts';
import { legPoint, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { Circuit } from '../../wiring/circuit';
import type { CircuitNode, NodeId } from '../../wiring/netlist';
import type { Drawing, Layer, Shape } from '../list';
import type { EngineGraph, EnginePoint, SchematicEngine } from './engine';
import { signOf, valueText, type Sign } from './signs';

export type { SchematicEngine } from './engine';

type Box = EngineGraph['boxes'][number];

/** Something in the schematic that is not a part: a pin's flag, a ground or supply sign, a meeting of lines. */
interface Extra {
  readonly box: Box;
  readonly shapes: (at: EnginePoint) => readonly Shape[];
}

const MARGIN = 16;

/**
 * Draws the circuit of a wiring as a schematic: from the same netlist as everything else, placed and
 * routed by the engine. Ground and supplies stand at each leg as signs, so that only signals are lines.
 */
export async function drawSchematic(wiring: Wiring, engine: SchematicEngine): Promise<Schematic> {
  const circuit = new Circuit(wiring);
  const { parts, nodes } = circuit;
  const signs = new Map(parts.map((part): [string, Sign] => [part.ref, signOf(part)]));
  const boxes: Box[] = [];
  const extras: Extra[] = [];
  const lines: EngineGraph['lines'][number][] = [];
  const add = (extra: Extra): void => void extras.push(extra);
  const nodeOfLine = new Map<string, NodeId>();
  for (const node of nodes) {
    const connect = (from: string, to: string): void => {
      const id = `line${lines.length}`;
      lines.push({ id, from, to });
      nodeOfLine.set(id, node.id);
    };
    connectNode(circuit, node, signs, { add, connect });
  }
  for (const part of parts) {
    const sign = signs.get(part.ref)!;
    boxes.push({
      id: part.ref,
      width: sign.width,
      height: sign.height,
      ports: [...sign.ports].map(([leg, port]) => ({ id: legPoint(part.ref, leg), ...port })),
    });
  }
  // Pins first, so that the engine keeps their order from top to bottom.
  const layout = await engine({
    boxes: [
      ...extras.filter(({ box }) => box.edge === 'first'),
      ...extras.filter(({ box }) => box.edge !== 'first'),
    ]
      .map(({ box }) => box)
      .concat(boxes),
    lines,
  });
  const at = (id: string): EnginePoint => {
    const found = layout.boxes.get(id)!;
    return { x: found.x + MARGIN, y: found.y + MARGIN };
  };
  const layers: Layer[] = [
    { shapes: lines.map(({ id }) => lineShape(layout.lines.get(id) ?? [])) },
    ...extras.map((extra): Layer => ({ shapes: extra.shapes(at(extra.box.id)) })),
    ...parts.map((part) => partLayer(part, signs.get(part.ref)!, at(part.ref))),
  ];
  return {
    width: layout.width + 2 * MARGIN,
    height: layout.height + 2 * MARGIN,
    layers,
    targets: [],
    description: describe(wiring, nodes),
    tracks: lines.map(({ id }) => ({
      node: nodeOfLine.get(id)!,
      points: (layout.lines.get(id) ?? []).map(({ x, y }) => ({ x: x + MARGIN, y: y + MARGIN })),
    })),
  };
}

/** A line of a schematic and the node that it draws. */
export interface Track {
  readonly node: NodeId;
  readonly points: readonly EnginePoint[];
}

/** A schematic, with its lines by node so that one can be traced. */
export interface Schematic extends Drawing {
  readonly tracks: readonly Track[];
}

/** The schematic with every line of these nodes as a thread in the colour of its role. */
export function threadedSchematic(
  schematic: Schematic,
  roles: ReadonlyMap<NodeId, 'supply' | 'ground' | 'signal' | 'sense'>,
): Drawing {
  const shapes = schematic.tracks.flatMap(({ node, points }): readonly Shape[] => {
    const name = roles.get(node);
    return name === undefined || points.length === 0
      ? []
      : [
          {
            type: 'path',
            role: 'trace',
            paint: { of: 'electricity', name },
            width: THREAD,
            path: points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' '),
          },
        ];
  });
  return { ...schematic, layers: [{ shapes }, ...schematic.layers] };
}

/** The node of the line nearest to a place, when there is one within a distance, all in drawing units. */
export function nodeNear(
  { tracks }: Schematic,
  place: { readonly x: number; readonly y: number },
  within: number,
): NodeId | undefined {
  let [nearest, least]: [NodeId | undefined, number] = [undefined, within];
  for (const { node, points } of tracks)
    for (let index = 1; index < points.length; index += 1) {
      const distance = distanceToLine(place, points[index - 1]!, points[index]!);
      if (distance <= least) [nearest, least] = [node, distance];
    }
  return nearest;
}

function distanceToLine(place: EnginePoint, from: EnginePoint, to: EnginePoint): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : ((place.x - from.x) * dx + (place.y - from.y) * dy) / length;
  const share = Math.min(1, Math.max(0, along));
  return Math.hypot(place.x - from.x - share * dx, place.y - from.y - share * dy);
}

/** Width of a thread along a line. */
const THREAD = 9;

interface Builder {
  readonly add: (extra: Extra) => void;
  readonly connect: (from: string, to: string) => void;
}

function connectNode(
  circuit: Circuit,
  node: CircuitNode,
  signs: ReadonlyMap<string, Sign>,
  { add, connect }: Builder,
): void {
  // Legs that are joined inside a part share their port; one of them is enough.
  const seen = new Set<string>();
  const legs = node.terminals.filter(({ ref, leg }) => {
    const port = signs.get(ref)?.ports.get(leg);
    const key = `${ref}:${port?.x},${port?.y}`;
    if (!port || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  if (legs.length === 0) return;
  const side = circuit.side(node.id);
  const ground = side === 'ground';
  // A battery that feeds many stands as a sign at each of them too.
  const pole = node.terminals.find(({ ref, leg }) => leg === kindOf(circuit.part(ref)!.kind).poles?.plus);
  const supply =
    (side === 'supply' ? node.pins.find((pin) => !circuit.signalsAt(node.id).includes(pin)) : undefined) ??
    (pole && legs.length > 2 ? `${pole.ref} +` : undefined);
  const isRight = ({ ref, leg }: (typeof legs)[number]): boolean =>
    signs.get(ref)!.ports.get(leg)!.side === 'EAST';
  if (ground || supply !== undefined) {
    for (const end of legs) {
      const id = `${legPoint(end.ref, end.leg)}/${ground ? 'ground' : 'supply'}`;
      const right = isRight(end);
      add(ground ? groundSign(id, right) : supplySign(id, supply!, right));
      if (right) connect(legPoint(end.ref, end.leg), `${id}:port`);
      else connect(`${id}:port`, legPoint(end.ref, end.leg));
    }
    return;
  }
  const pins = node.pins.map((pin) => {
    const id = `pin ${pin}`;
    add(pinFlag(id, pin));
    return `${id}:port`;
  });
  const ends = legs.map((end) => ({ id: legPoint(end.ref, end.leg) as string, right: isRight(end) }));
  const count = pins.length + ends.length;
  if (count < 2) return;
  if (count === 2) {
    const [first, second] = [...pins.map((id) => ({ id, right: true })), ...ends] as [
      { id: string; right: boolean },
      { id: string; right: boolean },
    ];
    if (first.right || !second.right) connect(first.id, second.id);
    else connect(second.id, first.id);
    return;
  }
  const id = `node ${node.id}`;
  add(meeting(id));
  for (const pin of pins) connect(pin, `${id}:in`);
  for (const end of ends)
    if (end.right) connect(end.id, `${id}:in`);
    else connect(`${id}:out`, end.id);
}

const outline = (path: string, width = 1.8): Shape => ({ type: 'path', role: 'outline', width, path });

function groundSign(id: string, right: boolean): Extra {
  return {
    box: {
      id,
      width: 20,
      height: 26,
      ports: [{ id: `${id}:port`, x: right ? 0 : 20, y: 6, side: right ? 'WEST' : 'EAST' }],
    },
    shapes: ({ x, y }) => [
      outline(
        `M${right ? x : x + 20} ${y + 6} H${x + 10} V${y + 15} M${x} ${y + 15} h20 M${x + 4} ${y + 19} h12 M${x + 8} ${y + 23} h4`,
      ),
    ],
  };
}

function supplySign(id: string, name: string, right: boolean): Extra {
  const width = Math.max(24, name.length * 8 + 4);
  return {
    box: {
      id,
      width,
      height: 32,
      ports: [{ id: `${id}:port`, x: right ? 0 : width, y: 26, side: right ? 'WEST' : 'EAST' }],
    },
    shapes: ({ x, y }) => [
      outline(
        `M${right ? x : x + width} ${y + 26} H${x + width / 2} V${y + 16} M${x + width / 2 - 8} ${y + 16} h16`,
      ),
      { type: 'text', role: 'part-name', x: x + width / 2, y: y + 11, text: name, anchor: 'middle' },
    ],
  };
}

function pinFlag(id: string, pin: string): Extra {
  const width = Math.max(34, pin.length * 9 + 18);
  return {
    box: {
      id,
      width,
      height: 22,
      edge: 'first',
      ports: [{ id: `${id}:port`, x: width, y: 11, side: 'EAST' }],
    },
    shapes: ({ x, y }) => [
      outline(`M${x} ${y} h${width - 9} l9 11 l-9 11 h${9 - width} Z`),
      {
        type: 'text',
        role: 'pin-name-used',
        x: x + (width - 7) / 2,
        y: y + 15.5,
        text: pin,
        anchor: 'middle',
      },
    ],
  };
}

const meeting = (id: string): Extra => ({
  box: {
    id,
    width: 7,
    height: 7,
    ports: [
      { id: `${id}:in`, x: 0, y: 3.5, side: 'WEST' },
      { id: `${id}:out`, x: 7, y: 3.5, side: 'EAST' },
    ],
  },
  shapes: ({ x, y }) => [
    outline(`M${x} ${y + 3.5} h7`),
    { type: 'circle', role: 'socket-used', x: x + 3.5, y: y + 3.5, radius: 3.5 },
  ],
});

function lineShape(points: readonly EnginePoint[]): Shape {
  const path = points
    .map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x + MARGIN} ${y + MARGIN}`)
    .join(' ');
  return outline(path);
}

function partLayer(part: PlacedPart, sign: Sign, { x, y }: EnginePoint): Layer {
  const value = valueText(part);
  return {
    ref: part.ref,
    shapes: [
      ...sign.shapes(x, y),
      {
        type: 'text',
        role: 'part-name',
        x: x + sign.name.x,
        y: y + sign.name.y,
        text: part.ref,
        anchor: 'middle',
      },
      ...(value === ''
        ? []
        : [
            {
              type: 'text',
              role: 'note',
              x: x + sign.value.x,
              y: y + sign.value.y,
              text: value,
              anchor: 'middle',
            } as const,
          ]),
    ],
  };
}

const describe = (wiring: Wiring, nodes: readonly CircuitNode[]): string =>
  `${wiring.board?.profile.short ?? 'no board'}. ${nodes
    .filter((node) => node.terminals.length + node.pins.length > 1)
    .map(
      (node) =>
        `joined: ${[...node.pins, ...node.terminals.map(({ ref, leg }) => `${ref} ${leg}`)].join(', ')}`,
    )
    .join('. ')}`;
