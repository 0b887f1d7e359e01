'use client';

import Elk, { type ELK } from 'elkjs/lib/elk-api.js';
import { useCallback, useEffect, useMemo, useRef, useState, type MouseEvent } from 'react';
import { drawSchematic, nodeNear, threadedSchematic, type Schematic } from '@/core/drawing/schematic';
import type { SchematicEngine } from '@/core/drawing/schematic/engine';
import { Circuit } from '@/core/wiring/circuit';
import type { NodeId } from '@/core/wiring/netlist';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { schematicEngine } from '@/engines/schematic';
import { BenchFigure } from '../drawing/BenchFigure';
import { placeOnDrawing } from '../drawing/pointer';
import type { Thread } from './threads';
import { useDispatch } from './useWorksheet';

interface SchematicFigureProps {
  readonly wiring: Wiring;
  readonly title: string;
  readonly threads: readonly Thread[];
}

/** How near to a line one has to point, in drawing units. */
const LINE_REACH = 10;

/** Milliseconds of rest before the schematic follows. */
const SCHEMATIC_REST = 350;

/** An engine in a worker of its own, made when it is first asked for: laying out would hold up the writing. */
function useSchematicEngine(): () => SchematicEngine {
  const made = useRef<{ elk: ELK; engine: SchematicEngine }>(undefined);
  useEffect(
    () => () => {
      made.current?.elk.terminateWorker();
      made.current = undefined;
    },
    [],
  );
  return useCallback(() => {
    if (!made.current) {
      const elk = new Elk({
        workerFactory: () =>
          new Worker(new URL('../../workers/web/schematic.worker.ts', import.meta.url), { type: 'module' }),
      });
      made.current = { elk, engine: schematicEngine(elk) };
    }
    return made.current.engine;
  }, []);
}

/** The same circuit as a schematic; it follows when the writing rests. */
export function SchematicFigure({ wiring, title, threads }: SchematicFigureProps) {
  const dispatch = useDispatch();
  const frame = useRef<HTMLDivElement>(null);
  const engine = useSchematicEngine();
  const [drawn, setDrawn] = useState<{ schematic: Schematic; wiring: Wiring }>();
  useEffect(() => {
    let isWanted = true;
    const timer = setTimeout(
      () =>
        void drawSchematic(wiring, engine()).then((schematic) => {
          if (isWanted) setDrawn({ schematic, wiring });
        }),
      SCHEMATIC_REST,
    );
    return () => {
      isWanted = false;
      clearTimeout(timer);
    };
  }, [wiring, engine]);
  const drawing = useMemo(() => {
    if (!drawn) return undefined;
    const circuit = new Circuit(drawn.wiring);
    const roles = new Map<NodeId, Thread['role']>();
    for (const { point, role } of threads) {
      const node = circuit.nodeAt(point);
      if (node) roles.set(node.id, role);
    }
    return threadedSchematic(drawn.schematic, roles);
  }, [drawn, threads]);
  const onClick = (event: MouseEvent): void => {
    const owner = (event.target as Element).closest('[data-ref]')?.getAttribute('data-ref');
    const place = placeOnDrawing(frame.current, event);
    if (owner) dispatch({ type: 'choose', chosen: { ref: owner, leg: null } });
    else if (drawn && place) {
      const node = nodeNear(drawn.schematic, place, LINE_REACH);
      dispatch({
        type: 'trace',
        point: node === undefined ? undefined : pointOnNode(drawn.wiring, node),
      });
    }
  };
  return (
    <figure className="mt-4 border-t border-ink pt-3" aria-label="Schematic">
      <figcaption className="mb-1 font-semibold">Schematic</figcaption>
      {drawing ? (
        <div ref={frame} className="flex justify-center" onClick={onClick}>
          <BenchFigure
            drawing={drawing}
            title={`The circuit of ${title}`}
            className="max-h-[46vh] max-w-full"
            style={{ width: drawing.width }}
          />
        </div>
      ) : (
        <p className="text-note text-soft">Drawing it …</p>
      )}
    </figure>
  );
}

/** Where some leg of the node is. */
function pointOnNode(wiring: Wiring, node: NodeId): Point | undefined {
  const circuit = new Circuit(wiring);
  return (
    wiring.parts
      .flatMap(({ legs }) => legs.map(({ at }) => at))
      .find((at) => at !== null && circuit.nodeAt(at)?.id === node) ?? undefined
  );
}
