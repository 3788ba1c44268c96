import { anchorsOf } from './prune';
import { limit, type Operation, type OperationKey, type Situation } from './operation';

/** What of the prescribed operations does not go together, each with why and what to do about it. */
export function clashesOf(planned: readonly Operation[], s: Situation): string[] {
  const has = (key: OperationKey) => planned.some((o) => o.key === key);
  const title = (key: OperationKey) => planned.find((o) => o.key === key)!.title;
  const anchors = anchorsOf(s);
  const likely = (cause: string) =>
    s.verdict.causes.some((c) => c.cause === cause && c.standing === 'likely');
  const target = s.visit.cuts?.target !== undefined;
  const rocks = s.verdict.facts.rocks.state === 'yes';
  const worked = (['mulch', 'excavate', 'prune', 'trench'] as const).filter(has);
  return [
    ...(has('reset') && has('prune')
      ? [
          'Reset and root pruning: a ball that is lifted is opened and cut there; the cut plan is for a tree that stays. Take one of them out.',
        ]
      : []),
    ...(has('reset') && has('trench')
      ? [
          `Reset and ${title('trench').toLowerCase()}: a reset digs the hole anew; open the soil from the new hole afterwards.`,
        ]
      : []),
    ...(has('prune') && (rocks || (anchors !== undefined && anchors < limit('anchorsFew')))
      ? [
          `Root pruning where the hold is poor already (${rocks ? s.verdict.facts.rocks.text : `${anchors} sound ${anchors === 1 ? 'anchor' : 'anchors'}`}): no cut before a qualified person has assessed its stability${target ? '; there is a target below it' : ''}.`,
        ]
      : []),
    ...(has('water') && likely('waterlogging')
      ? ['Watering where waterlogged soil is likely: let the water out first.']
      : []),
    ...(has('remove') && worked.length > 0
      ? [
          `Removal and ${worked.map((key) => title(key).toLowerCase()).join(', ')}: one or the other; money for both is lost.`,
        ]
      : []),
    ...(has('watch') && worked.length > 0
      ? ['Watch only stands beside work that is prescribed: the next look is told by the work.']
      : []),
  ];
}
