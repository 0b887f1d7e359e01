import type { ELK, ElkNode } from 'elkjs/lib/elk-api';
import type { SchematicEngine } from '@/core/drawing/schematic/engine';

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '34',
  'elk.layered.spacing.edgeNodeBetweenLayers': '14',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '12',
  'elk.spacing.nodeNode': '16',
  'elk.spacing.edgeNode': '12',
  'elk.spacing.componentComponent': '28',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.randomSeed': '1',
} as const;

/** Lays schematics out with elkjs, wherever that runs. */
export const schematicEngine =
  (elk: ELK): SchematicEngine =>
  async (graph) => {
    const root: ElkNode = {
      id: 'schematic',
      layoutOptions: options,
      children: graph.boxes.map(({ id, width, height, ports, edge }) => ({
        id,
        width,
        height,
        layoutOptions: {
          'elk.portConstraints': 'FIXED_POS',
          ...(edge === 'first' ? { 'elk.layered.layering.layerConstraint': 'FIRST' } : {}),
        },
        ports: ports.map((port) => ({
          id: port.id,
          x: port.x,
          y: port.y,
          width: 0,
          height: 0,
          layoutOptions: { 'elk.port.side': port.side },
        })),
      })),
      edges: graph.lines.map(({ id, from, to }) => ({ id, sources: [from], targets: [to] })),
    };
    const laid: ElkNode = await elk.layout(root);
    return {
      width: laid.width ?? 0,
      height: laid.height ?? 0,
      boxes: new Map((laid.children ?? []).map(({ id, x, y }) => [id, { x: x ?? 0, y: y ?? 0 }])),
      lines: new Map(
        (laid.edges ?? []).map(({ id, sections }) => [
          id,
          (sections ?? []).flatMap((section) => [
            section.startPoint,
            ...(section.bendPoints ?? []),
            section.endPoint,
          ]),
        ]),
      ),
    };
  };
