'use client';

import { CUT_RANGES, type CutDesign, type CutLimits as Limits } from '@undrel/core/casefile';
import { LIMIT_WORDS, MOST_STAGES, type CutAssessment } from '@undrel/core/pruning';
import { METRES_PER, shortUnit, writeLengths, type UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { NumberInput } from '../stations/NumberInput';
import type { CutPrice } from './useCuts';

const percent = (share: number) => `${(100 * share).toFixed(1).replace('.0', '')} %`;

interface Field {
  key: keyof Limits;
  unit: (system: UnitSystem) => string;
  /** SI to what is typed. */
  per: (system: UnitSystem) => number;
}

const FIELDS: readonly Field[] = [
  { key: 'stageLoss', unit: () => '%', per: () => 0.01 },
  { key: 'totalLoss', unit: () => '%', per: () => 0.01 },
  { key: 'anchorGap', unit: () => '°', per: () => 1 },
  { key: 'strictGap', unit: () => '°', per: () => 1 },
  { key: 'largest', unit: shortUnit, per: (s) => METRES_PER[shortUnit(s)] },
  { key: 'together', unit: shortUnit, per: (s) => METRES_PER[shortUnit(s)] },
  { key: 'nearDbh', unit: () => '× DBH', per: () => 1 },
];

/** What the plan keeps to; beside each limit what moving it a step would free. */
export function CutLimits(props: {
  design: CutDesign;
  assessment: CutAssessment;
  prices: readonly CutPrice[];
  pricing: boolean;
  system: UnitSystem;
  disabled: boolean;
  onChange: (change: Partial<CutDesign>, field: string) => void;
}) {
  const { design, assessment, prices, system, disabled, onChange } = props;
  const { limits } = assessment;
  const set = (key: keyof Limits, value: number | undefined) => {
    const { [key]: _, ...others } = design.limits ?? {};
    const next = value === undefined ? others : { ...others, [key]: value };
    onChange({ limits: Object.keys(next).length > 0 ? next : undefined }, `limits.${key}`);
  };
  const more = prices.find((p) => 'stages' in p);
  const sided = design.windward !== undefined || design.target !== undefined;
  return (
    <section className="my-4" aria-label="What the plan keeps to">
      <h2>What it keeps to</h2>
      {assessment.gentle && <p className="told my-1">The cautious share is taken: {assessment.gentle}.</p>}
      <div className="grid grid-cols-2 gap-x-6">
        <NumberInput
          label="Stages"
          unit=""
          min={1}
          max={MOST_STAGES}
          value={assessment.stages}
          disabled={disabled}
          onChange={(stages) => onChange({ stages: stages && Math.round(stages) }, 'stages')}
        />
        <NumberInput
          label="Years apart"
          unit=""
          min={1}
          max={10}
          value={assessment.interval}
          disabled={disabled}
          onChange={(interval) => onChange({ interval: interval && Math.round(interval) }, 'interval')}
        />
      </div>
      {more && 'stages' in more && (
        <p className="text-sm">
          One stage more ({more.stages}) would free {percent(more.frees)} more of the bark.
        </p>
      )}
      {FIELDS.filter((f) => f.key !== 'strictGap' || sided).map(({ key, unit, per }) => {
        const [least, most] = CUT_RANGES[key];
        const price = prices.find((p) => 'limit' in p && p.limit === key);
        const step = per(system);
        return (
          <div key={key}>
            <NumberInput
              label={LIMIT_WORDS[key].label}
              unit={unit(system)}
              min={Number((least / step).toFixed(1))}
              max={Number((most / step).toFixed(1))}
              value={Number((limits[key] / step).toFixed(1))}
              disabled={disabled}
              onChange={(value) =>
                set(key, value === undefined ? undefined : Number((value * step).toFixed(4)))
              }
            />
            {price && 'limit' in price && (
              <p className="text-sm" data-testid={`price-${key}`}>
                At {writeLengths(LIMIT_WORDS[key].say(price.to), system)} it would free {percent(price.frees)}{' '}
                more of the bark.
              </p>
            )}
          </div>
        );
      })}
      {props.pricing && (
        <p role="status" className="text-sm text-muted">
          Weighing what each limit costs…
        </p>
      )}
      {!props.pricing && prices.length === 0 && assessment.plan && (
        <p className="text-sm text-muted">No looser limit alone would free more.</p>
      )}
      <div className="grid grid-cols-2 gap-2 mt-2">
        <BearingInput
          label="Wind from"
          value={design.windward}
          disabled={disabled}
          onChange={(windward) => onChange({ windward }, 'windward')}
        />
        <BearingInput
          label="Target toward"
          value={design.target}
          disabled={disabled}
          onChange={(target) => onChange({ target }, 'target')}
        />
      </div>
      <label className="flex items-center gap-2 min-h-[44px]">
        <input
          type="checkbox"
          checked={design.sensitive ?? false}
          disabled={disabled}
          onChange={(event) => onChange({ sensitive: event.target.checked || undefined }, 'sensitive')}
        />
        Species or site takes loss badly
      </label>
      {design.limits && !disabled && (
        <button
          type="button"
          className="link min-h-[44px]"
          onClick={() => onChange({ limits: undefined }, 'limits')}
        >
          Back to the limits of the school
        </button>
      )}
    </section>
  );
}
