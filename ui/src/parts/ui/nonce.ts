import { setNonce } from 'get-nonce';

/** The mark by which the server lets style elements of this page through; the document carries it. */
export const NONCE: string | undefined =
  document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce || undefined;

// What the primitives put into the document by themselves asks for it there.
if (NONCE) setNonce(NONCE);
