'use client';

import { setNonce } from 'get-nonce';
import { createContext, useContext } from 'react';

const NonceContext = createContext('');

/** Hands the page's nonce to libraries that add style elements, which the security policy asks for. */
export function NonceProvider({
  nonce,
  children,
}: {
  readonly nonce: string;
  readonly children: React.ReactNode;
}) {
  if (nonce !== '') setNonce(nonce);
  return <NonceContext value={nonce}>{children}</NonceContext>;
}

export const useNonce = (): string => useContext(NonceContext);
