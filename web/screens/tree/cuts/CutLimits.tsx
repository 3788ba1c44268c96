'use client';

import { CUT_RANGES, type CutDesign, type CutLimits as Limits } from '@undrel/core/records';
import { LIMIT_WORDS, MOST_STAGES, type CutAssessment } from '@undrel/core/pruning';
import { METRES_PER, shortUnit, writeLengths, type UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { NumberInput } from '../../../ui/controls/NumberInput';
import type { CutPrice } from './useCuts';

const percent = (share: number) => `${(100 * share).toFixed(1).replace('.0', '')}%`;

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
  { key: 'stageGap', unit: () => '°', per: () => 1 },
  { key: 'strictGap', unit: () => '°', per: () => 1 },
  { key: 'largest', unit: shortUnit, per: (s) => METRES_PER[shortUnit(s)] },
  { key: 'together', unit: shortUnit, per: (s) => METRES_PER[shortUnit(s)] },
  { key: 'nearDbh', unit: () => '× DBH', per: () => 1 },
];

/** What the plan keeps to. */
export function CutLimits(props: {
  design: CutDesign;
  assessment: CutAssessment;
  system: UnitSystem;
  disabled: boolean;
  onChange: (change: Partial<CutDesign>, field: string) => void;
}) {
  const { design, assessment, system, disabled, onChange } = props;
  const { limits } = assessment;
  const set = (key: keyof Limits, value: number | undefined) => {
    const { [key]: _, ...others } = design.limits ?? {};
    const next = value === undefined ? others : { ...others, [key]: value };
    onChange({ limits: Object.keys(next).length > 0 ? next : undefined }, `limits.${key}`);
  };
  const sided = design.windward !== undefined || design.target !== undefined;
  return (
    <section className="my-4" aria-label="Limits of the plan">
      <h2>What it keeps to</h2>
      {assessment.gentle && <p className="told my-1">The cautious share is used: {assessment.gentle}.</p>}
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
      {FIELDS.filter((f) => f.key !== 'strictGap' || sided).map(({ key, unit, per }) => {
        const [least, most] = CUT_RANGES[key];
        const step = per(system);
        return (
          <NumberInput
            key={key}
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
        );
      })}
      <CutSides design={design} disabled={disabled} onChange={onChange} />
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

/** What moving each limit a step would free; it comes late, so nothing that can be pressed stands below it. */
export function LimitPrices({
  prices,
  pricing,
  system,
}: {
  prices: readonly CutPrice[];
  pricing: boolean;
  system: UnitSystem;
}) {
  return (
    <section className="my-4" aria-label="What each limit costs">
      <h2>What each limit costs</h2>
      {pricing && (
        <p role="status" className="text-muted">
          Computing what each limit costs…
        </p>
      )}
      {!pricing && prices.length === 0 && (
        <p className="text-muted">No looser limit alone would free more.</p>
      )}
      <ul>
        {prices.map((price) =>
          'limit' in price ? (
            <li key={price.limit} data-testid={`price-${price.limit}`}>
              {LIMIT_WORDS[price.limit].label} at{' '}
              {writeLengths(LIMIT_WORDS[price.limit].say(price.to), system)}: it would free{' '}
              {percent(price.frees)} more of the bark.
            </li>
          ) : (
            <li key="stages">
              One stage more ({price.stages}) would free {percent(price.frees)} more of the bark.
            </li>
          ),
        )}
      </ul>
    </section>
  );
}

function CutSides({
  design,
  disabled,
  onChange,
}: {
  design: CutDesign;
  disabled: boolean;
  onChange: (change: Partial<CutDesign>, field: string) => void;
}) {
  return (
    <>
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
        Species or site tolerates root loss poorly
      </label>
    </>
  );
}
