/** What a request of this application is for, as far as a device without signal can answer it. */
export type Wanted = 'static' | 'picture' | 'page' | 'label' | 'other';

/** Which kind an address is, by its path and whether a page is opened. */
export function wanted({ pathname }: URL, opens: boolean): Wanted {
  if (pathname.startsWith('/_next/static/') || pathname === '/icon.svg') return 'static';
  if (/^\/pictures\/[0-9a-f]{64}\/\w+$/.test(pathname)) return 'picture';
  if (!opens || pathname.startsWith('/api/')) return 'other';
  return /^\/t\/\w+$/.test(pathname) ? 'label' : 'page';
}

/** Whether a page is one of a tree that is on this device alone. */
export const isOfNewTree = (path: string): boolean => /^\/trees\/new(?:\/|$)/.test(path);

/**
 * What tells one kept page from another, beside its path: a station or a length is shown by the page itself, and so is the
 * visit of a tree that is on this device alone.
 */
const tellingOf = (path: string): readonly string[] =>
  isOfNewTree(path) ? ['property'] : ['visit', 'property'];

/** Under which address a page is kept. */
export function pageKey(address: string | URL): string {
  const { origin, pathname, searchParams } = new URL(address);
  const told = tellingOf(pathname).flatMap((name) => {
    const value = searchParams.get(name);
    return value === null ? [] : [`${name}=${encodeURIComponent(value)}`];
  });
  return `${origin}${pathname}${told.length > 0 ? `?${told.join('&')}` : ''}`;
}

/** Whether the page of another visit does where that of this one is not kept. */
export const mayDiffer = (address: string): boolean => !new URL(address).searchParams.has('property');

/** Pages that ask for what is new by themselves: they are shown as they were kept, at once, with signal too. */
export const asksItself = (address: string): boolean =>
  /^\/trees\/(?!new$)[^/]+$/.test(new URL(address).pathname);
