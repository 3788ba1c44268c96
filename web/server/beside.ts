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
 * `back` is how far its threads stand back for what answers requests, see `stepBack`.
 */
const LANES = {
  page: { atOnce: 2, each: 1, waiting: 60, seconds: 15, megabytes: 384, back: 0 },
  paper: { atOnce: 2, each: 1, waiting: 40, seconds: 120, megabytes: 640, back: 10 },
} as const;
type Lane = keyof typeof LANES;

const PAPER: readonly Task[] = ['pdf', 'reportPdf', 'reportDoc', 'docx', 'cutPlan', 'cards', 'labels'];
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
 * Has both threads of pages stand ready from now on, each warmed before it is asked: who comes while one is busy, or was
 * ended, does not wait for another to begin.
 */
export function keepReady(): void {
  shared.undrelServes = true;
}

function running(lane: Lane): Running {
  const lanes = (shared.undrelLanes ??= {});
  const ready = shared.undrelServes === true && lane === 'page';
  return (lanes[lane] ??= {
    pool: new Piscina({
      filename: projectFile('web', 'dist', 'work.mjs'),
      minThreads: ready ? LANES[lane].atOnce : 1,
      workerData: { ready, back: LANES[lane].back },
      maxThreads: LANES[lane].atOnce,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: LANES[lane].megabytes },
    }),
    queue: new FairQueue(LANES[lane]),
  });
}

/**
 * Has a piece of work done in a thread beside the server, when it is the asker's turn. What is given and what comes back
 * are copied.
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
  return queue.run<Awaited<ReturnType<Work[T]>>>(
    lane === 'paper' ? firmId : `${firmId} ${userId}`,
    async (): Promise<Awaited<ReturnType<Work[T]>>> => {
      const { signal: late, done } = lateSignal(seconds);
      try {
        return (await pool.run(given, {
          name: task,
          signal: signal ? AbortSignal.any([signal, late]) : late,
        })) as Awaited<ReturnType<Work[T]>>;
      } catch (error) {
        if (signal?.aborted) throw stopped();
        if (late.aborted) throw new TooLong(seconds);
        throw error;
      } finally {
        done();
      }
    },
    signal,
  );
}

/** Whether the lane of a task stands empty. */
export const idleFor = (task: Task): boolean => running(laneOf(task)).queue.idle;

/** For programs that serve no firm: scripts and tests. */
export const ALONE: Asker = { firmId: 'none', userId: 'none' };
