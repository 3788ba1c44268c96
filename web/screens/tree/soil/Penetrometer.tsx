'use client';

import dynamic from 'next/dynamic';
import Papa from 'papaparse';
import { useEffect, useMemo, useState } from 'react';
import type { Push } from '@undrel/core/records';
import { bearingName } from '@undrel/core/questions';
import {
  isForce,
  layoutOf,
  MOISTURES,
  pushesFromRows,
  pushesToRows,
  readPushes,
  ROOM,
  type Cone,
  type PushLayout,
} from '@undrel/core/soil';
import { soilMap } from '@undrel/core/trenching';
import { formatValue, writeLengths } from '@undrel/core/units';
import {
  CONNECTIONS,
  connectionsHere,
  isSimulated,
  type Connection,
} from '../../../device/connectPenetrometer';
import { Said } from '../../../ui/Said';
import { FileNotice } from '../../../ui/Notice';
import { itemsBelow } from '../../../protocol/item';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { FilePick } from '../../../ui/FilePick';
import { keepFile } from '../../../ui/keepFile';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { PushMap } from './PushMap';
import { usePush } from './usePush';
import { Select } from '../../../ui/controls/Select';
import { Layout, whole, type Unclear } from './PushLayoutForm';

const PushChart = dynamic(() => import('./PushChart').then((m) => m.PushChart), { ssr: false });

const LAYOUTS = 'undrel.penetrometer-layouts';
const known = (heads: readonly string[]): PushLayout | undefined => {
  const kept = JSON.parse(localStorage.getItem(LAYOUTS) ?? '{}') as Record<string, PushLayout>;
  return kept[heads.join('\t')];
};
const remember = (heads: readonly string[], layout: PushLayout) => {
  const kept = JSON.parse(localStorage.getItem(LAYOUTS) ?? '{}') as Record<string, PushLayout>;
  localStorage.setItem(LAYOUTS, JSON.stringify({ ...kept, [heads.join('\t')]: layout }));
};
/** Pushes of the penetrometer: made with the device, brought in from its file, and what they come to. */
export function Penetrometer(props: StationProps) {
  const { control, visitId, visit, tree, system, mayMeasure } = props;
  const items = itemsBelow(control.items, 'push', visitId);
  const pushes = useMemo(() => visit.pushes ?? [], [visit]);
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const hole = visit.trenches?.holeRadius;
  const reading = useMemo(
    () => readPushes(pushes, hole === undefined ? undefined : hole - stem),
    [pushes, hole, stem],
  );
  const map = useMemo(() => soilMap(pushes, stem), [pushes, stem]);
  const [bearing, setBearing] = useState<number | undefined>(undefined);
  const [distance, setDistance] = useState<number | undefined>(undefined);
  const [moisture, setMoisture] = useState<Push['moisture']>(undefined);
  const { running, start: push, cancel } = usePush();
  const [connection, setConnection] = useState<Connection>('simulated-cable');
  const [here, setHere] = useState<readonly Connection[]>(['simulated-cable']);
  useEffect(() => setHere(connectionsHere()), []);
  const [told, setTold] = useState<string[]>([]);
  const [unclear, setUnclear] = useState<Unclear | undefined>(undefined);
  const [cone, setCone] = useState<Cone | undefined>(undefined);

  const start = () => {
    const place = { bearing: bearing!, distance: distance! };
    setTold([]);
    push(
      connection,
      `${visitId} ${place.bearing} ${place.distance}`,
      (made) => {
        control.set('push', newId(), visitId, { ...place, ...made, ...(moisture && { moisture }) });
        setBearing(undefined);
      },
      (why) => setTold([why]),
    );
  };
  const take = (heads: string[], rows: Record<string, string>[], layout: PushLayout) => {
    if (isForce(layout.load.unit) && !cone) {
      setUnclear({ heads, rows, layout });
      setTold(['The file gives forces: which cone was on?']);
      return;
    }
    const read = pushesFromRows(rows, layout, cone);
    remember(heads, layout);
    setUnclear(undefined);
    control.setAll(
      read.pushes.map((push) => ({
        kind: 'push' as const,
        id: newId(),
        parent: visitId,
        values: { ...push, ...(moisture && { moisture }) },
      })),
    );
    setTold([
      `${read.pushes.length} ${read.pushes.length === 1 ? 'push' : 'pushes'} imported.`,
      ...read.notes,
    ]);
  };
  const bring = async (file: File) => {
    const { data, meta } = Papa.parse<Record<string, string>>(await file.text(), {
      header: true,
      skipEmptyLines: 'greedy',
    });
    const heads = meta.fields ?? [];
    const layout = known(heads) ?? layoutOf(heads);
    if (whole(layout)) return take(heads, data, layout);
    setUnclear({ heads, rows: data, layout });
    setTold(['The heads of this file do not say all: which column is which?']);
  };
  const short = (metres: number) => formatValue(metres, 'short length', system);
  return (
    <section className="my-4" aria-label="Penetrometer">
      <h2>Penetrometer</h2>
      {reading && (
        <>
          <p className="text-lg my-1" data-testid="tightness">
            <strong>2 MPa at {short(reading.depth.median)}</strong> ({short(reading.depth.low)} to{' '}
            {short(reading.depth.high)}); {Math.round(100 * reading.limited)}% of {reading.pushes}{' '}
            {reading.pushes === 1 ? 'push' : 'pushes'} limited within {short(ROOM)}.{' '}
            {writeLengths(reading.says, system)}
          </p>
          {reading.dry > 0 && (
            <p className="told my-1">
              {reading.dry} of {reading.pushes} pushed in dry soil, which resists more than moist soil does:
              push again after rain before the ground is called compacted.
            </p>
          )}
          <p className="text-sm text-muted">
            Resistance is of the soil as moist as it was that day: dry soil resists more, wet soil less. 2 MPa
            stops roots in moist soil (ASAE S313).
          </p>
        </>
      )}
      {(reading || running) && (
        <div className="h-64">
          <PushChart rows={reading?.profile ?? []} running={running ?? []} system={system} />
        </div>
      )}
      {map && <PushMap map={map} pushes={pushes} stemRadius={stem} system={system} />}
      {mayMeasure && (
        <>
          <div className="space-y-2">
            <Select
              label="Penetrometer"
              options={CONNECTIONS.filter((c) => here.includes(c.key))}
              value={connection}
              disabled={running !== undefined}
              onChange={(chosen) => setConnection(chosen ?? 'simulated-cable')}
            />
            <Select
              label="Soil as it is pushed"
              options={MOISTURES.filter((m) => m.key !== 'water')}
              value={moisture}
              onChange={setMoisture}
              empty="not noted"
            />
          </div>
          <div className="grid grid-cols-[1fr_1fr_auto] gap-2 items-end my-2">
            <BearingInput label="Push at" value={bearing} onChange={setBearing} />
            <LengthInput
              field="distance"
              label="How far out"
              system={system}
              value={distance}
              onChange={setDistance}
            />
            {running ? (
              <button type="button" className="quiet" onClick={cancel}>
                Cancel
              </button>
            ) : (
              <button
                type="button"
                className="act"
                disabled={bearing === undefined || distance === undefined}
                onClick={start}
              >
                Push
              </button>
            )}
          </div>
          <Said
            told={
              running ? (
                <>
                  Going down: {short(running.at(-1)?.depth ?? 0)},{' '}
                  {((running.at(-1)?.pressure ?? 0) / 1e6).toFixed(1)} MPa
                </>
              ) : (
                <span className="text-sm text-muted">
                  {isSimulated(connection) && 'No device is connected: pushes are simulated. '}
                  Locate buried lines before any push.
                </span>
              )
            }
          />
          <div className="flex flex-wrap gap-2 my-2">
            <FilePick
              about="Pushes to import: CSV of a penetrometer"
              label="Bring pushes in"
              accept=".csv,.txt"
              onFile={(file) => void bring(file)}
            />
            {pushes.length > 0 && (
              <button
                type="button"
                className="quiet"
                onClick={() =>
                  keepFile(
                    Papa.unparse(pushesToRows(pushes), { escapeFormulae: true }),
                    'pushes.csv',
                    'text/csv',
                  )
                }
              >
                Pushes as CSV
              </button>
            )}
          </div>
        </>
      )}
      <FileNotice lines={told} onClose={() => setTold([])} />
      {unclear && (
        <Layout
          unclear={unclear}
          cone={cone}
          onCone={setCone}
          onTake={(layout) => take(unclear.heads, unclear.rows, layout)}
          onLeave={() => setUnclear(undefined)}
        />
      )}
      {items.length > 0 && (
        <details>
          <summary className="min-h-[44px] flex items-center cursor-pointer text-todo underline underline-offset-4">
            {items.length} {items.length === 1 ? 'push' : 'pushes'}
          </summary>
          <ul>
            {items.map(({ id, values }) => (
              <li key={id} className="flex items-baseline gap-3 border-b border-hair py-1">
                <span className="num w-16">{bearingName(values.bearing)}</span>
                <span className="num flex-1">{short(values.distance)} out</span>
                <span className="flex-1">
                  {values.stopped !== undefined
                    ? `stopped at ${short(values.stopped)}`
                    : `to ${short(values.readings.at(-1)?.depth ?? 0)}`}
                  {values.moisture && `, ${values.moisture}`}
                </span>
                {mayMeasure && (
                  <button
                    type="button"
                    className="link min-h-[44px]"
                    aria-label={`Remove the push at ${bearingName(values.bearing)}, ${short(values.distance)} out`}
                    onClick={() => control.set('push', id, visitId, null)}
                  >
                    Remove
                  </button>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
