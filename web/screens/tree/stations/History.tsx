'use client';

import { DayInput } from '../../../ui/controls/DayInput';
import { useRouter } from 'next/navigation';
import { headOf, type Stock, type Tree, type Visit, type VisitHead } from '@undrel/core/records';
import { HISTORY_ALL } from '@undrel/core/questions';
import { speciesListed, speciesSays, type Species } from '@undrel/core/species';
import type { LengthField } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Entry } from '../../../ui/controls/Entry';
import { Choice } from '../../../ui/controls/Choice';
import { LengthInput } from '../../../ui/controls/LengthInput';
import type { StationProps } from '../visitEntry';
import { WhereItStands } from '../where/WhereItStands';
import { Questions } from '../asked/Questions';
import { ServerFile } from '../../../ui/FromServer';
import { treeHref } from '../../../protocol/treeHref';
import { Events } from './HistoryEvents';
import type { CaseHand } from '../../../device/useCase';
import { YearPlanted } from './history/YearPlanted';
import { PlantedAs } from './history/TreeFacts';
import { Text } from './history/Text';

const STOCK: readonly { key: Stock; label: string }[] = [
  { key: 'container', label: 'container' },
  { key: 'balled-and-burlapped', label: 'balled and burlapped' },
  { key: 'bare-root', label: 'bare root' },
  { key: 'field-grown', label: 'field grown' },
];

const SIZES: readonly { field: keyof Tree & LengthField; label: string }[] = [
  { field: 'stemDiameter', label: 'Stem at the base' },
  { field: 'dbh', label: 'DBH' },
  { field: 'height', label: 'Height' },
  { field: 'crownRadius', label: 'Crown radius' },
  { field: 'mulchRoom', label: 'Room for mulch' },
];

export function History(props: StationProps) {
  const { control, treeId, tree, treeItem, visit, visitId, system, mayMeasure, today } = props;
  const write = (change: Partial<Tree>) =>
    control.set('tree', treeId, treeItem.parent, { ...tree, ...change });
  const head = headOf(visit);
  return (
    <Entry>
      <h1>History</h1>
      <SpeciesKnown own={props.house.species} />
      <p className="text-muted mb-3">What is it, since when, and what happened to it.</p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Text
          label="Label"
          value={tree.label}
          disabled={!mayMeasure}
          onChange={(label) => label.trim() && write({ label })}
        />
        <Text
          label="Species"
          value={tree.species}
          disabled={!mayMeasure}
          list="species-known"
          onChange={(species) => write({ species })}
        />
        <p className="col-span-2 text-sm text-muted h-[3.9rem] overflow-y-auto" data-testid="species-says">
          {speciesSays(tree.species, props.house.species)}.
        </p>
        <YearPlanted tree={tree} today={today} disabled={!mayMeasure} write={write} />
        {SIZES.map(({ field, label }) => (
          <LengthInput
            key={field}
            field={field}
            label={label}
            system={system}
            value={tree[field] as number | undefined}
            onChange={(metres) => write({ [field]: metres })}
            disabled={!mayMeasure}
          />
        ))}
      </div>
      <Choice
        label="Nursery stock"
        options={STOCK}
        value={tree.stock}
        disabled={!mayMeasure}
        onChange={(stock) => write({ stock: stock as Stock | undefined })}
      />
      <PlantedAs tree={tree} mayMeasure={mayMeasure} write={write} />
      <WhereItStands {...props} />
      <Events {...props} />
      <section className="mt-4">
        <h2 className="mb-1">Asked of the owner</h2>
        <Questions key={visitId} {...props} questions={HISTORY_ALL} />
      </section>
      <h2 className="mt-5 mb-1">This visit</h2>
      <ThisVisit
        visit={visit}
        today={today}
        mayMeasure={mayMeasure}
        control={control}
        visitId={visitId}
        treeId={treeId}
        head={head}
      />
      <HistoryLinks
        treeId={treeId}
        visitId={visitId}
        alone={props.alone}
        mayJudge={props.mayJudge}
        props={props}
      />
    </Entry>
  );
}

/** Takes the tree out of view, with one press to undo on the page that follows. */
function RemoveTree({ control, treeId, tree, treeItem }: StationProps) {
  const router = useRouter();
  return (
    <button
      type="button"
      className="link"
      onClick={async () => {
        control.set('tree', treeId, treeItem.parent, null);
        await new Promise((done) => setTimeout(done));
        if (await control.flush())
          router.push(`/grounds?tree=${treeId}&name=${encodeURIComponent(tree.label)}`);
        else control.undo();
      }}
    >
      Remove this tree
    </button>
  );
}

/** Every species of the table by each of its names; another may be typed. */
function SpeciesKnown({ own = [] }: { own?: readonly Species[] }) {
  return (
    <datalist id="species-known">
      {speciesListed(own).flatMap((s) =>
        (s.common.length > 0 ? s.common : ['']).map((common) => (
          <option key={`${s.name} ${common}`} value={s.name}>
            {common}
          </option>
        )),
      )}
    </datalist>
  );
}

function ThisVisit({
  visit,
  today,
  mayMeasure,
  control,
  visitId,
  treeId,
  head,
}: {
  visit: Visit;
  today: string;
  mayMeasure: boolean;
  control: CaseHand;
  visitId: string;
  treeId: string;
  head: VisitHead;
}) {
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <DayInput
          label="Date"
          value={visit.date}
          max={today}
          disabled={!mayMeasure}
          onChange={(date) => date && control.set('visit', visitId, treeId, { ...head, date })}
        />
        <Text
          label="By"
          value={visit.by ?? ''}
          disabled={!mayMeasure}
          onChange={(by) => control.set('visit', visitId, treeId, { ...head, by: by || undefined })}
        />
      </div>
      <label className="block mt-2">
        <span className="text-sm">What the client sees, since when</span>
        <textarea
          className="w-full"
          rows={3}
          disabled={!mayMeasure}
          value={visit.note ?? ''}
          onChange={(event) =>
            control.set('visit', visitId, treeId, { ...head, note: event.target.value || undefined })
          }
        />
      </label>
    </>
  );
}

function HistoryLinks({
  treeId,
  visitId,
  alone,
  mayJudge,
  props,
}: {
  treeId: string;
  visitId: string;
  alone: string | undefined;
  mayJudge: boolean;
  props: StationProps;
}) {
  return (
    <p className="mt-4 flex flex-wrap gap-x-5">
      <PageLink className="inline-flex items-center min-h-[44px] mr-4" href={`/trees/${treeId}/time`}>
        Through time
      </PageLink>
      <PageLink
        className="inline-flex items-center min-h-[44px] mr-4"
        href={treeHref(treeId, { page: 'pictures', visit: visitId, alone: alone })}
      >
        Pictures
      </PageLink>
      <PageLink className="inline-flex items-center min-h-[44px]" href={`/trees/${treeId}/record`}>
        Record of changes
      </PageLink>
      {mayJudge && <RemoveTree {...props} />}
      <ServerFile className="inline-flex items-center min-h-[44px]" href={`/api/trees/${treeId}/case`}>
        Case file (JSON)
      </ServerFile>
    </p>
  );
}
