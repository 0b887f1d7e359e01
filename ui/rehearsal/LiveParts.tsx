'use client';

import { memo, useMemo } from 'react';
import { aspectOf } from '@/core/drawing/close-up';
import { drawPartAlone } from '@/core/drawing/part-card';
import { kindOf } from '@/core/parts';
import type { PlacedPart } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { Alive } from './Alive';
import { Places } from './LiveBench';
import type { Hand } from './useHands';
import type { Playing } from './useRehearsal';

type Part = Pick<PlacedPart, 'ref' | 'kind' | 'value'>;

interface LivePartsProps {
  readonly rehearsal: Playing;
  readonly index: number;
  readonly parts: readonly Part[];
  /** What can be done to them. */
  readonly hands: readonly Hand[];
}

/** The parts on which something is seen, heard or done, each by itself and large, without board and wires. */
export function LiveParts({ rehearsal, index, parts, hands }: LivePartsProps) {
  const shown = parts.filter(({ kind }) => {
    const { observed, stimulus } = kindOf(kind);
    return observed !== undefined || stimulus !== undefined;
  });
  return (
    <ul className="flex flex-wrap gap-2">
      {shown.map((part) => (
        <LivePart
          key={part.ref}
          rehearsal={rehearsal}
          index={index}
          part={part}
          hands={hands}
          size={shown.length > MANY ? 'small' : 'large'}
        />
      ))}
    </ul>
  );
}

/** Parts beside each other above which each is drawn smaller. */
const MANY = 6;

const LivePart = memo(function LivePart({
  rehearsal,
  index,
  part,
  hands,
  size,
}: Omit<LivePartsProps, 'parts'> & { readonly part: Part; readonly size: 'small' | 'large' }) {
  const { ref, kind, value } = part;
  const drawing = useMemo(() => drawPartAlone(kind, value.text, ref), [kind, value.text, ref]);
  const parts = useMemo(() => [{ ref, kind }], [ref, kind]);
  const own = useMemo(() => hands.filter((hand) => hand.ref === ref), [hands, ref]);
  if (!drawing) return null;
  return (
    <li>
      <BenchFigure
        drawing={drawing}
        title={`${kindOf(kind).describe(value)} ${ref}`}
        className={`border border-rule ${size === 'small' ? 'h-24' : 'h-32'}`}
        style={{ aspectRatio: aspectOf(drawing) }}
      >
        <Alive rehearsal={rehearsal} index={index} parts={parts} drawing={drawing} />
        <Places drawing={drawing} hands={own} rehearsal={rehearsal} />
      </BenchFigure>
    </li>
  );
});
