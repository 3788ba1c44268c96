import { shortLabels } from '../../drawings/shortLabels';
import type { TreeRow } from '../../protocol/grounds';
import { UrgencyLegend } from '../../ui/UrgencyMark';

/** What the marks mean, and which names the letters of the labels stand for. */
export const PlanLegend = ({ trees }: { trees: readonly TreeRow[] }) => {
  const { key } = shortLabels(trees.filter((t) => t.x !== undefined).map((t) => t.label));
  return (
    <UrgencyLegend>
      <li className="flex items-center gap-1.5">
        <svg width="18" height="18" viewBox="-9 -9 18 18" aria-hidden="true">
          <rect
            x="-6"
            y="-6"
            width="12"
            height="12"
            fill="var(--sheet)"
            stroke="var(--todo)"
            strokeWidth="3"
          />
        </svg>
        reference
      </li>
      {key.length > 0 && key.length <= 8 && (
        <li className="text-muted">{key.map(({ letters, name }) => `${letters} ${name}`).join(', ')}</li>
      )}
    </UrgencyLegend>
  );
};
