import { memo } from 'react';
import type { Box } from '@/core/drawing/list';
import { middleOf } from './middle';

/** A small plate with words beside or over a part. */
export function Plate({ x, y, text }: { readonly x: number; readonly y: number; readonly text: string }) {
  const width = text.length * 7.6 + 10;
  return (
    <>
      <rect x={x - 3} y={y - 10} width={width} height="20" fill="var(--card)" stroke="var(--ink)" />
      <text x={x - 3 + width / 2} y={y + 4.5} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
        {text}
      </text>
    </>
  );
}

/** A word over the middle of a part. */
export const Word = memo(function Word({ seat, text }: { readonly seat: Box; readonly text: string }) {
  const { x, y } = middleOf(seat);
  return <Plate x={x - (text.length * 7.6) / 2} y={y} text={text} />;
});
