/** How much is done at once, how much of it for one client, and how much of one client may wait. */
export interface QueueLimits {
  atOnce: number;
  each: number;
  waiting: number;
}

/** A client has more waiting than is allowed. */
export class Busy extends Error {
  constructor(readonly waiting: number) {
    super(`${waiting} pieces of your work are waiting already; try again when some of it is done.`);
  }
}

export const stopped = () => new DOMException('Stopped before it was done.', 'AbortError');

/**
 * Work of several clients in turn: whoever asks for much waits behind their own work, not others behind it. Each client
 * with something waiting gets the next free place by turns.
 */
export class FairQueue {
  /** What waits, by client; the client whose turn is next stands first. */
  private readonly waiting = new Map<string, (() => void)[]>();
  private readonly running = new Map<string, number>();
  private atWork = 0;

  constructor(private readonly limits: QueueLimits) {}

  /**
   * Does a piece of work when it is its turn.
   *
   * @throws Busy where the client has too much waiting; an AbortError where the signal ends the wait
   */
  async run<T>(client: string, work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    await this.turn(client, signal);
    try {
      return await work();
    } finally {
      this.over(client);
    }
  }

  /**
   * Does work that is told line by line when it is its turn, which lasts to the last line, or until the signal ends it.
   *
   * @throws as {@link run}
   */
  async *lines<T>(client: string, work: () => AsyncGenerator<T>, signal?: AbortSignal): AsyncGenerator<T> {
    await this.turn(client, signal);
    let had = true;
    const over = () => {
      if (had) this.over(client);
      had = false;
    };
    signal?.addEventListener('abort', over, { once: true });
    try {
      yield* work();
    } finally {
      signal?.removeEventListener('abort', over);
      over();
    }
  }

  /** Whether nothing is being done and nothing waits. */
  get idle(): boolean {
    return this.atWork === 0;
  }

  private turn(client: string, signal: AbortSignal | undefined): Promise<void> {
    if (signal?.aborted) return Promise.reject(stopped());
    if (this.mayBegin(client)) {
      this.begin(client);
      return Promise.resolve();
    }
    const before = this.waiting.get(client) ?? [];
    if (before.length >= this.limits.waiting) return Promise.reject(new Busy(before.length));
    return new Promise((done, failed) => {
      const go = () => {
        signal?.removeEventListener('abort', leave);
        done();
      };
      const leave = () => {
        const own = this.waiting.get(client)?.filter((g) => g !== go) ?? [];
        if (own.length > 0) this.waiting.set(client, own);
        else this.waiting.delete(client);
        failed(stopped());
      };
      signal?.addEventListener('abort', leave, { once: true });
      this.waiting.set(client, [...before, go]);
    });
  }

  private mayBegin(client: string): boolean {
    return this.atWork < this.limits.atOnce && (this.running.get(client) ?? 0) < this.limits.each;
  }

  private begin(client: string): void {
    this.atWork++;
    this.running.set(client, (this.running.get(client) ?? 0) + 1);
  }

  private over(client: string): void {
    this.atWork--;
    const left = this.running.get(client)! - 1;
    if (left > 0) this.running.set(client, left);
    else this.running.delete(client);
    for (const [next, [go, ...rest]] of this.waiting) {
      if (!this.mayBegin(next)) continue;
      // To the end of the line: the others come first now.
      this.waiting.delete(next);
      if (rest.length > 0) this.waiting.set(next, rest);
      this.begin(next);
      go!();
      return;
    }
  }
}
