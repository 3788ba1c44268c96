/** For how long what was taken along stays on a device, days: a round and its return. Judgement. */
export const DAYS_ALONG = 14;

/** What a device needs of a property to work there without signal. */
export interface AlongList {
  name: string;
  /** Of every tree: its label’s code. */
  labels: Record<string, string>;
  /** Of every tree, by its id: what it is called. */
  names: Record<string, string>;
  trees: number;
  /** Addresses of pages, in the order in which they are wanted. */
  pages: string[];
  /** Addresses of pictures. */
  pictures: string[];
}

/** Pages of a property and of a tree that are taken along, beside their own. */
export const SITE_PAGES: readonly string[] = ['walk', 'water', 'work', 'materials'];
export const TREE_PAGES: readonly string[] = ['order', 'pictures', 'time', 'crew'];
const OTHERS: readonly string[] = ['/grounds', '/season', '/device', '/trees/new'];

/** Whether a page is had from the server alone: it is not among what is taken along. */
export function needsServer(address: string): boolean {
  const path = address.replace(/[?#].*$/, '');
  if (path === '' || OTHERS.includes(path)) return false;
  const [, kind, , page] = path.split('/');
  const taken = kind === 'trees' ? TREE_PAGES : kind === 'grounds' ? SITE_PAGES : undefined;
  return taken === undefined || (page !== undefined && !taken.includes(page));
}
