'use client';

import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import type { Target } from '@/core/drawing/list';
import type { CurrentPath } from '@/core/electrics/paths';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { BenchFigure } from '../drawing/BenchFigure';
import { nearestTarget, pitchOnScreen, placeOnDrawing } from '../drawing/pointer';
import { Loupe } from './Loupe';
import { shortPlace } from './draft';
import { useBench } from './useBench';

/** Distance between holes in CSS pixels when zoomed, so that a finger hits the right one. */
const ZOOMED_PITCH = 44;
/** Distance between holes in CSS pixels from which on a finger hits the right one without a closer look. */
const FINGER_PITCH = 40;
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
  const [hovered, setHovered] = useState<Target>();
  const [begun, setBegun] = useState<Target>();
  const [looked, setLooked] = useState<LookedAt>();
  /** Whether the button was pressed where the wire begins, and is still down. */
  const isPulled = useRef(false);
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

  const nearest = (event: PointerEvent<HTMLElement>): Target | undefined =>
    nearestTarget(frame.current, drawing.targets, event);
  /** A hole for the leg that is being placed, or for an end of a wire that is drawn. */
  const choose = (target: Target): void => {
    setLooked(undefined);
    if (placing) {
      dispatch({ type: 'tap point', point: target.point });
      return;
    }
    if (begun && begun.point !== target.point)
      dispatch({ type: 'draw wire', from: begun.point, to: target.point });
    setBegun(begun ? undefined : target);
  };
  useEffect(() => {
    if (!begun) return undefined;
    const leave = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setBegun(undefined);
    };
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [begun]);
  const isDrawing = begun !== undefined && !placing;
  return (
    <>
      <div
        ref={frame}
        className={isZoomed ? 'max-h-[58vh] overflow-auto border border-rule' : ''}
        onPointerDown={(event) => {
          if (event.pointerType === 'touch' || event.button !== 0 || placing || begun) return;
          setBegun(nearest(event));
          isPulled.current = true;
        }}
        onPointerMove={(event) => {
          if (event.pointerType !== 'touch') setHovered(placing || begun ? nearest(event) : undefined);
        }}
        onPointerLeave={() => setHovered(undefined)}
        onPointerUp={(event) => {
          if (event.pointerType === 'touch') return;
          const target = nearest(event);
          // Where a wire begins and is not pulled along, it waits for its other end.
          const isBeginning = isPulled.current && (!target || target.point === begun?.point);
          isPulled.current = false;
          if (target && !isBeginning) choose(target);
        }}
        onClick={(event) => {
          const { pointerType } = event.nativeEvent as unknown as { readonly pointerType?: string };
          if (pointerType !== 'touch') return;
          const place = placeOnDrawing(frame.current, event);
          if (!place) return;
          const target = nearestTarget(frame.current, drawing.targets, event);
          const isLarge =
            pitchOnScreen(frame.current) >= FINGER_PITCH || target?.point.startsWith('U') === true;
          if (isLarge && target) choose(target);
          else if (!isLarge)
            setLooked({ x: place.x, y: place.y, at: { clientX: event.clientX, clientY: event.clientY } });
        }}
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
          <Button onClick={() => setBegun(undefined)}>No wire</Button>
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
          onClose={() => setLooked(undefined)}
        />
      )}
    </>
  );
}

/** What a finger has pointed at and is looked at from near. */
interface LookedAt {
  /** In drawing units. */
  readonly x: number;
  readonly y: number;
  readonly at: { readonly clientX: number; readonly clientY: number };
}

/** The strips that the current has come by, up to a step. */
function threadsUpTo(path: CurrentPath, step: number): { readonly point: Point; readonly role: 'signal' }[] {
  return path.steps.slice(0, step + 1).flatMap((passed) => {
    const points = 'to' in passed ? [passed.to] : 'at' in passed ? [passed.at] : [];
    return points.flatMap((point) => (point ? [{ point, role: 'signal' as const }] : []));
  });
}
