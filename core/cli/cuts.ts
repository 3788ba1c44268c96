import type { CutAssessment } from '../src/pruning';
import { writeLengths, type UnitSystem } from '../src/units';

const percent = (share: number) => `${Math.round(100 * share)}%`;

/** The cut plan in lines: what it frees and takes, stage by stage, then root by root. */
export function cutsText(
  { plan, clash, agreed, roots, interval, limits }: CutAssessment,
  date: string,
  system: UnitSystem,
): string {
  const shown = agreed ?? plan;
  if (!shown) return `Cut plan: none keeps to everything. ${writeLengths(clash!.says.join(' '), system)}\n`;
  const first = Number(date.slice(0, 4));
  const manner = agreed ? ', agreed' : plan!.proved ? ', proved the best' : '';
  const lines = [
    `Cut plan${manner}: frees ${percent(shown.value.freed)} of the bark over twenty years, of ${percent(shown.value.threatened)}`,
    ...shown.value.loss.map((loss, s) => {
      const labels = Object.keys(shown.stages).filter((l) => shown.stages[l] === s + 1);
      return `  stage ${s + 1}, ${first + s * interval}: ${labels.join(', ') || 'none'}; ${percent(loss)} of the root cross-section, of ${percent(limits.stageLoss)}`;
    }),
    ...roots.map((r) => `  ${r.label}: ${writeLengths(r.says, system)}`),
  ];
  return lines.map((line) => `${line}\n`).join('');
}
