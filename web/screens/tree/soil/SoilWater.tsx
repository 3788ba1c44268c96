'use client';

import { Fold } from '../../../ui/Fold';
import { dayAfter } from '@undrel/core/vocabulary';
import { headOf, idOf } from '@undrel/core/records';
import { WATER_QUESTIONS } from '@undrel/core/questions';
import { DRAIN_WHY } from '@undrel/core/schedule';
import { infiltrationClass, percolationWords } from '@undrel/core/soil';
import { enteredIn } from '@undrel/core/units';
import { Questions } from '../asked/Questions';
import type { StationProps } from '../visitEntry';
import { WaterTest } from './WaterTest';

const HOUR = 3600;

/** How fast the soil takes water: timed on site, or typed; and the look a day later. */
export function SoilWater(props: StationProps) {
  const { control, visit, visitId, treeId, system, mayMeasure, today } = props;
  const number = (key: string) => visit.findings.find((f) => f.key === key)?.number;
  const [ring, hole] = [number('soil.infiltration'), number('soil.percolation')];
  const write = (key: string, value: number): string | undefined => {
    const question = WATER_QUESTIONS.find((q) => q.key === key);
    if (question?.kind !== 'number') throw new Error(`${key} is not asked for as a number`);
    if (!(value >= question.min && value <= question.max)) {
      const { unit, min, max, entered } = enteredIn(question, system);
      return `${question.ask}: ${entered(value).toFixed(0)} ${unit} is outside ${min} to ${max} ${unit}. A reading is wrong, or water went past the ring: fill it up and read it again.`;
    }
    control.set('finding', idOf('finding', visitId, { key }), visitId, {
      key,
      number: Number(value.toFixed(1)),
    });
    return undefined;
  };
  const tomorrow = dayAfter(today, 1);
  const begun = ring !== undefined || hole !== undefined;
  return (
    <Fold className="border-t border-ink" noted={begun} summary="Water: infiltration and percolation">
      {ring !== undefined && <p>Surface: {infiltrationClass(ring / 1000 / HOUR)}.</p>}
      {hole !== undefined && <p>Hole: {percolationWords(hole / 100 / HOUR)}.</p>}
      <WaterTest
        what="infiltration"
        title="Infiltration ring"
        hint="Push the ring in, wet the soil first, fill it; read the fall every few minutes."
        visitId={visitId}
        system={system}
        disabled={!mayMeasure}
        onRate={(rate) => write('soil.infiltration', rate * 1000 * HOUR)}
      />
      <WaterTest
        what="percolation"
        title="Percolation in the hole"
        hint="Fill the hole and let it drain once; fill it again and read the fall."
        visitId={visitId}
        system={system}
        disabled={!mayMeasure}
        onRate={(rate) => write('soil.percolation', rate * 100 * HOUR)}
      />
      {mayMeasure && !visit.drainCheck && (
        <button
          type="button"
          className="link min-h-[44px]"
          onClick={() =>
            control.set('visit', visitId, treeId, {
              ...headOf(visit),
              drainCheck: tomorrow,
            })
          }
        >
          Inspect the hole tomorrow, {tomorrow}
        </button>
      )}
      {visit.drainCheck && (
        <p className="told">
          On {visit.drainCheck}: {DRAIN_WHY}
        </p>
      )}
      <Questions {...props} questions={WATER_QUESTIONS} />
    </Fold>
  );
}
