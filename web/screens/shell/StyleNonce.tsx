'use client';

import { setNonce } from 'get-nonce';

/** Hands the page's nonce to the style sheets that dialogs add while they are open. */
export function StyleNonce({ nonce }: { nonce: string }) {
  if (typeof window !== 'undefined') setNonce(nonce);
  return null;
}
