'use client';

import { Fold } from '../../../ui/Fold';
import { NUTRIENT_QUESTIONS, SOIL_QUESTIONS } from '@undrel/core/questions';
import { chlorosisAdvice, nutrientsOf, sampleOf } from '@undrel/core/soil';
import { formatValue } from '@undrel/core/units';
import { QuantityList } from '../../../ui/controls/QuantityList';
import { SoilLab } from '../soil/SoilLab';
import type { StationProps } from '../visitEntry';
import { Questions } from '../asked/Questions';

const WORDS = {
  open: 'loose enough for roots',
  affected: 'dense enough to hold roots back',
  tight: 'too dense for roots',
} as const;

/** A soil sample: texture by the laboratory, a core of known volume, and what they mean for roots. */
export function SoilSample(props: StationProps) {
  const { system, visit } = props;
  const { texture, limits, density, porosity, available, verdict, problems } = sampleOf(visit.findings);
  const advice = chlorosisAdvice(visit);
  const nutrients = nutrientsOf(visit.findings);
  const begun =
    nutrients.length > 0 || SOIL_QUESTIONS.some((q) => visit.findings.some((f) => f.key === q.key));
  return (
    <>
      {advice.map((sentence) => (
        <p key={sentence} className="told my-2">
          {sentence}
        </p>
      ))}
      <Fold className="border-t border-ink" noted={begun} summary="Soil sample, single readings">
        {verdict && density && (
          <p className="text-lg my-1" data-testid="soil-verdict">
            <strong>{texture}</strong>, {WORDS[verdict]}
          </p>
        )}
        {!verdict && texture && <p className="text-lg my-1">{texture}</p>}
        {problems.map((problem) => (
          <p key={problem} role="alert" className="wrong my-2">
            {problem}
          </p>
        ))}
        <QuantityList
          quantities={[density, porosity, available].filter((q) => q !== undefined)}
          system={system}
        />
        {limits && (
          <p className="text-sm text-muted">
            In this texture roots suffer from {formatValue(limits.affected, 'density', system)} and are
            stopped from {formatValue(limits.stopped, 'density', system)} (USDA NRCS Soil Quality Test Kit
            Guide). {limits.note}
          </p>
        )}
        {nutrients.length > 0 && (
          <>
            <dl className="grid grid-cols-[1fr_auto_auto] gap-x-3">
              {nutrients.map(({ nutrient, amount, level }) => (
                <div key={nutrient.key} className="contents">
                  <dt>{nutrient.label}</dt>
                  <dd className="num text-right">{amount} mg/kg</dd>
                  <dd className={level === 'low' ? 'font-semibold' : ''}>{level}</dd>
                </div>
              ))}
            </dl>
            <p className="text-sm text-muted">
              {[...new Set(nutrients.map((n) => n.nutrient.source))].join('; ')}. The ranges are of crops: a
              tree makes do with less.
            </p>
          </>
        )}
        <SoilLab {...props} />
        <Questions {...props} questions={[...SOIL_QUESTIONS, ...NUTRIENT_QUESTIONS]} />
      </Fold>
    </>
  );
}
