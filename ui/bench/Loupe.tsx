'use client';

import { useEffect, useMemo, useRef } from 'react';
import { PITCH } from '@/core/drawing/geometry';
import type { Drawing, Target } from '@/core/drawing/list';
import { BenchFigure } from '../drawing/BenchFigure';
import { nearestTarget } from '../drawing/pointer';
import { shortPlace } from './draft';

/** Holes that are seen on each side of the middle, and their distance in CSS pixels: enough for a finger. */
const [REACH, HOLE_PIXELS] = [3.2, 44];
const SIZE = 2 * REACH * HOLE_PIXELS;

interface LoupeProps {
  readonly drawing: Drawing;
  /** The middle of what is seen, in drawing units. */
  readonly x: number;
  readonly y: number;
  /** Where the finger was, in the window. */
  readonly at: { readonly clientX: number; readonly clientY: number };
  readonly title: string;
  readonly onChoose: (target: Target) => void;
  readonly onClose: () => void;
}

/** The holes round a finger from near, so that the right one is hit. */
export function Loupe({ drawing, x, y, at, title, onChoose, onClose }: LoupeProps) {
  const frame = useRef<HTMLDivElement>(null);
  const near = useMemo(
    (): Drawing => ({
      ...drawing,
      window: {
        x: x - REACH * PITCH,
        y: y - REACH * PITCH,
        width: 2 * REACH * PITCH,
        height: 2 * REACH * PITCH,
      },
    }),
    [drawing, x, y],
  );
  useEffect(() => {
    const close = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [onClose]);
  const left = Math.max(8, Math.min(window.innerWidth - SIZE - 8, at.clientX - SIZE / 2));
  const top = Math.max(8, Math.min(window.innerHeight - SIZE - 48, at.clientY - SIZE / 2));
  return (
    <div className="fixed inset-0 z-30" onClick={onClose}>
      <div
        ref={frame}
        role="dialog"
        aria-label={title}
        className="absolute border-2 border-ink bg-paper shadow-[0_6px_24px_rgb(0_0_0/0.25)]"
        style={{ left, top, width: SIZE }}
        onClick={(event) => {
          event.stopPropagation();
          const target = nearestTarget(frame.current, drawing.targets, event);
          if (target) onChoose(target);
        }}
      >
        <BenchFigure drawing={near} title={title} style={{ width: SIZE, height: SIZE, display: 'block' }}>
          {drawing.targets
            .filter((target) => Math.hypot(target.x - x, target.y - y) < REACH * PITCH * 1.4)
            .map((target) => (
              <text
                key={target.point}
                x={target.x}
                y={target.y + 11}
                textAnchor="middle"
                data-role="hole-name"
              >
                {shortPlace(target.point)}
              </text>
            ))}
        </BenchFigure>
        <p className="border-t border-rule px-2 py-1.5 text-note font-semibold">{title}</p>
      </div>
    </div>
  );
}
