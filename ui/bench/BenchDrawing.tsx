'use client';

import { useMemo, useRef, useState, type MouseEvent } from 'react';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import type { CurrentPath } from '@/core/electrics/paths';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { useBench } from './useBench';

/** Distance between holes in CSS pixels when zoomed, so that a finger hits the right one. */
const ZOOMED_PITCH = 44;
const SPARE_ROWS = 5;
const FEWEST_ROWS = 14;

/** The drawing, alive: it follows the record, and a tap on it places what is being recorded. */
export function BenchDrawing({ wiring: whole }: { readonly wiring: Wiring }) {
  const { state, dispatch, marked, placing, path } = useBench();
  const { isZoomed, followed } = state;
  // What is not plugged in at all lies in the list, not over the holes.
  const wiring = useMemo(
    () => ({ ...whole, parts: whole.parts.filter(({ legs }) => legs.some(({ at }) => at !== null)) }),
    [whole],
  );
  const threads = useMemo(
    () => (path && followed !== undefined ? threadsUpTo(path, followed) : undefined),
    [path, followed],
  );
  const [hovered, setHovered] = useState<{
    readonly x: number;
    readonly y: number;
    readonly point: string;
  }>();
  const frame = useRef<HTMLDivElement>(null);
  const drawing = useMemo(() => {
    const rows = wiring.breadboards[0]?.model.rows ?? 1;
    const used = wiring.parts.flatMap((part) =>
      part.legs.flatMap(({ at }) => (at && 'row' in at ? [at.row] : [])),
    );
    const last = isZoomed
      ? rows
      : Math.min(rows, Math.max(FEWEST_ROWS, ...used.map((row) => row + SPARE_ROWS)));
    return drawBench(wiring, {
      rows: [1, last],
      crop: 'whole',
      ...(threads ? { threads } : {}),
      marked: marked.refs,
      markedPoints: marked.at,
    });
  }, [wiring, threads, marked, isZoomed]);

  const nearest = (event: MouseEvent<HTMLElement>): typeof hovered => {
    const contents = frame.current?.querySelector<SVGGElement>('[data-contents]');
    const matrix = contents?.getScreenCTM();
    if (!matrix) return undefined;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    let best: (typeof hovered & { distance: number }) | undefined;
    for (const target of drawing.targets) {
      // A pin answers along its whole line in the ledger.
      const dx = target.point.startsWith('U') ? Math.max(0, x - target.x - PITCH / 2) : target.x - x;
      const distance = Math.hypot(dx, target.y - y);
      if (distance < PITCH * 0.6 && (!best || distance < best.distance)) best = { ...target, distance };
    }
    return best;
  };

  return (
    <div
      ref={frame}
      className={isZoomed ? 'max-h-[58vh] overflow-auto border border-rule' : ''}
      onClick={(event) => {
        const target = placing ? nearest(event) : undefined;
        if (target) dispatch({ type: 'tap point', point: target.point });
      }}
      onMouseMove={(event) => setHovered(placing ? nearest(event) : undefined)}
      onMouseLeave={() => setHovered(undefined)}
    >
      <BenchFigure
        drawing={drawing}
        title="What you have recorded"
        className={`${isZoomed ? '' : 'max-h-[52vh] w-full'} ${placing ? 'cursor-crosshair' : ''}`}
        style={isZoomed ? { width: (drawing.width * ZOOMED_PITCH) / PITCH } : undefined}
      >
        {hovered && <circle data-role="ghost" cx={hovered.x} cy={hovered.y} r="10" />}
      </BenchFigure>
    </div>
  );
}

/** The strips that the current has come by, up to a step. */
function threadsUpTo(path: CurrentPath, step: number): { readonly point: Point; readonly role: 'signal' }[] {
  return path.steps.slice(0, step + 1).flatMap((passed) => {
    const points = 'to' in passed ? [passed.to] : 'at' in passed ? [passed.at] : [];
    return points.flatMap((point) => (point ? [{ point, role: 'signal' as const }] : []));
  });
}
