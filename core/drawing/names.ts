import type { Box, Shape } from './list';

/** A name on its plate. */
export function nameShapes(
  text: string,
  { x, y, width, height }: Box,
  role: 'part-name' | 'wire-name',
): readonly Shape[] {
  return [
    { type: 'rect', role: 'plate', x, y, width, height, radius: 2 },
    { type: 'text', role, x: x + width / 2, y: y + height / 2 + 4.4, text, anchor: 'middle' },
  ];
}
