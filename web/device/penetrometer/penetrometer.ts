/** One reading while the cone goes down: depth m, cone index Pa. */
export interface Reading {
  depth: number;
  pressure: number;
}

export type PenetrometerEvent =
  | { kind: 'reading'; reading: Reading }
  | { kind: 'end'; stopped: number | undefined };

/** A recording penetrometer: one push at a time, told while the cone goes down. */
export interface Penetrometer {
  readonly name: string;
  /**
   * @param signal ends the push, at once: nothing more is told of it
   * @throws Error in words for the person who pushes
   */
  push(place: string, signal: AbortSignal): AsyncIterable<PenetrometerEvent>;
  close(): Promise<void>;
}
