import type { ReactNode } from 'react';
import { URGENCIES, type Urgency } from '@undrel/core/walk';

/** A shape for each urgency: filled triangle, filled square, hollow diamond, ring, dot; told apart without colour. */
export function UrgencyMark({ urgency, r }: { urgency: Urgency; r: number }) {
  const edge = { stroke: 'var(--ink)', strokeWidth: 1.5 };
  switch (urgency) {
    case 'now':
      return <path d={`M0 ${-r * 1.15}L${r * 1.1} ${r * 0.85}H${-r * 1.1}Z`} fill="var(--harm)" {...edge} />;
    case 'season':
      return (
        <rect x={-r * 0.85} y={-r * 0.85} width={r * 1.7} height={r * 1.7} fill="var(--ink)" {...edge} />
      );
    case 'look':
      return <path d={`M0 ${-r}L${r} 0 0 ${r} ${-r} 0Z`} fill="var(--sheet)" {...edge} strokeWidth={2.5} />;
    case 'fine':
      return <circle r={r * 0.85} fill="var(--sheet)" {...edge} strokeWidth={2} />;
    case 'unseen':
      return <circle r={r * 0.4} fill="var(--ink)" />;
  }
}

export const urgencyLabel = (urgency: Urgency): string => URGENCIES.find((u) => u.key === urgency)!.label;

/** What the marks mean. @param children what else a plan says by its marks */
export function UrgencyLegend({ children }: { children?: ReactNode }) {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 px-4 py-2 border-t border-ink text-sm bg-sheet">
      {URGENCIES.map(({ key, label }) => (
        <li key={key} className="flex items-center gap-1.5">
          <svg width="18" height="18" viewBox="-10 -10 20 20" aria-hidden="true">
            <UrgencyMark urgency={key} r={7} />
          </svg>
          {label}
        </li>
      ))}
      {children}
    </ul>
  );
}
