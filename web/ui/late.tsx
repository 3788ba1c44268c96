import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/** Code that is fetched while a page is at rest, before anybody asks for it: with the signal gone it would not come any more. */
const REST_MS = 2500;

/**
 * A part of a page whose code comes after the page. It is fetched once the page is at rest; where it cannot be had, something
 * plainer stands in its place, and the page goes on.
 *
 * @param load fetches the part
 * @param plain what stands for it without its code
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P>>,
  plain: ComponentType<P>,
): ComponentType<P> & { fetch: () => void } {
  const fetched = () => load().catch(() => plain);
  const Part = dynamic<P>(fetched, { ssr: false });
  const fetch = () => void load().catch(() => undefined);
  if (typeof window !== 'undefined') setTimeout(fetch, REST_MS);
  return Object.assign((props: P) => <Part {...props} />, { fetch });
}
