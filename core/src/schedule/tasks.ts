import { climateOf, monthHere, type House } from '../house';
import { effectOf } from '../practice/effects';
import {
  FOLLOW_UPS,
  LAPSES_DAYS,
  NOTICE_KEY,
  RECOVERY,
  RECOVERY_MONTHS,
  seasonsWatched,
  type FollowUp,
} from '../practice/followUps';
import { schoolFor } from '../practice';
import type { FollowUpMark, Tree } from '../records';
import { byDay, dayAfter } from '../vocabulary/dates';
import { operationOf, type OperationKey } from '../vocabulary/operations';
import { AFTER_REMOVAL } from '../weighing/planned';
import { DRAIN_WHY, duesOf } from './due';
import { DRAIN_TASK, LOOK_TASK, taskKey } from './marks';
import { windowsOf, yearly, type Place, type Window } from './windows';
import { isOpen, type Looked, type Task } from './task';

/** A work that was carried out, or a rest that began with its visit. */
interface Done {
  step: string;
  operation: OperationKey;
  on: string;
  visit: number;
}

/** Whether a visit looked at what a follow-up asks for. */
export function looksAt(visit: Looked, looks: readonly string[]): boolean {
  return looks.some((look) => {
    if (look === 'profile') return visit.profiles.length > 0;
    if (look === 'dig') return visit.dig !== undefined;
    if (look === 'push') return (visit.pushes ?? []).length > 0;
    if (look === 'probe' && visit.probes.length > 0) return true;
    return visit.findings.some(
      (f) => f.key.startsWith(look) && (f.answer !== undefined || f.number !== undefined),
    );
  });
}

/** What follows one work, not yet held against what was looked at and marked since. */
interface Following extends Omit<Task, 'state'> {
  followUp: Pick<FollowUp, 'key' | 'looks'>;
  done: Done;
  /** Where the same comes again, the day it does. */
  again?: string;
}

/** The first day of the window of what is counted from, or the day it was done. */
function countedFrom(
  { after }: FollowUp,
  done: Done,
  visits: readonly Looked[],
  earlier: readonly Following[],
): string | undefined {
  if (after === undefined) return done.on;
  const base = earlier.find((f) => f.followUp.key === after && f.done === done);
  const mark = base && visits[done.visit]!.followUps?.find((m) => m.task === base.key);
  if (mark?.how === 'dropped') return undefined;
  return mark?.on ?? base?.from;
}

function followingOf(done: Done, all: readonly Done[], visits: readonly Looked[], place: Place): Following[] {
  const found: Following[] = [];
  const because = `${effectOf(done.operation)?.done ?? DONE_WORDS[done.operation] ?? 'work done'} ${done.on}`;
  for (const followUp of FOLLOW_UPS[done.operation]) {
    if (followUp.unless && all.some((d) => d.visit === done.visit && d.operation === followUp.unless))
      continue;
    const base = countedFrom(followUp, done, visits, found);
    if (base === undefined) continue;
    const windows = windowsOf(followUp.when, base, place);
    windows.forEach(({ year, window: [from, to] }, i) => {
      const again = windows[i + 1]?.window[0];
      found.push({
        key: taskKey(done.step, followUp.key, year),
        kind: 'follow-up',
        what: followUp.what,
        stake: followUp.stake,
        who: followUp.who,
        from,
        to,
        because,
        visit: done.visit,
        followUp,
        done,
        ...(again && { again }),
      });
    });
  }
  return found;
}

/** Words for what was done, where no effect of it is told. */
const DONE_WORDS: Partial<Record<OperationKey, string>> = {
  stability: 'stability assessment asked for',
  alive: 'looked whether it lives',
  identify: 'sample sent',
  explore: 'window dug at the collar',
  slopeUp: 'soil sloped up to the ball',
  straighten: 'straightened',
  crown: 'crown cleaned',
  fertiliser: 'no fertiliser from',
  postmortem: 'post-mortem',
  remove: 'taken down',
  replace: 'replaced',
};

/** The yearly looks at a tree that was treated: of all works together, one a season. */
function recoveries(done: readonly Done[], { climate }: Place): Following[] {
  const months = RECOVERY_MONTHS.map((m) => monthHere(m, climate)) as unknown as [number, number];
  const byYear = new Map<number, Following>();
  for (const work of done) {
    const seasons = seasonsWatched(work.operation);
    const next = `${Number(work.on.slice(0, 4)) + 1}-01-01`;
    for (const { year, window } of yearly(months, next, seasons))
      byYear.set(year, {
        ...RECOVERY,
        key: taskKey(work.step, RECOVERY.key, year),
        kind: 'follow-up',
        from: window[0],
        to: window[1],
        because: `${effectOf(work.operation)!.done} ${work.on}`,
        visit: work.visit,
        followUp: RECOVERY,
        done: work,
      });
  }
  const years = [...byYear].sort(([a], [b]) => a - b).map(([, f]) => f);
  return years.map((f, i) => ({ ...f, ...(years[i + 1] && { again: years[i + 1]!.from }) }));
}

/** How somebody closed it. */
const closedWords = ({ how, on, by, why }: FollowUpMark): string =>
  how === 'done' ? `done ${on}${by ? ` by ${by}` : ''}` : `dropped ${on}: ${why}`;

function standing(
  f: Following,
  visits: readonly Looked[],
  marks: ReadonlyMap<string, Marked>,
  all: readonly Done[],
  today: string,
  noticed: string | undefined,
): Task {
  const { followUp, done, again, ...bare } = f;
  const marked = marks.get(markedBy(f.visit, f.key));
  const mark = marked?.mark;
  // Where it was marked it is taken back.
  const task = marked ? { ...bare, key: marked.mark.task, visit: marked.visit } : bare;
  if (mark && mark.how !== 'moved')
    return { ...task, state: mark.how, closed: mark.on, told: closedWords(mark) };
  if (followUp.key === NOTICE_KEY && noticed !== undefined && noticed >= done.on)
    return { ...task, state: 'done', closed: noticed, told: `received on ${noticed}` };
  const from = mark ? mark.on : f.from;
  const to = mark ? mark.on : f.to;
  const moved = mark && { from, to, told: `moved from ${f.from}: ${mark.why}` };
  const looked = visits.find(
    (v) =>
      v.date >= from &&
      v.date > done.on &&
      (again === undefined || v.date < again) &&
      followUp.looks !== undefined &&
      looksAt(v, followUp.looks),
  );
  if (looked)
    return { ...task, ...moved, state: 'done', closed: looked.date, told: `checked on ${looked.date}` };
  const felled = all.find((d) => d.operation === 'remove');
  const anew = all.find((d) => d.on > done.on && d.step === done.step);
  if (felled && !AFTER_REMOVAL.includes(done.operation))
    return { ...task, ...moved, state: 'void', told: `taken down ${felled.on}` };
  if (anew) return { ...task, ...moved, state: 'void', told: `done again ${anew.on}` };
  if (again !== undefined && again <= today && to < today)
    return { ...task, ...moved, state: 'missed', told: `not examined; comes again from ${again}` };
  if (dayAfter(to, LAPSES_DAYS) < today)
    return { ...task, ...moved, state: 'missed', told: 'over for two years, and never done' };
  return { ...task, ...moved, state: to < today ? 'late' : from <= today ? 'due' : 'ahead' };
}

/** A task with the time it had before anybody moved it, and whether somebody marked it. */
interface Standing {
  task: Task;
  followUp: string;
  on: string;
  window: Window;
  marked: boolean;
}

/**
 * The same of several works in one time is done once: of the newest work, or of the one that somebody marked or that was
 * looked at. What is shown is marked and taken back where it was marked.
 */
function merged(tasks: readonly Standing[]): Task[] {
  const kept: Standing[] = [];
  const settled = ({ task, marked }: Standing) => marked || task.state === 'done';
  for (const one of [...tasks].sort((a, b) => byDay(b.on, a.on))) {
    const at = kept.findIndex(
      (k) => k.followUp === one.followUp && k.window[0] <= one.window[1] && one.window[0] <= k.window[1],
    );
    if (at < 0) kept.push(one);
    else if (isOpen(kept[at]!.task) && !kept[at]!.marked && settled(one)) kept[at] = one;
  }
  return kept.map((k) => k.task);
}

/** Works carried out, the oldest first, and rests that began with a visit. */
function doneOf(
  visits: readonly Looked[],
  rests: readonly { visit: number; operation: OperationKey }[],
): Done[] {
  const works = visits.flatMap((v, visit) =>
    (v.work ?? []).flatMap(({ step, how, on }): Done[] => {
      const operation = operationOf(step);
      return operation && how !== 'not done' ? [{ step, operation, on, visit }] : [];
    }),
  );
  const begun = rests.map(({ visit, operation }): Done => ({
    step: operation,
    operation,
    on: visits[visit]!.date,
    visit,
  }));
  return [...works, ...begun].sort((a, b) => byDay(a.on, b.on));
}

/** What somebody said of a task, and the visit at which. */
interface Marked {
  mark: FollowUpMark;
  visit: number;
}

/**
 * By what a mark is found again. The look at recovery of a season is one for all works together: marked after one of them, it
 * stays marked though another is done later.
 */
const markedBy = (visit: number, task: string): string => {
  const [, followUp, year] = task.split('.');
  return followUp === RECOVERY.key ? `${followUp} ${year}` : `${visit} ${task}`;
};

const lookTask = (key: string, what: string, on: string, visit: number, of: string): Omit<Task, 'state'> => ({
  key,
  kind: 'look',
  what,
  stake: '',
  who: 'consultant',
  from: on,
  to: on,
  because: `visit of ${of}`,
  visit,
});

/** Days to come back that somebody marked as done or dropped. */
const closedLooks = ({ date, lookAgain, drainCheck, followUps }: Looked, visit: number): Task[] =>
  (followUps ?? []).flatMap((mark): Task[] => {
    const asked =
      mark.task === LOOK_TASK
        ? lookAgain
        : mark.task === DRAIN_TASK && drainCheck
          ? { on: drainCheck, why: DRAIN_WHY }
          : undefined;
    if (!asked || mark.how === 'moved') return [];
    const task = lookTask(mark.task, asked.why, asked.on, visit, date);
    return [{ ...task, state: mark.how, closed: mark.on, told: closedWords(mark) }];
  });

/** By what is due first. */
export const byTime = (a: Pick<Task, 'to' | 'from'>, b: Pick<Task, 'to' | 'from'>): number =>
  byDay(a.to, b.to) || byDay(a.from, b.from);

/**
 * What follows everything that was carried out at a tree, and the days to come back to it; what presses first. Every
 * follow-up counts from the day on which the work was done.
 *
 * @param house weather and schools: seasons lie where the grounds lie
 * @param today ISO date
 * @param rests what a visit prescribes to be left alone, which has no work of its own (no fertiliser)
 * @param noticed last day on which the notice to who mows and mulches was received: it closes what asks for it
 */
export function tasksOf(
  tree: Pick<Tree, 'schools'>,
  visits: readonly Looked[],
  house: House,
  today: string,
  rests: readonly { visit: number; operation: OperationKey }[] = [],
  noticed?: string,
): Task[] {
  const place: Place = {
    climate: climateOf(house.weather),
    mulch: schoolFor('mulchSeason', house, tree.schools),
    staking: schoolFor('staking', house, tree.schools),
  };
  const all = doneOf(visits, rests);
  const marks = new Map(
    visits.flatMap((v, visit) =>
      (v.followUps ?? []).map((mark) => [markedBy(visit, mark.task), { mark, visit }] as const),
    ),
  );
  const following = [
    ...all.flatMap((done) => followingOf(done, all, visits, place)),
    ...recoveries(all, place),
  ];
  const follow = merged(
    following.map((f) => ({
      task: standing(f, visits, marks, all, today, noticed),
      followUp: f.followUp.key,
      on: f.done.on,
      window: [f.from, f.to],
      marked: marks.has(markedBy(f.visit, f.key)),
    })),
  );
  const looks = duesOf(visits).map(({ on, why, task, visit }): Task => {
    const asked = (v: Looked) =>
      task === LOOK_TASK ? v.lookAgain !== undefined : v.drainCheck !== undefined;
    const at = visits.findIndex((v) => v.date === visit && asked(v));
    const mark = visits[at]!.followUps?.find((m) => m.task === task);
    return {
      ...lookTask(task, why, on, at, visit),
      state: on < today ? 'late' : on === today ? 'due' : 'ahead',
      ...(mark && { told: `moved: ${mark.why}` }),
    };
  });
  return [...follow, ...looks, ...visits.flatMap(closedLooks)].sort(byTime);
}
