/** One reading while the cone goes down: depth m, cone index Pa. */
export interface Reading {
  depth: number;
  pressure: number;
}

export type PenetrometerEvent =
  | { kind: 'reading'; reading: Reading }
  | { kind: 'end'; stopped: number | undefined };

/** A recording penetrometer: one push at a time, told while the cone goes down. Whoever stops listening ends the push. */
export interface Penetrometer {
  readonly name: string;
  /** @throws Error in words for the person who pushes */
  push(place: string): AsyncIterable<PenetrometerEvent>;
  close(): Promise<void>;
}
