import { inSentence } from '../vocabulary/inSentence';
import { daysBetween } from '../vocabulary/dates';
import { byOrderOfWork, type OperationKey } from '../vocabulary/operations';
import { anchorsOf } from '../weighing/dug';
import { limit, schoolValue, type Operation, type Situation } from '../weighing/operation';
import { windowHere } from '../weighing/season';
import { dateProblems, inWindow, type ClosedSeason } from './seasons';
import { stagesOf } from './workOrder';

const ROOT_WORK = ['excavate', 'prune', 'reset', 'raise', 'openBall', 'move'] as const;

/** Planned days that do not go together: the wrong season, the wrong order, too soon after one another. */
function dateClashes(planned: readonly Operation[], s: Situation, closed: readonly ClosedSeason[]): string[] {
  const dated = planned
    .flatMap((o) => {
      const on = s.visit.decisions.find((d) => d.operation === o.key)?.on;
      return on ? [{ operation: o, on }] : [];
    })
    .sort((a, b) => byOrderOfWork(a.operation.key, b.operation.key));
  const season = s.school('mulchSeason');
  const [from, to] = (['from', 'to'] as const).map((end) => schoolValue(season, end)) as [number, number];
  const laid = windowHere({ from, to, why: '' }, s);
  const mulching = dated.find((d) => d.operation.key === 'mulch');
  const dug = dated.find((d) => d.operation.key === 'excavate');
  const cut = dated.find((d) => d.operation.key === 'prune');
  const drying = dug?.operation.lookAgain?.days ?? 0;
  return [
    ...dated.flatMap(({ operation, on }) =>
      dateProblems(operation, s.tree.species, on, closed).map((problem) => `${operation.title}: ${problem}`),
    ),
    ...(mulching && !inWindow(laid, mulching.on)
      ? [
          `Mulch planned for ${mulching.on}, while the school followed lays it in ${season.label}: clear the bark now, top up then.`,
        ]
      : []),
    ...dated.flatMap((first, i) =>
      dated
        .slice(i + 1)
        .filter((later) => later.on < first.on && later.operation.first.length > 0)
        .map(
          (later) =>
            `${later.operation.title} is planned for ${later.on}, before ${inSentence(first.operation.title)} on ${first.on}: it comes after it.`,
        ),
    ),
    ...(dug && cut && cut.on >= dug.on && daysBetween(dug.on, cut.on) < drying
      ? [
          `Root pruning is planned for ${cut.on}, less than ${drying} days after the excavation: the bark has to dry and be checked again first.`,
        ]
      : []),
  ];
}

/** Days of later stages of a cut plan that are closed, out of season or out of their order. */
function stageClashes(
  planned: readonly Operation[],
  s: Situation,
  closed: readonly ClosedSeason[],
): string[] {
  const prune = planned.find((o) => o.key === 'prune');
  if (!prune) return [];
  const first = s.visit.decisions.find((d) => d.operation === 'prune')?.on;
  const dated = stagesOf(s.visit).flatMap(({ stage, on }) => (on ? [{ stage, on }] : []));
  const all = first ? [{ stage: 1, on: first }, ...dated] : dated;
  return [
    ...dated.flatMap(({ stage, on }) =>
      dateProblems(prune, s.tree.species, on, closed).map(
        (problem) => `${prune.title}, stage ${stage}: ${problem}`,
      ),
    ),
    ...all.flatMap((earlier, i) =>
      all
        .slice(i + 1)
        .filter((later) => later.on <= earlier.on)
        .map(
          (later) =>
            `${prune.title}: stage ${later.stage} is planned for ${later.on}, not after stage ${earlier.stage} on ${earlier.on}: at least one growing season lies between them.`,
        ),
    ),
  ];
}

/**
 * What of the prescribed operations does not go together, each with why and what to do about it.
 *
 * @param closed seasons closed where the firm works
 */
export function clashesOf(
  planned: readonly Operation[],
  s: Situation,
  closed: readonly ClosedSeason[] = [],
): string[] {
  const has = (key: OperationKey) => planned.some((o) => o.key === key);
  const title = (key: OperationKey) => planned.find((o) => o.key === key)!.title;
  const anchors = anchorsOf(s);
  const likely = (cause: string) =>
    s.verdict.causes.some((c) => c.cause === cause && c.standing === 'likely');
  const target = s.visit.cuts?.target !== undefined;
  const rocks = s.verdict.facts.rocks.state === 'yes';
  const barredReset = planned.find((o) => o.key === 'reset' && o.advice === 'not');
  const fed = s.school('fertiliser').key === 'withFill' && has('trench') && ROOT_WORK.some(has);
  const year = s.visit.date.slice(0, 4);
  const spread = s.events.find((e) => e.kind === 'fertiliser' && e.when.startsWith(year));
  const worked = (['mulch', 'excavate', 'prune', 'trench'] as const).filter(has);
  return [
    ...(s.verdict.danger && !has('stability') ? [`${s.verdict.danger.text} It is not prescribed.`] : []),
    ...(has('reset') && has('prune')
      ? [
          'Reset and root pruning: a ball that is lifted is opened and cut there; the cut plan is for a tree that stays. Take one of them out.',
        ]
      : []),
    ...(has('reset') && has('trench')
      ? [
          `Reset and ${inSentence(title('trench'))}: a reset digs a new hole; open the soil from the new hole afterwards.`,
        ]
      : []),
    ...(has('prune') && (rocks || (anchors !== undefined && anchors < limit('anchorsFew')))
      ? [
          `Root pruning where anchorage is already poor (${rocks ? s.verdict.facts.rocks.text : `${anchors} sound ${anchors === 1 ? 'anchor' : 'anchors'}`}): no cut before a qualified person has assessed its stability${target ? '; there is a target below it' : ''}.`,
        ]
      : []),
    ...(has('water') && likely('waterlogging')
      ? ['Watering where waterlogged soil is likely: let the water out first.']
      : []),
    ...(has('remove') && worked.length > 0
      ? [
          `Removal and ${worked.map((key) => inSentence(title(key))).join(', ')}: one or the other; money for both is lost.`,
        ]
      : []),
    ...(barredReset ? [`Reset is prescribed though the rules bar it: ${barredReset.why.join('; ')}.`] : []),
    ...(fed
      ? [
          'Fertiliser goes in with the trench fill while cut or bared roots recover: hold it for a year, or follow the school that does.',
        ]
      : []),
    ...(has('fertiliser') && spread
      ? [`Fertiliser is held, yet some was given in ${spread.when}: tell the maintenance contractor.`]
      : []),
    ...dateClashes(planned, s, closed),
    ...stageClashes(planned, s, closed),
    ...(has('watch') && worked.length > 0
      ? ['Watch only stands beside work that is prescribed: the work sets the next visit.']
      : []),
  ];
}
