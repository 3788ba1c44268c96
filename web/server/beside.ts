import { Piscina } from 'piscina';
import type * as work from '../thread/work';
import { FairQueue, stopped } from './fairQueue';
import { lateSignal } from './late';
import { projectFile } from '../work/paper/projectFile';

type Work = typeof work;
export type Task = keyof Work;

/** Whose work it is, for turns, and what ends it. A signed-in person is one. */
export interface Asker {
  firmId: string;
  userId: string;
  signal?: AbortSignal;
}

/** Work took longer than it may, see {@link lateSignal}; the thread was ended. */
export class TooLong extends Error {
  constructor(readonly seconds: number) {
    super(`This took more than ${seconds} s and was stopped: there is too much in it to be computed here.`);
  }
}

/**
 * Two lanes beside the thread that answers requests: what a page or a file waits for, in turns by person, and documents
 * and plans, which take seconds, in turns by firm. Seconds and megabytes bound one piece of work, whatever it is given.
 * `back` is how far its threads stand back for what answers requests, see `stepBack`; `ready` is the work by which they get
 * ready.
 */
const LANES = {
  page: { atOnce: 2, each: 1, waiting: 60, seconds: 15, megabytes: 384, back: 5, ready: 'readyForPages' },
  paper: { atOnce: 2, each: 1, waiting: 40, seconds: 120, megabytes: 640, back: 10, ready: 'readyForPapers' },
} as const;
type Lane = keyof typeof LANES;

const PAPER: readonly Task[] = [
  'readyForPapers',
  'pdf',
  'reportPdf',
  'reportDoc',
  'docx',
  'cutPlan',
  'cards',
  'labels',
];
const laneOf = (task: Task): Lane => (PAPER.includes(task) ? 'paper' : 'page');

interface Running {
  pool: Piscina;
  queue: FairQueue;
}

// Kept by the process, so that a module that is loaded twice shares its threads.
const shared = globalThis as typeof globalThis & {
  undrelLanes?: Partial<Record<Lane, Running>>;
  undrelServes?: true;
};

/**
 * Has the threads of both lanes stand ready from now on, each warmed before it is asked: who comes while one is busy, or
 * was ended, does not wait for another to begin.
 */
export function keepReady(): void {
  shared.undrelServes = true;
}

function running(lane: Lane): Running {
  const lanes = (shared.undrelLanes ??= {});
  const serves = shared.undrelServes === true;
  const { atOnce, back, ready } = LANES[lane];
  return (lanes[lane] ??= {
    pool: new Piscina({
      filename: projectFile('web', 'dist', 'entry.mjs'),
      minThreads: serves ? atOnce : 1,
      workerData: { back, ...(serves && { ready }) },
      maxThreads: atOnce,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: LANES[lane].megabytes },
    }),
    queue: new FairQueue(LANES[lane]),
  });
}

/**
 * Work that is under way when the asker goes has so long to come to its end, ms. To end it by force ends its thread, and
 * another takes more than a second of the processor to begin: most work takes less.
 */
const GRACE = 2_000;

/** A signal some time after another; `done` ends the waiting. */
function after(signal: AbortSignal | undefined, ms: number): { signal: AbortSignal; done: () => void } {
  const later = new AbortController();
  let timer: NodeJS.Timeout | undefined;
  const wait = () => (timer = setTimeout(() => later.abort(), ms).unref());
  signal?.addEventListener('abort', wait, { once: true });
  return {
    signal: later.signal,
    done: () => {
      signal?.removeEventListener('abort', wait);
      clearTimeout(timer);
    },
  };
}

/** What work comes to, for as long as the asker waits for it. */
function whileAsked<T>(work: Promise<T>, signal: AbortSignal | undefined): Promise<T> {
  if (!signal) return work;
  return new Promise((done, failed) => {
    const leave = () => failed(stopped());
    if (signal.aborted) leave();
    signal.addEventListener('abort', leave, { once: true });
    work.then(done, failed).finally(() => signal.removeEventListener('abort', leave));
  });
}

/**
 * Has a piece of work done in a thread beside the server, when it is the asker's turn. What is given and what comes back
 * are copied. Who goes is let go at once; their place is free when the work under way has ended.
 *
 * @throws Busy, TooLong, an AbortError where the asker's signal ends it, or what the work itself throws
 */
export function beside<T extends Task>(
  task: T,
  given: Parameters<Work[T]>[0],
  { firmId, userId, signal }: Asker,
): Promise<Awaited<ReturnType<Work[T]>>> {
  const lane = laneOf(task);
  const { seconds } = LANES[lane];
  const { pool, queue } = running(lane);
  const work = queue.run<Awaited<ReturnType<Work[T]>>>(
    lane === 'paper' ? firmId : `${firmId} ${userId}`,
    async (): Promise<Awaited<ReturnType<Work[T]>>> => {
      const late = lateSignal(seconds);
      const gone = after(signal, GRACE);
      try {
        return (await pool.run(
          { task, given },
          { signal: AbortSignal.any([late.signal, gone.signal]) },
        )) as Awaited<ReturnType<Work[T]>>;
      } catch (error) {
        if (signal?.aborted) throw stopped();
        if (late.signal.aborted) throw new TooLong(seconds);
        throw error;
      } finally {
        late.done();
        gone.done();
      }
    },
    signal,
  );
  return whileAsked(work, signal);
}

/** Whether the lane of a task stands empty. */
export const idleFor = (task: Task): boolean => running(laneOf(task)).queue.idle;

/** For programs that serve no firm: scripts and tests. */
export const ALONE: Asker = { firmId: 'none', userId: 'none' };
