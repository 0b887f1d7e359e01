'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import type { Proof } from '@/core/worksheet/proof';

/** Milliseconds of rest before the reference is proven again. */
const PROOF_REST = 800;

/** The proof of the reference, made again when the server has kept a version newer than the first. */
export function useProof(
  first: { readonly proof: Proof; readonly version: number },
  kept: number,
  prove: () => Promise<Proof | undefined>,
): Proof {
  const [proof, setProof] = useState(first.proof);
  const router = useRouter();
  const renew = useEffectEvent(() => {
    void prove().then((made) => {
      if (made) setProof(made);
    });
    router.refresh();
  });
  const firstVersion = first.version;
  useEffect(() => {
    if (kept === firstVersion) return undefined;
    const timer = setTimeout(() => renew(), PROOF_REST);
    return () => clearTimeout(timer);
  }, [kept, firstVersion]);
  return proof;
}
