/** Files of an earlier build stay this long after it: pages that were made with them are kept for 14 days at most. Judgement. */
export const EARLIER_MS = 60 * 86_400_000;

/** What is noted of the application's files on this device. */
export interface FilesNoted {
  /** Those that were put there while a worker was installed. */
  prepared: readonly string[];
  /** Those that later builds are without, each with the time at which the first such build came, ms. */
  left: Readonly<Record<string, number>>;
}

/** The note as it was read, whatever stands there. */
export function notedFrom(read: unknown): FilesNoted {
  const texts = (list: unknown) =>
    Array.isArray(list) ? list.filter((f): f is string => typeof f === 'string') : [];
  // Before files of earlier builds were noted, it was the list alone.
  if (Array.isArray(read)) return { prepared: texts(read), left: {} };
  const { prepared, left } = (read ?? {}) as { prepared?: unknown; left?: unknown };
  const times = Object.entries(typeof left === 'object' && left !== null ? left : {});
  return {
    prepared: texts(prepared),
    left: Object.fromEntries(times.filter((t): t is [string, number] => typeof t[1] === 'number')),
  };
}

/**
 * Which files of earlier builds stay and which go.
 *
 * @param here all that are kept
 * @param build those of the build that is here now
 * @param left since when others are not of a build any more, ms
 * @param now ms
 */
export function afterBuild(
  here: readonly string[],
  build: readonly string[],
  left: FilesNoted['left'],
  now: number,
): { left: Record<string, number>; gone: string[] } {
  const current = new Set(build);
  const earlier = here.filter((file) => !current.has(file)).map((file) => [file, left[file] ?? now] as const);
  const over = ([, since]: readonly [string, number]) => now - since > EARLIER_MS;
  return {
    left: Object.fromEntries(earlier.filter((e) => !over(e))),
    gone: earlier.filter(over).map(([file]) => file),
  };
}
