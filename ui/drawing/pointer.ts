import { PITCH } from '@/core/drawing/geometry';
import type { Target } from '@/core/drawing/list';

/** A pointer's place in the window. */
export interface Pointed {
  readonly clientX: number;
  readonly clientY: number;
}

const contentsOf = (frame: Element | null): DOMMatrix | null | undefined =>
  frame?.querySelector<SVGGElement>('[data-contents]')?.getScreenCTM();

/** Where on a drawing in `frame` a pointer is, in drawing units; `undefined` when nothing is drawn there. */
export function placeOnDrawing(frame: Element | null, { clientX, clientY }: Pointed): DOMPoint | undefined {
  const matrix = contentsOf(frame);
  return matrix ? new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse()) : undefined;
}

/** How near a hole must be, in distances between holes; and how far beside a socket its name reaches. */
const [NEAR, NAME] = [0.6, 64];

/**
 * The hole or socket of a drawing in `frame` that a pointer is nearest to; `undefined` when none is near. A socket of
 * the ledger answers along its whole line; with `along its line` every target does as far as its name reaches.
 */
export function nearestTarget(
  frame: Element | null,
  targets: readonly Target[],
  pointed: Pointed,
  reach: 'as a hole' | 'along its line' = 'as a hole',
): Target | undefined {
  const place = placeOnDrawing(frame, pointed);
  if (!place) return undefined;
  let best: Target | undefined;
  let least = PITCH * NEAR;
  for (const target of targets) {
    const across =
      reach === 'along its line'
        ? Math.max(0, Math.abs(place.x - target.x) - NAME)
        : target.point.startsWith('U')
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
  const matrix = contentsOf(frame);
  return matrix ? Math.hypot(matrix.a, matrix.b) * PITCH : PITCH;
}
