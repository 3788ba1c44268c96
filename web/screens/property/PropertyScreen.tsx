'use client';

import { useRouter } from 'next/navigation';
import { memo, useMemo, useState } from 'react';
import type { PropertyPage } from '../../protocol/grounds';
import type { Change } from '../../protocol/item';
import { FilePick } from '../../ui/FilePick';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';
import { keepForLater } from '../../device/keepForLater';
import { newId } from '../tree/newId';
import { AddTree } from './AddTree';
import { BringingIn } from './BringingIn';
import { Cohorts } from './Cohorts';
import { PlanLegend } from './PlanLegend';
import { PlanView } from './PlanView';
import { PropertyNav } from './PropertyNav';
import { PropertyEdit, type PropertyActions } from './PropertyEdit';
import { OnlyHere } from './OnlyHere';
import { StalePlan } from './StalePlan';
import { TreeTable } from './TreeTable';
import { usePropertyWork, type PropertyHand } from './usePropertyWork';
import { Weather } from './Weather';
import { ServerButton, ServerFile } from '../../ui/FromServer';
import { treeHref } from '../../protocol/treeHref';
import { ToldView } from './ToldView';
import type { UnitSystem } from '@undrel/core/units';

/** A property: its plan in metres and its trees. */
export function PropertyScreen({
  page: text,
  mayMeasure,
  actions,
}: {
  /** A {@link PropertyPage} as one JSON text: cheaper to send and to read than as many small parts. */
  page: string;
  mayMeasure: boolean;
  actions: PropertyActions;
}) {
  const page = useMemo(() => JSON.parse(text) as PropertyPage, [text]);
  const router = useRouter();
  const { units } = usePreferences();
  const [marked, setMarked] = useState<string | undefined>(undefined);
  const [placing, setPlacing] = useState<string | undefined>(undefined);
  // Its form takes the keys at once: who types on loses no letter.
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState(false);
  const work = usePropertyWork(page, units);
  const { api } = work;
  const add = async (values: Change['values']) => {
    const change: Change = { kind: 'tree', id: newId(), parent: page.id, base: 0, values };
    const came = await work.save(change);
    if (came === true) router.push(`/trees/${change.id}?station=history`);
    else if (came === 'away' && (await keepForLater(change.id, change)))
      window.location.assign(treeHref(change.id, { alone: page.id }));
  };
  return (
    <div className="lg:h-dvh flex flex-col">
      <TopBar>
        <strong>{page.name}</strong>{' '}
        <span className="text-sm text-muted hidden sm:inline">{page.client}</span>
      </TopBar>
      <main className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] lg:grid-rows-1 lg:grid-cols-[minmax(0,1fr)_600px]">
        <PlanPane
          placing={placing}
          setPlacing={setPlacing}
          page={page}
          marked={marked}
          setMarked={setMarked}
          work={work}
          mayMeasure={mayMeasure}
        />
        <div className="bg-sheet p-4 lg:px-6 flex flex-col min-h-0 lg:overflow-y-auto">
          <TreesHead mayMeasure={mayMeasure} setAdding={setAdding} adding={adding} work={work} />
          <PropertyNav page={page} api={api} />
          <AboutProperty
            editing={editing}
            page={page}
            actions={actions}
            setEditing={setEditing}
            work={work}
            mayMeasure={mayMeasure}
            api={api}
          />
          <PropertyTold work={work} />
          {adding && <AddTree onAdd={add} />}
          <Weather
            record={page.weather}
            onRead={mayMeasure ? (file) => void work.readWeather(file) : undefined}
            onPlace={mayMeasure ? (typed) => void work.notePlace(typed) : undefined}
            busy={work.busy}
          />
          <OnlyHere property={page.id} />
          <Cohorts page={page} mayMeasure={mayMeasure} confirm={work.confirm} />
          <TreesListed
            page={page}
            units={units}
            api={api}
            marked={marked}
            setMarked={setMarked}
            mayMeasure={mayMeasure}
            setPlacing={setPlacing}
          />
        </div>
      </main>
    </div>
  );
}

function TreesHead({
  mayMeasure,
  setAdding,
  adding,
  work,
}: {
  mayMeasure: boolean;
  setAdding: (next: boolean) => void;
  adding: boolean;
  work: PropertyHand;
}) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      <h1 className="mr-auto">Trees</h1>
      {mayMeasure && (
        <>
          <button type="button" className="act" onClick={() => setAdding(!adding)} aria-expanded={adding}>
            Add a tree
          </button>
          <FilePick
            server
            about="File to import: CSV, GeoJSON, DXF or case file"
            label="Import"
            accept=".csv,.geojson,.json,.dxf"
            disabled={work.busy}
            onFile={(file) => void work.bring(file)}
          />
        </>
      )}
    </div>
  );
}

function AboutProperty({
  editing,
  page,
  actions,
  setEditing,
  work,
  mayMeasure,
  api,
}: {
  editing: boolean;
  page: PropertyPage;
  actions: PropertyActions;
  setEditing: (next: boolean) => void;
  work: PropertyHand;
  mayMeasure: boolean;
  api: string;
}) {
  const router = useRouter();
  return (
    <>
      {editing ? (
        <PropertyEdit
          id={page.id}
          start={{
            name: page.name,
            client: page.client ?? '',
            note: page.note ?? '',
            version: page.version,
          }}
          actions={actions}
          onDone={() => {
            setEditing(false);
            router.refresh();
          }}
          onProblem={(problem) => work.tell({ problem })}
        />
      ) : (
        <p className="text-muted mb-2">
          {page.note}{' '}
          {mayMeasure && (
            <ServerButton className="link mr-2" onClick={() => setEditing(true)}>
              Edit this property
            </ServerButton>
          )}{' '}
          <ServerFile className="link" href={`${api}/plan`}>
            Plan as GeoJSON
          </ServerFile>
        </p>
      )}
    </>
  );
}

const PlanPane = memo(function PlanPane({
  placing,
  setPlacing,
  page,
  marked,
  setMarked,
  work,
  mayMeasure,
}: {
  placing: string | undefined;
  setPlacing: (next: string | undefined) => void;
  page: PropertyPage;
  marked: string | undefined;
  setMarked: (next: string | undefined) => void;
  work: PropertyHand;
  mayMeasure: boolean;
}) {
  const name = page.trees.find((t) => t.id === placing)?.label;
  return (
    <div className="plan-pane h-[46dvh] lg:h-auto min-h-[260px] border-b-2 lg:border-b-0 lg:border-r-2 border-ink flex flex-col relative">
      {placing && (
        <p
          role="status"
          className="absolute z-10 inset-x-0 top-0 bg-wash px-4 py-2 border-b border-ink flex items-center gap-3"
        >
          Press on the plan where {name} stands.
          <button type="button" className="link" onClick={() => setPlacing(undefined)}>
            Cancel
          </button>
        </p>
      )}
      <div className="flex-1 min-h-0">
        <PlanView
          trees={page.trees}
          outlines={page.plan}
          marked={marked}
          onMark={setMarked}
          placing={placing}
          onPlace={(id, x, y) => void work.place(id, x, y).then(() => setPlacing(undefined))}
          onMove={mayMeasure ? (id, x, y) => void work.move(id, x, y) : undefined}
        />
      </div>
      <PlanLegend trees={page.trees} />
    </div>
  );
});

const TreesListed = memo(function TreesListed({
  page,
  units,
  api,
  marked,
  setMarked,
  mayMeasure,
  setPlacing,
}: {
  page: PropertyPage;
  units: UnitSystem;
  api: string;
  marked: string | undefined;
  setMarked: (next: string | undefined) => void;
  mayMeasure: boolean;
  setPlacing: (next: string | undefined) => void;
}) {
  return (
    <>
      {page.trees.length === 0 ? (
        <p className="told my-3">
          No trees yet. Add one, or import a CSV list, a GeoJSON plan or a case file.
        </p>
      ) : (
        <TreeTable
          trees={page.trees}
          system={units}
          csvHref={`${api}/trees`}
          marked={marked}
          onMark={setMarked}
          onPlace={mayMeasure ? setPlacing : undefined}
        />
      )}
    </>
  );
});

/** What came of the last thing that was done, and what is being done. */
function PropertyTold({ work }: { work: PropertyHand }) {
  const { told, reading, stale } = work;
  return (
    <>
      {stale && (
        <StalePlan
          sides={stale.sides}
          onTheirs={work.keepTheirs}
          onMine={() => void work.bring(stale.file, stale.sides.version)}
        />
      )}
      {reading && <BringingIn file={reading.file} onStop={() => reading.stop.abort()} />}
      {told && <ToldView told={told} onClose={() => work.tell(undefined)} />}
    </>
  );
}
