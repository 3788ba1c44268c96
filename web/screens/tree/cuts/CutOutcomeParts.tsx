'use client';

import type { CutDesign, CutLimits } from '@undrel/core/records';
import type { CutAssessment, Way, Clash } from '@undrel/core/pruning';
import { writeLengths, type UnitSystem, percent } from '@undrel/core/units';

/** What no plan can meet, and what would make one. */
export function Clash({
  clash,
  system,
  disabled,
  stale,
  onEase,
  onLetGo,
}: {
  clash: Clash;
  system: UnitSystem;
  disabled: boolean;
  stale: boolean;
  onEase: (limits: NonNullable<CutDesign['limits']>) => void;
  onLetGo: (labels: readonly string[]) => void;
}) {
  return (
    <div role="alert" className="wrong my-2" data-testid="clash">
      <p className="font-bold">No plan meets all of these limits.</p>
      {clash.says.map((sentence) => (
        <p key={sentence}>{writeLengths(sentence, system)}</p>
      ))}
      {!disabled && (
        <div className="flex flex-wrap gap-2 mt-1">
          {Object.keys(clash.ease).length > 0 && (
            <button type="button" className="quiet" disabled={stale} onClick={() => onEase(clash.ease)}>
              Ease the limits just enough
            </button>
          )}
          {clash.letGo.length > 0 && (
            <button type="button" className="quiet" disabled={stale} onClick={() => onLetGo(clash.letGo)}>
              Let go of {clash.letGo.join(', ')}
            </button>
          )}
        </div>
      )}
    </div>
  );
}

/** What a plan frees and takes, stage by stage. */
export function PlanShown({
  shown,
  assessment,
  labels,
  year,
  interval,
  limits,
}: {
  shown: (Way & { broken: string[] }) | (Way & { proved: boolean; gap: number });
  assessment: CutAssessment;
  labels: string[];
  year: number;
  interval: number;
  limits: CutLimits;
}) {
  return (
    <>
      <div className="flex items-baseline gap-4 my-2">
        <p className="num text-5xl font-bold whitespace-nowrap" data-testid="frees">
          {percent(shown.value.freed)}
        </p>
        <p>
          of the bark freed over twenty years, of {percent(shown.value.threatened)} that would be compressed;
          today {percent(shown.freesToday)} of {percent(assessment.squeezed)}; for{' '}
          {percent(shown.value.loss.reduce((a, b) => a + b, 0))} of the root cross-section
          {labels.length === 0 && ': no root is cut'}.
        </p>
      </div>
      {labels.length > 0 && (
        <table className="w-full my-2" aria-label="Stages">
          <thead>
            <tr>
              <th scope="col">stage</th>
              <th scope="col">roots</th>
              <th scope="col" className="text-right">
                takes
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.value.loss.map((loss, s) => (
              <tr key={s}>
                <td className="py-1.5 whitespace-nowrap">
                  <strong>{s + 1}</strong>, {year + s * interval}
                </td>
                <td>{labels.filter((l) => shown.stages[l] === s + 1).join(', ') || 'none'}</td>
                <td className="num text-right whitespace-nowrap">
                  {percent(loss)} of {percent(limits.stageLoss)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** The plan that was agreed, and how it stands to the best one of today. */
export function Agreed({
  agreed,
  system,
  plan,
  disabled,
  onWithdraw,
}: {
  agreed: Way & { broken: string[] };
  system: UnitSystem;
  plan: (Way & { proved: boolean; gap: number }) | undefined;
  disabled: boolean;
  onWithdraw: () => void;
}) {
  return (
    <div className="told my-2" data-testid="agreed">
      <p>
        <strong>Agreed.</strong> The crew sheet and the report follow this plan.
      </p>
      {agreed.broken.length > 0 && (
        <p className="text-harm">
          It breaks the present limits: {writeLengths(agreed.broken.join('; '), system)}.
        </p>
      )}
      {plan && plan.value.objective > agreed.value.objective + 1e-6 && (
        <p>
          The best plan of today frees {percent(plan.value.freed)} for{' '}
          {percent(plan.value.loss.reduce((a, b) => a + b, 0))}:{' '}
          {Object.keys(plan.stages).join(', ') || 'nothing is cut'}.
        </p>
      )}
      {!disabled && (
        <button type="button" className="link min-h-[44px]" onClick={onWithdraw}>
          Withdraw the agreement
        </button>
      )}
    </div>
  );
}

/** The best plan, to be agreed or left, and how sure it is that it is the best. */
export function Proposed({
  disabled,
  stale,
  onAgree,
  labels,
  onLeave,
  plan,
  assessment,
}: {
  disabled: boolean;
  stale: boolean;
  onAgree: () => void;
  labels: string[];
  onLeave: () => void;
  plan: Way & { proved: boolean; gap: number };
  assessment: CutAssessment;
}) {
  return (
    <div className="flex flex-wrap items-center gap-3 my-2">
      {!disabled && (
        <button type="button" className="act" disabled={stale} onClick={onAgree}>
          Agree this plan
        </button>
      )}
      {!disabled && labels.length > 0 && (
        <button type="button" className="quiet" onClick={onLeave}>
          Leave them all
        </button>
      )}
      <p className="text-sm text-muted basis-full" data-testid="proved">
        {plan.proved
          ? 'Proved: no other choice of roots and stages within these limits is better.'
          : `Time was up: at most ${Number.isFinite(plan.gap) ? percent(plan.gap) : 'an unknown share'} from the best.`}
        {assessment.better.length > 0 &&
          ` Better than what the dig proposes of ${assessment.better.join(', ')}: agree to it, and dig, crew sheet and report follow.`}
      </p>
    </div>
  );
}
