import { describe, expect, test } from 'vitest';
import { courseExercises } from '../../testing/course';
import { randomBench } from '../../testing/random-wiring';
import { circuitParts, netlistOf } from '../../wiring/netlist';
import { legPoint, type Wiring } from '../../wiring/wiring';
import type { EngineGraph, SchematicEngine } from './engine';
import { drawSchematic, nodeNear, threadedSchematic } from './index';
import { signOf } from './signs';

/** An engine that puts one box under another and draws each line straight; it remembers what it was given. */
function plainEngine(): { readonly engine: SchematicEngine; readonly graph: () => EngineGraph } {
  let given: EngineGraph = { boxes: [], lines: [] };
  const engine: SchematicEngine = (graph) => {
    given = graph;
    const boxes = new Map(graph.boxes.map(({ id }, index) => [id, { x: (index % 3) * 300, y: index * 100 }]));
    const ports = new Map(
      graph.boxes.flatMap(({ id, ports: own }) =>
        own.map((port) => {
          const at = boxes.get(id)!;
          return [port.id, { x: at.x + port.x, y: at.y + port.y }] as const;
        }),
      ),
    );
    const lines = new Map(graph.lines.map(({ id, from, to }) => [id, [ports.get(from)!, ports.get(to)!]]));
    return Promise.resolve({ width: 900, height: graph.boxes.length * 100, boxes, lines });
  };
  return { engine, graph: () => given };
}

/** Which ports the lines of a graph join; what meets in a box for meeting is joined through it. */
function joinedPorts({ boxes, lines }: EngineGraph): (port: string) => string {
  const parent = new Map<string, string>();
  const root = (port: string): string => {
    const up = parent.get(port) ?? port;
    return up === port ? port : root(up);
  };
  for (const { from, to } of lines) parent.set(root(from), root(to));
  for (const { id, ports } of boxes)
    if (id.startsWith('node ')) parent.set(root(ports[0]!.id), root(ports[1]!.id));
  return root;
}

const wirings: readonly (readonly [name: string, wiring: Wiring])[] = [
  ...courseExercises.map(({ name, exercise }) => [name, exercise.reference] as const),
  ...Array.from({ length: 60 }, (_, seed) => [`random ${seed}`, randomBench(seed).wiring] as const),
];

describe('a schematic', () => {
  test.each(wirings)('of %s joins the legs that the netlist joins, and no others', async (_, wiring) => {
    const { engine, graph } = plainEngine();
    const { tracks } = await drawSchematic(wiring, engine);
    const { boxes, lines } = graph();
    const root = joinedPorts(graph());
    const ports = boxes.flatMap((box) => box.ports.map(({ id }) => id));
    expect(new Set(ports).size).toBe(ports.length);
    for (const { from, to } of lines)
      expect([ports.includes(from), ports.includes(to)]).toEqual([true, true]);
    expect(tracks.length).toBe(lines.length);

    const owner = new Map<string, number>();
    for (const node of netlistOf(wiring).nodes) {
      const legs = node.terminals
        .map(({ ref, leg }) => legPoint(ref, leg) as string)
        .filter((leg) => lines.some(({ from, to }) => from === leg || to === leg));
      const groups = new Set(legs.map(root));
      // Ground and supplies stand at each leg as signs of their own.
      const isSigned = legs.some((leg) => boxes.some(({ id }) => id.startsWith(`${leg}/`)));
      if (!isSigned && legs.length > 0) expect(groups.size).toBe(1);
      for (const group of groups) {
        expect(owner.get(group) ?? node.id).toBe(node.id);
        owner.set(group, node.id);
      }
    }
  });

  test.each(courseExercises.map(({ name, exercise }) => [name, exercise.reference] as const))(
    'of %s is traced by pointing at any of its lines',
    async (_, wiring) => {
      const schematic = await drawSchematic(wiring, plainEngine().engine);
      for (const { node, points } of schematic.tracks) {
        const [from, to] = [points[0]!, points.at(-1)!];
        const isAlone = schematic.tracks.every(
          (other) => other.node === node || other.points.every((point) => point !== from),
        );
        if (isAlone) expect(nodeNear(schematic, from, 0.5)).toBe(node);
        expect(nodeNear({ ...schematic, tracks: [{ node, points }] }, to, 0.5)).toBe(node);
      }
      expect(nodeNear(schematic, { x: -500, y: -500 }, 20)).toBeUndefined();
    },
  );

  test('lays threads under the lines of the nodes that are followed, and under no others', async () => {
    const schematic = await drawSchematic(courseExercises[0]!.exercise.reference, plainEngine().engine);
    const [{ node }] = schematic.tracks as [(typeof schematic.tracks)[number]];
    const threaded = threadedSchematic(schematic, new Map([[node, 'signal']]));
    const threads = threaded.layers[0]!.shapes;
    expect(threads.length).toBe(schematic.tracks.filter((track) => track.node === node).length);
    expect(threads.every((shape) => 'role' in shape && shape.role === 'trace')).toBe(true);
    expect(threaded.layers.slice(1)).toEqual(schematic.layers);
    expect(threadedSchematic(schematic, new Map()).layers[0]!.shapes).toEqual([]);
  });

  test('has every port of a sign on the edge of its box', () => {
    for (const [, wiring] of wirings)
      for (const part of circuitParts(wiring)) {
        const { width, height, ports } = signOf(part);
        for (const [leg, { x, y, side }] of ports) {
          const edge = { WEST: x, EAST: width - x, NORTH: y, SOUTH: height - y }[side];
          expect(Math.abs(edge), `${part.kind} ${leg}`).toBeLessThan(0.01);
        }
      }
  });
});
