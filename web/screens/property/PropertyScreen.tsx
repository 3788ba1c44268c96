'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import { Notice } from '../../ui/Notice';
import type { PlanSides, PropertyPage } from '../../protocol/grounds';
import type { Change, ChangeResult } from '../../protocol/item';
import { formatLength, longUnit } from '@undrel/core/units';
import { FilePick } from '../../ui/FilePick';
import { megabytes } from '../../device/megabytes';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';
import { keepForLater } from '../../device/keepForLater';
import { newId } from '../tree/newId';
import { AddTree } from './AddTree';
import { Cohorts } from './Cohorts';
import { PlanLegend } from './PlanLegend';
import { PlanView } from './PlanView';
import { PropertyEdit, type PropertyActions } from './PropertyEdit';
import { OnlyHere } from './OnlyHere';
import { StalePlan } from './StalePlan';
import { TakeAlong } from './TakeAlong';
import { TreeTable } from './TreeTable';
import { Weather, type PlaceTyped } from './Weather';
import { ServerButton, ServerFile } from '../../ui/FromServer';
import { treeHref } from '../../protocol/treeHref';
import { ToldView, type Told } from './ToldView';

/** A property: its plan in metres and its trees. */
export function PropertyScreen({
  page,
  mayMeasure,
  actions,
}: {
  page: PropertyPage;
  mayMeasure: boolean;
  actions: PropertyActions;
}) {
  const router = useRouter();
  const { units } = usePreferences();
  const [marked, setMarked] = useState<string | undefined>(undefined);
  const [placing, setPlacing] = useState<string | undefined>(undefined);
  const [told, setTold] = useState<Told | undefined>(undefined);
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState(false);
  const [busy, setBusy] = useState(false);
  const [reading, setReading] = useState<{ file: File; stop: AbortController } | undefined>(undefined);
  const [stale, setStale] = useState<{ file: File; sides: PlanSides } | undefined>(undefined);
  const api = `/api/properties/${page.id}`;

  const save = async (change: Change): Promise<boolean | 'away'> => {
    const answer = await fetch('/api/changes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ changes: [change] }),
    }).catch(() => undefined);
    const result = answer?.ok ? ((await answer.json()) as { results: ChangeResult[] }).results[0] : undefined;
    if (result?.status === 'saved') return true;
    if (!answer) {
      setTold({ problem: 'The server could not be reached; nothing was changed. Try again.' });
      return 'away';
    }
    setTold({
      problem:
        result?.status === 'refused'
          ? result.problem
          : result?.status === 'stale'
            ? 'Someone else has changed this tree; the page shows it now. Try again.'
            : 'The server could not be reached; nothing was changed. Try again.',
    });
    return false;
  };
  const confirm = async (name: string, ids: readonly string[]): Promise<boolean> => {
    const answer = await fetch(`${api}/trees`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ cohort: { name, ids } }),
    }).catch(() => undefined);
    if (!answer?.ok) setTold({ problem: 'The trees could not be grouped; nothing was changed.' });
    return answer?.ok ?? false;
  };
  const place = async (id: string, x: number, y: number): Promise<boolean> => {
    const answer = await fetch(`${api}/trees`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ place: { id, x, y } }),
    }).catch(() => undefined);
    setPlacing(undefined);
    if (!answer?.ok) setTold({ problem: 'The tree could not be placed; nothing was changed.' });
    if (answer) router.refresh();
    return answer?.ok ?? false;
  };
  const move = async (id: string, x: number, y: number) => {
    const tree = page.trees.find((t) => t.id === id);
    if (!tree || tree.x === undefined || tree.y === undefined) return;
    const from = { x: tree.x, y: tree.y };
    if (!(await place(id, x, y))) return;
    const far = formatLength(Math.hypot(x - from.x, y - from.y), longUnit(units), 0.1);
    setTold({
      done: `${tree.label} moved ${far}.`,
      undo: () => void place(id, from.x, from.y).then((ok) => ok && setTold(undefined)),
    });
  };
  const bring = async (file: File, base = page.version) => {
    const stop = new AbortController();
    setBusy(true);
    setReading({ file, stop });
    setTold(undefined);
    setStale(undefined);
    const isCsv = /\.csv$/i.test(file.name);
    const isDxf = /\.dxf$/i.test(file.name);
    const isPlan = isDxf || /\.geojson$/i.test(file.name);
    const answer = await fetch(
      isCsv ? `${api}/trees` : isPlan ? `${api}/plan?base=${base}` : `${api}/cases`,
      {
        method: 'POST',
        signal: stop.signal,
        headers: { 'content-type': isCsv ? 'text/csv' : isDxf ? 'image/vnd.dxf' : 'application/json' },
        body: await file.arrayBuffer(),
      },
    ).catch(() => undefined);
    const read = (await answer?.json().catch(() => undefined)) as (Told & { stale?: PlanSides }) | undefined;
    if (read?.stale) setStale({ file, sides: read.stale });
    else if (stop.signal.aborted)
      setTold({ problem: `Stopped. ${file.name} comes in whole or not at all; the list shows which.` });
    else setTold(read ?? { problem: 'The server could not be reached; nothing was imported. Try again.' });
    setBusy(false);
    setReading(undefined);
    // Without network a refresh would leave the page.
    if (answer || stop.signal.aborted) router.refresh();
  };
  const notePlace = async (typed: PlaceTyped) => {
    setBusy(true);
    setTold(undefined);
    const answer = await fetch(`${api}/weather`, { method: 'PUT', body: JSON.stringify(typed) }).catch(
      () => undefined,
    );
    const said = (await answer?.json().catch(() => undefined)) as Told | undefined;
    setTold(said ?? { problem: 'The server could not be reached; what you typed is still here. Try again.' });
    setBusy(false);
    if (answer) router.refresh();
  };
  const readWeather = async (file?: File) => {
    setBusy(true);
    setTold(undefined);
    const answer = await fetch(`${api}/weather?name=${encodeURIComponent(file?.name ?? '')}`, {
      method: 'POST',
      ...(file && { headers: { 'content-type': 'text/csv' }, body: await file.arrayBuffer() }),
    }).catch(() => undefined);
    const read = (await answer?.json().catch(() => undefined)) as Told | undefined;
    setTold(read ?? { problem: 'The weather record could not be reached; nothing was changed. Try again.' });
    setBusy(false);
    // Without network a refresh would leave the page.
    if (answer) router.refresh();
  };
  const name = page.trees.find((t) => t.id === placing)?.label;
  return (
    <div className="lg:h-dvh flex flex-col">
      <TopBar>
        <strong>{page.name}</strong>{' '}
        <span className="text-sm text-muted hidden sm:inline">{page.client}</span>
      </TopBar>
      <main className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_600px]">
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
              onPlace={(id, x, y) => void place(id, x, y)}
              onMove={mayMeasure ? (id, x, y) => void move(id, x, y) : undefined}
            />
          </div>
          <PlanLegend trees={page.trees} />
        </div>
        <div className="bg-sheet p-4 lg:px-6 flex flex-col min-h-0">
          <div className="flex flex-wrap items-center gap-2">
            <h1 className="mr-auto">Trees</h1>
            {mayMeasure && (
              <>
                <button
                  type="button"
                  className="act"
                  onClick={() => setAdding(!adding)}
                  aria-expanded={adding}
                >
                  Add a tree
                </button>
                <FilePick
                  server
                  about="File to import: CSV, GeoJSON, DXF or case file"
                  label="Import"
                  accept=".csv,.geojson,.json,.dxf"
                  disabled={busy}
                  onFile={(file) => void bring(file)}
                />
              </>
            )}
          </div>
          <nav aria-label="Of this property" className="flex flex-wrap gap-x-4 border-b border-hair mb-2">
            {PAGES.map(({ path, label }) => (
              <PageLink
                key={path}
                className="min-h-[44px] inline-flex items-center"
                href={`/grounds/${page.id}/${path}`}
              >
                {label}
              </PageLink>
            ))}
            {page.trees.length > 0 && (
              <ServerFile className="min-h-[44px] inline-flex items-center" href={`${api}/labels`}>
                Labels
              </ServerFile>
            )}
            <TakeAlong property={page.id} name={page.name} trees={page.trees.length} />
          </nav>
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
              onProblem={(problem) => setTold({ problem })}
            />
          ) : (
            <p className="text-muted mb-2">
              {page.note}{' '}
              {mayMeasure && (
                <ServerButton className="link" onClick={() => setEditing(true)}>
                  Edit this property
                </ServerButton>
              )}{' '}
              <ServerFile className="link" href={`${api}/plan`}>
                Plan as GeoJSON
              </ServerFile>
            </p>
          )}
          {stale && (
            <StalePlan
              sides={stale.sides}
              onTheirs={() => setStale(undefined)}
              onMine={() => void bring(stale.file, stale.sides.version)}
            />
          )}
          {reading && (
            <Notice label="Bringing in" closes="Stop" onClose={() => reading.stop.abort()}>
              <p>
                Bringing in {reading.file.name}, {megabytes(reading.file.size)} …
              </p>
              <progress
                className="w-full h-3 accent-todo mt-2"
                aria-label={`Bringing in ${reading.file.name}`}
              />
            </Notice>
          )}
          {told && <ToldView told={told} onClose={() => setTold(undefined)} />}
          {adding && (
            <AddTree
              onAdd={async (values) => {
                const change: Change = { kind: 'tree', id: newId(), parent: page.id, base: 0, values };
                const came = await save(change);
                if (came === true) router.push(`/trees/${change.id}?station=history`);
                else if (came === 'away' && (await keepForLater(change.id, change)))
                  window.location.assign(treeHref(change.id, { alone: page.id }));
              }}
            />
          )}
          <Weather
            record={page.weather}
            onRead={mayMeasure ? (file) => void readWeather(file) : undefined}
            onPlace={mayMeasure ? (typed) => void notePlace(typed) : undefined}
            busy={busy}
          />
          <OnlyHere property={page.id} />
          <Cohorts page={page} mayMeasure={mayMeasure} confirm={confirm} />
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
        </div>
      </main>
    </div>
  );
}

/** What else there is of a property, in the order in which it is used. */
const PAGES = [
  { path: 'walk', label: 'Walk-round' },
  { path: 'work', label: 'Work and costs' },
  { path: 'water', label: 'Water' },
  { path: 'materials', label: 'Materials' },
  { path: 'notice', label: 'Mowing notice' },
  { path: 'schools', label: 'Schools' },
] as const;
