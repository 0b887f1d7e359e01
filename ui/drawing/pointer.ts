import type { MouseEvent } from 'react';

/** Where on a drawing in `frame` a pointer is, in drawing units; `undefined` when nothing is drawn there. */
export function placeOnDrawing(
  frame: Element | null,
  { clientX, clientY }: Pick<MouseEvent, 'clientX' | 'clientY'>,
): DOMPoint | undefined {
  const matrix = frame?.querySelector<SVGGElement>('[data-contents]')?.getScreenCTM();
  return matrix ? new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse()) : undefined;
}
