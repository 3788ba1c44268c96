'use client';

import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import type { Push } from '@undrel/core/records';
import { readPushes, ROOM, type PenetrationReading } from '@undrel/core/soil';
import { soilMap } from '@undrel/core/trenching';
import { formatValue, ROOTS_STOP, writeLengths, type UnitSystem } from '@undrel/core/units';
import { FileNotice } from '../../../ui/Notice';
import { itemsBelow } from '../../../protocol/item';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { PushMap } from './PushMap';
import { usePush } from './usePush';
import { Layout } from './PushLayoutForm';
import { PushForm } from './PushForm';
import { PushFiles, PushList } from './PushList';
import { usePushFile } from './usePushFile';

const PushChart = dynamic(() => import('./PushChart').then((m) => m.PushChart), { ssr: false });

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
  const [moisture, setMoisture] = useState<Push['moisture']>(undefined);
  const device = usePush();
  const keep = (made: readonly Push[]) =>
    control.setAll(
      made.map((push) => ({
        kind: 'push' as const,
        id: newId(),
        parent: visitId,
        values: { ...push, ...(moisture && { moisture }) },
      })),
    );
  const file = usePushFile(keep);
  const { told, setTold, unclear } = file;
  const short = (metres: number) => formatValue(metres, 'short length', system);
  return (
    <section className="my-4" aria-label="Penetrometer">
      <h2>Penetrometer</h2>
      {reading && <Tightness short={short} reading={reading} system={system} />}
      {(reading || device.running) && (
        <div className="h-64">
          <PushChart rows={reading?.profile ?? []} running={device.running ?? []} system={system} />
        </div>
      )}
      {map && <PushMap map={map} pushes={pushes} stemRadius={stem} system={system} />}
      {mayMeasure && (
        <>
          <PushForm
            of={visitId}
            system={system}
            device={device}
            moisture={moisture}
            onMoisture={setMoisture}
            onPush={(made) => keep([made])}
            onTold={setTold}
          />
          <PushFiles bring={file.bring} pushes={pushes} />
        </>
      )}
      <FileNotice lines={told} onClose={() => setTold([])} />
      {unclear && (
        <Layout
          unclear={unclear}
          cone={file.cone}
          onCone={file.setCone}
          onTake={(layout) => file.take(unclear.heads, unclear.rows, layout)}
          onLeave={file.leave}
        />
      )}
      {items.length > 0 && (
        <PushList items={items} short={short} mayMeasure={mayMeasure} control={control} visitId={visitId} />
      )}
    </section>
  );
}

/** How tight the ground is. */
function Tightness({
  short,
  reading,
  system,
}: {
  short: (metres: number) => string;
  reading: PenetrationReading;
  system: UnitSystem;
}) {
  return (
    <>
      <p className="text-lg my-1" data-testid="tightness">
        <strong>
          {ROOTS_STOP[system]} at {short(reading.depth.median)}
        </strong>{' '}
        ({short(reading.depth.low)} to {short(reading.depth.high)}); {Math.round(100 * reading.limited)}% of{' '}
        {reading.pushes} {reading.pushes === 1 ? 'push' : 'pushes'} limited within {short(ROOM)}.{' '}
        {writeLengths(reading.says, system)}
      </p>
      {reading.dry > 0 && (
        <p className="told my-1">
          {reading.dry} of {reading.pushes} pushed in dry soil, which resists more than moist soil does: push
          again after rain before the ground is called compacted.
        </p>
      )}
      <p className="text-sm text-muted">
        Resistance is of the soil as moist as it was that day: dry soil resists more, wet soil less.{' '}
        {ROOTS_STOP[system]} stops roots in moist soil (ASAE S313).
      </p>
    </>
  );
}
