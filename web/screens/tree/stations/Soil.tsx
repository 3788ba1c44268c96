'use client';

import { groundVerdict } from '@undrel/core/soil';
import { GROUND_QUESTIONS } from '@undrel/core/questions';
import { writeLengths } from '@undrel/core/units';
import { Entry } from '../../../ui/controls/Entry';
import { Penetrometer } from '../soil/Penetrometer';
import { SoilLogs } from '../soil/SoilLogs';
import { SoilWater } from '../soil/SoilWater';
import type { StationProps } from '../visitEntry';
import { Questions } from '../asked/Questions';
import { SoilSample } from './SoilSample';

/** The ground: what kind it is and why, then its layers, how hard it is, how it takes water, and the laboratory. */
export function Soil(props: StationProps) {
  const { tree, visit, system, referenceGround } = props;
  const verdict = groundVerdict(tree, visit);
  return (
    <Entry>
      <h1>Soil</h1>
      {verdict ? (
        <div className="border-l-[6px] border-ink pl-3 my-3" data-testid="ground">
          <p className="text-2xl font-bold">{verdict.title}</p>
          <ul>
            {verdict.reasons.map((reason) => (
              <li key={reason}>{writeLengths(reason, system)}</li>
            ))}
          </ul>
          {verdict.missing.length > 0 && (
            <p className="text-muted">To be surer: {verdict.missing.join('; ')}.</p>
          )}
        </div>
      ) : (
        <p className="told my-3">
          How far down does it stay open, and where does water stand? A few holes of the soil probe, three
          pushes of the penetrometer and a filled hole read a day later answer that.
        </p>
      )}
      <SoilLogs {...props} elsewhere={referenceGround} />
      <Penetrometer {...props} />
      <SoilWater {...props} />
      <Questions {...props} questions={GROUND_QUESTIONS.filter((q) => q.station === 'soil')} />
      <SoilSample {...props} />
    </Entry>
  );
}
