/** What a request of this application is for, as far as a device without signal can answer it. */
export type Wanted = 'static' | 'picture' | 'page' | 'content' | 'label' | 'other';

/** What asks: a page that is opened, a link that asks for the content of a page within the one that is open, or a program. */
export type Asks = 'page' | 'content' | 'other';

/** What asks, by its request: links say so in a header. */
export const asksOf = ({ mode, headers }: Pick<Request, 'mode' | 'headers'>): Asks =>
  mode === 'navigate'
    ? 'page'
    : headers.get('rsc') === '1' && !headers.has('next-router-prefetch')
      ? 'content'
      : 'other';

/** Which kind an address is, by its path and what asks for it. */
export function wanted({ pathname }: URL, asks: Asks): Wanted {
  if (pathname.startsWith('/_next/static/') || pathname === '/icon.svg') return 'static';
  if (/^\/pictures\/[0-9a-f]{64}\/\w+$/.test(pathname)) return 'picture';
  if (asks === 'other' || pathname.startsWith('/api/')) return 'other';
  if (!/^\/t\/\w+$/.test(pathname)) return asks;
  return asks === 'page' ? 'label' : 'other';
}

/** Whether the content that is asked for is that of the page that asks: what was changed by it is wanted, not what was kept. */
export const asksAnew = ({ url, referrer }: Pick<Request, 'url' | 'referrer'>): boolean =>
  URL.canParse(referrer) && new URL(referrer).pathname === new URL(url).pathname;

/** The page of which a link asks for the content: its address without the mark that keeps the two apart. */
export function pageOf(address: string): string {
  const url = new URL(address);
  url.searchParams.delete('_rsc');
  return url.href;
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
