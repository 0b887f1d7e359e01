'use client';

import { useMemo } from 'react';
import type { DraftPart } from '@/core/messages/bench-draft';
import { Button } from '../design/Button';
import { waysOfBlock } from './blocks';
import { useBench } from './useBench';

/** A tap for all legs of a part with stiff legs that go by the ones that are said; nothing for any other part. */
export function RestOfBlock({ part }: { readonly part: DraftPart }) {
  const { rows, state, dispatch } = useBench();
  const ways = useMemo(() => waysOfBlock(part, rows), [part, rows]);
  return ways.map(({ at, rest }) => (
    <Button
      key={rest}
      className="min-h-11"
      onClick={() =>
        dispatch({
          type: 'place many',
          parts: state.draft.parts.map((one) => (one.ref === part.ref ? { ...one, at } : one)),
        })
      }
    >
      Other legs in {rest}
    </Button>
  ));
}
