'use client';

import { bearingName, GROUND_QUESTIONS } from '@undrel/core/questions';
import { useRef, useState, type FormEvent } from 'react';
import { formatValue, shortUnit, type UnitSystem } from '@undrel/core/units';
import { Entry } from '../../../ui/controls/Entry';
import { itemsBelow } from '../../../protocol/item';
import { lengthText } from '../../../ui/controls/LengthInput';
import { QuantityView } from '../../../ui/controls/QuantityView';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { Contradictions } from './Contradictions';
import { readDraft, type Draft, type DraftProblem } from './probe/draft';
import type { ProbePoint } from '@undrel/core/records';
import { FromPictures } from './probe/FromPictures';
import { Questions } from '../asked/Questions';
import type { CollarResult } from '@undrel/core/profile';
import { ProbeForm } from './probe/ProbeForm';
import { ProbeTable } from './probe/ProbeTable';

/** A push of the rod in a line: bearing, distance, depth, Enter; the bearing moves on to the next eighth. */
export function Probe(props: StationProps) {
  const { control, visitId, profile, system, mayMeasure } = props;
  const unit = shortUnit(system);
  const points = itemsBelow(control.items, 'probe', visitId).sort(
    (a, b) => a.values.bearing - b.values.bearing || a.values.distance - b.values.distance,
  );
  const first: Draft = {
    bearing: 'N',
    distance: lengthText(0.1, unit),
    depth: '',
    found: 'root',
    from: 'grade',
  };
  const [draft, setDraft] = useState<Draft>(first);
  const [editing, setEditing] = useState<string | undefined>(undefined);
  const [problems, setProblems] = useState<readonly DraftProblem[]>([]);
  const depthInput = useRef<HTMLInputElement>(null);

  const save = (event: FormEvent) => {
    event.preventDefault();
    const { problems: wrong, push } = readDraft(draft, unit);
    setProblems(wrong);
    if (wrong[0]) document.getElementById(`probe-${wrong[0].field}`)?.focus();
    if (!push) return;
    control.set('probe', editing ?? newId(), visitId, push);
    const next = (Math.round(push.bearing / 45) * 45 + 45) % 360;
    setDraft({ ...draft, bearing: editing ? draft.bearing : bearingName(next), depth: '', found: 'root' });
    setEditing(undefined);
    depthInput.current?.focus();
  };
  const correct = (id: string, push: ProbePoint) => {
    setEditing(id);
    setDraft({
      bearing: bearingName(push.bearing).replace('°', ''),
      distance: lengthText(push.distance, unit),
      depth: lengthText(push.depth, unit),
      found: push.found,
      from: push.from,
    });
    depthInput.current?.focus();
  };
  const { collar } = profile;
  const toGo = Math.max(0, 8 - new Set(points.map((p) => p.values.bearing)).size);
  return (
    <Entry>
      <h1>Probe</h1>
      <p className="text-muted mb-3">
        Thin rod to the first woody root, depths below grade. Above grade is negative.
      </p>
      {mayMeasure && (
        <ProbeForm
          save={save}
          editing={editing}
          problems={problems}
          depthInput={depthInput}
          unit={unit}
          draft={draft}
          setDraft={setDraft}
        />
      )}
      {collar ? (
        <CollarMet collar={collar} system={system} toGo={toGo} />
      ) : (
        <p className="told my-4">No root met yet. Start close to the bark and work round, eight bearings.</p>
      )}
      <FromPictures {...props} points={points.map((p) => p.values)} />
      {points.length > 0 && <Contradictions station="probe" profile={profile} system={system} reserved />}
      {points.length > 0 && (
        <ProbeTable
          points={points}
          editing={editing}
          system={system}
          mayMeasure={mayMeasure}
          onCorrect={correct}
          onRemove={(id) => control.set('probe', id, visitId, null)}
        />
      )}
      <Questions {...props} questions={GROUND_QUESTIONS.filter((q) => q.station === 'probe')} />
    </Entry>
  );
}

function CollarMet({ collar, system, toGo }: { collar: CollarResult; system: UnitSystem; toGo: number }) {
  return (
    <div className="border-l-[6px] border-buried pl-3 my-4">
      <p className="flex flex-wrap items-baseline gap-x-2">
        <strong>Collar depth</strong> <QuantityView quantity={collar.depth} system={system} big />
      </p>
      <p>
        from {formatValue(collar.shallowest.value, 'short length', system)} (
        {bearingName(collar.shallowest.bearing)}) to{' '}
        {formatValue(collar.deepest.value, 'short length', system)} ({bearingName(collar.deepest.bearing)}
        ), {collar.byBearing.length} bearings
      </p>
      {toGo > 0 && <p className="text-muted">{toGo} more bearings would narrow it.</p>}
    </div>
  );
}
