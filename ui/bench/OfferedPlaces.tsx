'use client';

import { Fragment, useMemo } from 'react';
import type { DraftPart } from '@/core/messages/bench-draft';
import { Button } from '../design/Button';
import { waysOfBlock } from './blocks';
import { seriesFrom } from './series';
import { useBench } from './useBench';

/**
 * Taps for what follows from what is said already: all legs of a part with stiff legs that go by the first, and equal
 * parts that go on as the two before them; nothing where nothing follows.
 */
export function OfferedPlaces({ part }: { readonly part: DraftPart }) {
  const { board, rows, state, dispatch } = useBench();
  const { parts } = state.draft;
  const ways = useMemo(() => waysOfBlock(part, rows), [part, rows]);
  const series = useMemo(() => seriesFrom(parts, part.ref, { board, rows }), [parts, part.ref, board, rows]);
  const place = (placed: readonly DraftPart[]): void =>
    dispatch({
      type: 'place many',
      parts: parts.map((one) => placed.find(({ ref }) => ref === one.ref) ?? one),
    });
  return (
    <>
      {ways.map(({ at, rest }) => (
        <Button key={rest} className="min-h-11" onClick={() => place([{ ...part, at }])}>
          Other legs in {rest}
        </Button>
      ))}
      {series.map(({ parts: following, first, last }) => (
        <Fragment key={first}>
          <Button className="min-h-11" onClick={() => place(following.slice(0, 1))}>
            As before: {first}
          </Button>
          {following.length > 1 && (
            <Button className="min-h-11" onClick={() => place(following)}>
              All {following.length} as before, to {last}
            </Button>
          )}
        </Fragment>
      ))}
    </>
  );
}
