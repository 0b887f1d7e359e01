'use client';

import { useMemo, useRef } from 'react';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import type { CurrentPath } from '@/core/electrics/paths';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { BenchFigure } from '../drawing/BenchFigure';
import { Loupe } from './Loupe';
import { shortPlace } from './draft';
import { useBench } from './useBench';
import { useHoles } from './useHoles';

/** Distance between holes in CSS pixels when zoomed, so that a finger hits the right one. */
const ZOOMED_PITCH = 44;
const SPARE_ROWS = 5;
const FEWEST_ROWS = 14;

/** The drawing, alive: it follows the record, and a tap on it places what is being recorded. */
export function BenchDrawing({ wiring: whole }: { readonly wiring: Wiring }) {
  const { state, marked, placing, path } = useBench();
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

  const { begun, hovered, looked, choose, leave, lookAway, handlers } = useHoles(frame, drawing, placing);
  const isDrawing = begun !== undefined && !placing;
  return (
    <>
      <div
        ref={frame}
        className={isZoomed ? 'max-h-[58vh] overflow-auto border border-rule' : ''}
        {...handlers}
      >
        <BenchFigure
          drawing={drawing}
          title="What you have recorded"
          className={`${isZoomed ? '' : 'max-h-[52vh] w-full'} ${placing || isDrawing ? 'cursor-crosshair' : ''}`}
          style={isZoomed ? { width: (drawing.width * ZOOMED_PITCH) / PITCH } : undefined}
        >
          {isDrawing && hovered && hovered.point !== begun.point && (
            <line data-role="ghost" x1={begun.x} y1={begun.y} x2={hovered.x} y2={hovered.y} />
          )}
          {isDrawing && <circle data-role="ghost" cx={begun.x} cy={begun.y} r="10" />}
          {hovered && <circle data-role="ghost" cx={hovered.x} cy={hovered.y} r="10" />}
        </BenchFigure>
      </div>
      {isDrawing && (
        <p role="status" className="flex items-center gap-3 pt-2">
          <span>
            A wire begins in <strong className="mono">{shortPlace(begun.point)}</strong>. Choose where it
            ends.
          </span>
          <Button onClick={leave}>No wire</Button>
        </p>
      )}
      {looked && (
        <Loupe
          drawing={drawing}
          {...looked}
          title={
            placing
              ? `Tap the hole for ${placing}`
              : begun
                ? 'Tap where the wire ends'
                : 'Tap where a wire begins'
          }
          onChoose={choose}
          onClose={lookAway}
        />
      )}
    </>
  );
}

/** The strips that the current has come by, up to a step. */
function threadsUpTo(path: CurrentPath, step: number): { readonly point: Point; readonly role: 'signal' }[] {
  return path.steps.slice(0, step + 1).flatMap((passed) => {
    const points = 'to' in passed ? [passed.to] : 'at' in passed ? [passed.at] : [];
    return points.flatMap((point) => (point ? [{ point, role: 'signal' as const }] : []));
  });
}
