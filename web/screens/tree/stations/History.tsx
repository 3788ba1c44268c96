'use client';

import { DayInput } from '../../../ui/controls/DayInput';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Stock, Tree } from '@undrel/core/records';
import { HISTORY_ALL } from '@undrel/core/questions';
import { speciesListed, speciesSays, type Species } from '@undrel/core/species';
import type { LengthField } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Entry } from '../../../ui/controls/Entry';
import { Choice } from '../../../ui/controls/Choice';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { headOf, type StationProps } from '../visitEntry';
import { WhereItStands } from '../where/WhereItStands';
import { Questions } from '../asked/Questions';
import { ServerFile } from '../../../ui/FromServer';
import { treeHref } from '../../../protocol/treeHref';
import { Events } from './HistoryEvents';

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
  const [year, setYear] = useState<string | undefined>(undefined);
  const planted = year ?? (tree.plantedYear === undefined ? '' : String(tree.plantedYear));
  const newest = Number(today.slice(0, 4));
  const yearWrong =
    year !== undefined &&
    year !== '' &&
    !(/^\d{4}$/.test(year) && Number(year) >= 1700 && Number(year) <= newest);
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
        <div>
          <label htmlFor="planted" className="block text-sm">
            Year planted
          </label>
          <NotedInput
            note={yearWrong && `Year planted: ${year} is outside 1700 to ${newest}.`}
            id="planted"
            className="num w-full text-right"
            inputMode="numeric"
            disabled={!mayMeasure}
            value={planted}
            onBlur={() => !yearWrong && setYear(undefined)}
            onChange={(event) => {
              const text = event.target.value;
              setYear(text);
              if (text === '') write({ plantedYear: undefined });
              else if (/^\d{4}$/.test(text) && Number(text) >= 1700 && Number(text) <= newest)
                write({ plantedYear: Number(text) });
            }}
          />
        </div>
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
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 mt-2">
        <Text
          label="Planted by"
          value={tree.planter ?? ''}
          disabled={!mayMeasure}
          onChange={(planter) => write({ planter: planter.trim() || undefined })}
        />
        <Text
          label="Planted together with"
          value={tree.cohort ?? ''}
          disabled={!mayMeasure}
          onChange={(cohort) => write({ cohort: cohort.trim() || undefined })}
        />
      </div>
      <label className="flex items-center gap-2 min-h-[44px]">
        <input
          type="checkbox"
          checked={tree.reference === true}
          disabled={!mayMeasure}
          onChange={(event) => write({ reference: event.target.checked || undefined })}
        />
        Healthy reference for others of its species
      </label>
      <WhereItStands {...props} />
      <Events {...props} />
      <section className="mt-4">
        <h2 className="mb-1">Asked of the owner</h2>
        <Questions key={visitId} {...props} questions={HISTORY_ALL} />
      </section>
      <h2 className="mt-5 mb-1">This visit</h2>
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
      <p className="mt-4 flex flex-wrap gap-x-5">
        <PageLink className="inline-flex items-center min-h-[44px] mr-4" href={`/trees/${treeId}/time`}>
          Through time
        </PageLink>
        <PageLink
          className="inline-flex items-center min-h-[44px] mr-4"
          href={treeHref(treeId, { page: 'pictures', visit: visitId, alone: props.alone })}
        >
          Pictures
        </PageLink>
        <PageLink className="inline-flex items-center min-h-[44px]" href={`/trees/${treeId}/record`}>
          Record of changes
        </PageLink>
        {props.mayJudge && <RemoveTree {...props} />}
        <ServerFile className="inline-flex items-center min-h-[44px]" href={`/api/trees/${treeId}/case`}>
          Case file (JSON)
        </ServerFile>
      </p>
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

function Text(props: {
  label: string;
  value: string;
  /** Id of a list of what it may be. */
  list?: string;
  disabled: boolean;
  onChange: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  return (
    <label className="block">
      <span className="block text-sm">{props.label}</span>
      <input
        className="w-full"
        type="text"
        list={props.list}
        disabled={props.disabled}
        value={typed ?? props.value}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          props.onChange(event.target.value);
        }}
      />
    </label>
  );
}
