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
