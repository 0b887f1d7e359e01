import { PITCH } from '@/core/drawing/geometry';
import type { Target } from '@/core/drawing/list';
import { placeOnDrawing } from '../drawing/pointer';

/** A pointer's place in the window. */
interface Pointed {
  readonly clientX: number;
  readonly clientY: number;
}

/** How near a hole must be, in distances between holes. */
const NEAR = 0.6;

/** The hole or socket of a drawing in `frame` that a pointer is nearest to; `undefined` when none is near. */
export function nearestTarget(
  frame: Element | null,
  targets: readonly Target[],
  pointed: Pointed,
): Target | undefined {
  const place = placeOnDrawing(frame, pointed);
  if (!place) return undefined;
  let best: Target | undefined;
  let least = PITCH * NEAR;
  for (const target of targets) {
    // A socket answers along its whole line in the ledger.
    const across = target.point.startsWith('U')
      ? Math.max(0, place.x - target.x - PITCH / 2)
      : target.x - place.x;
    const distance = Math.hypot(across, target.y - place.y);
    if (distance >= least) continue;
    least = distance;
    best = target;
  }
  return best;
}

/** Distance between two holes of a drawing in `frame`, in CSS pixels. */
export function pitchOnScreen(frame: Element | null): number {
  const matrix = frame?.querySelector<SVGGElement>('[data-contents]')?.getScreenCTM();
  return matrix ? Math.hypot(matrix.a, matrix.b) * PITCH : PITCH;
}
