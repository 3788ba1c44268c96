import { conesFoundAgain } from '@undrel/core/memory';
import { schoolFor } from '@undrel/core/practice';
import { tasksOf } from '@undrel/core/schedule';
import { monthsAfter, operationOf } from '@undrel/core/vocabulary';
import type { NoticeContent, NoticeHead, RelapseYear } from '../../protocol/notice';
import type { TreeSource } from '../offers/treeWork';

/** Works at roots or collar: the tree is named in the notice. */
const AT_THE_COLLAR = [
  'mulch',
  'mulchRing',
  'excavate',
  'regrade',
  'prune',
  'reset',
  'raise',
  'openBall',
  'move',
  'replace',
];
/** Works after which a tree is not fed for a year. */
const NOT_FED = ['excavate', 'prune', 'reset', 'raise', 'openBall', 'move', 'trench', 'regrade'];

const NEVER = [
  'No mulch on the bark, not even a little.',
  'No soil, turf or clippings on the flare, the widening of the stem at the ground.',
  'No string trimmer and no mower at the stem: pull what grows there by hand.',
  'No fertiliser and no weed killer within the crown, unless the tree firm says so.',
  'No digging, staking or paving within the crown without asking first.',
];

/** What whoever mows and mulches a property is told, and where cones came back. */
export function noticeOf({
  sources,
  firm,
  property,
  client,
  on,
}: {
  sources: readonly TreeSource[];
  firm: string;
  property: string;
  client: string;
  on: string;
}): { content: NoticeContent; again: { on: string; tree: string }[] } {
  const trees: NoticeContent['trees'] = [];
  const again: { on: string; tree: string }[] = [];
  const checks: string[] = [];
  for (const { source } of sources) {
    const { tree, visits, schools } = source;
    const works = visits.flatMap((v) => v.work ?? []).filter((w) => w.how !== 'not done' && w.on <= on);
    const of = (keys: readonly string[]) =>
      works
        .filter((w) => keys.includes(operationOf(w.step) ?? ''))
        .map((w) => w.on)
        .sort();
    const felled = of(['remove']).length > 0;
    const last = of(NOT_FED).at(-1);
    const until = last && monthsAfter(last, 12);
    if (!felled && of(AT_THE_COLLAR).length > 0)
      trees.push({ label: tree.label, ...(until && until > on && { noFoodUntil: until }) });
    again.push(...conesFoundAgain(tree, visits).map((day) => ({ on: day, tree: tree.label })));
    const next = tasksOf(tree, visits, schools, on).find(
      (t) => t.key.includes('.spring.') && (t.state === 'ahead' || t.state === 'due'),
    );
    if (next) checks.push(next.from > on ? next.from : on);
  }
  const school = schoolFor('mulchDepth', sources[0]?.source.schools);
  const nextCheck = checks.sort()[0];
  return {
    content: {
      firm,
      property,
      client,
      made: on,
      depth: school.values!.depth!,
      clearance: school.values!.clearance!,
      trees,
      never: NEVER,
      ...(nextCheck && { nextCheck }),
    },
    again,
  };
}

/** Cones that came back, by year, with whoever had received the notice before. */
export function relapsesByYear(
  again: readonly { on: string; tree: string }[],
  notices: readonly NoticeHead[],
): RelapseYear[] {
  const years = [...new Set(again.map((a) => Number(a.on.slice(0, 4))))].sort((a, b) => b - a);
  return years.map((year) => {
    const own = again.filter((a) => a.on.startsWith(String(year)));
    const last = own
      .map((a) => a.on)
      .sort()
      .at(-1)!;
    return {
      year,
      trees: [...new Set(own.map((a) => a.tree))].sort(),
      contractors: [
        ...new Set(notices.filter((n) => n.received !== null && n.received <= last).map((n) => n.to)),
      ],
    };
  });
}
