import { percent } from '../../units/share';
import { byLabel } from '../../labels';
import type { CutAssessment, Way } from './assessCuts';

const listed = (labels: string[]): string => labels.join(', ');
const lossOf = ({ value }: Way): number => value.loss.reduce((a, b) => a + b, 0);
const stagesOf = ({ stages }: Way): number => new Set(Object.values(stages)).size;

/**
 * What another cut plan does otherwise, in sentences; none where it is the same.
 *
 * @param now the best plan as things stand
 * @param other the best plan under other rules
 */
export function planDifference(now: CutAssessment, other: CutAssessment): string[] {
  if (!other.plan) return now.plan ? ['No plan would keep to everything that is held and limited.'] : [];
  if (!now.plan)
    return [`A plan would stand: ${percent(other.plan.value.freed)} of the bark freed over the years.`];
  const [a, b] = [now.plan, other.plan];
  const labels = [...new Set([...Object.keys(a.stages), ...Object.keys(b.stages)])].sort(byLabel);
  const more = labels.filter((l) => a.stages[l] === undefined);
  const fewer = labels.filter((l) => b.stages[l] === undefined);
  const moved = labels.filter((l) => a.stages[l] && b.stages[l] && a.stages[l] !== b.stages[l]);
  if (more.length + fewer.length + moved.length === 0) return [];
  return [
    `Frees ${percent(b.value.freed)} of the bark over the years, now ${percent(a.value.freed)}; takes ${percent(lossOf(b))} of the root cross-section in ${stagesOf(b)} ${stagesOf(b) === 1 ? 'stage' : 'stages'}, now ${percent(lossOf(a))} in ${stagesOf(a)}.`,
    ...(more.length > 0 ? [`Cut as well: ${listed(more)}.`] : []),
    ...(fewer.length > 0 ? [`Stay: ${listed(fewer)}.`] : []),
    ...(moved.length > 0
      ? [`In another stage: ${listed(moved.map((l) => `${l} in ${b.stages[l]}, now ${a.stages[l]}`))}.`]
      : []),
  ];
}
