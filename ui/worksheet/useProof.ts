'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent } from 'react';
import { useStore } from 'zustand';
import type { Proof } from '@/core/worksheet/proof';
import type { WorksheetStore } from './useWorksheet';

/** Milliseconds of rest before the reference is proven again. */
const PROOF_REST = 800;

/** Has the reference proven again whenever the server has kept a newer version than it was proven with. */
export function useProof(store: WorksheetStore, prove: () => Promise<Proof | undefined>): void {
  const version = useStore(store, ({ sync }) => sync.version);
  const firstVersion = store.getInitialState().sync.version;
  const router = useRouter();
  const renew = useEffectEvent(() => {
    void prove().then((proof) => {
      if (proof) store.dispatch({ type: 'proven', proof });
    });
    router.refresh();
  });
  useEffect(() => {
    if (version === firstVersion) return undefined;
    const timer = setTimeout(() => renew(), PROOF_REST);
    return () => clearTimeout(timer);
  }, [version, firstVersion]);
}
