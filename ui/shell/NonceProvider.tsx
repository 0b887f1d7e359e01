'use client';

import { setNonce } from 'get-nonce';
import { createContext, useContext, useState } from 'react';

const NonceContext = createContext('');

/**
 * Hands the page's nonce to libraries that add style elements, which the security policy asks for. The
 * first one stays: it belongs to the document, while a later navigation brings another.
 */
export function NonceProvider({
  nonce,
  children,
}: {
  readonly nonce: string;
  readonly children: React.ReactNode;
}) {
  const [first] = useState(() => {
    if (nonce !== '') setNonce(nonce);
    return nonce;
  });
  return <NonceContext value={first}>{children}</NonceContext>;
}

export const useNonce = (): string => useContext(NonceContext);
