'use client';

import { MOISTURES } from '@undrel/core/soil';
import {
  CONNECTIONS,
  connectionsHere,
  isSimulated,
  type Connection,
} from '../../../device/connectPenetrometer';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';
import { formatPressure, formatValue, type UnitSystem } from '@undrel/core/units';
import { useEffect, useState } from 'react';
import type { Push } from '@undrel/core/records';
import { Said } from '../../../ui/Said';
import type { usePush } from './usePush';

/** A push with the device: with which, in what soil, and where. */
export function PushForm({
  of,
  system,
  device,
  moisture,
  onMoisture,
  onPush,
  onTold,
}: {
  /** What the pushes are of: the simulated device pushes in the ground of that. */
  of: string;
  system: UnitSystem;
  device: ReturnType<typeof usePush>;
  moisture: Push['moisture'];
  onMoisture: (moisture: Push['moisture']) => void;
  onPush: (push: Push) => void;
  onTold: (lines: string[]) => void;
}) {
  const [bearing, setBearing] = useState<number | undefined>(undefined);
  const [distance, setDistance] = useState<number | undefined>(undefined);
  const [connection, setConnection] = useState<Connection>('simulated-cable');
  const [here, setHere] = useState<readonly Connection[]>(['simulated-cable']);
  useEffect(() => setHere(connectionsHere()), []);
  const { running } = device;
  const last = running?.at(-1);
  const start = () => {
    const place = { bearing: bearing!, distance: distance! };
    onTold([]);
    device.start(
      connection,
      `${of} ${place.bearing} ${place.distance}`,
      (made) => {
        onPush({ ...place, ...made });
        setBearing(undefined);
      },
      (why) => onTold([why]),
    );
  };
  return (
    <>
      <PushedWith
        here={here}
        connection={connection}
        running={running}
        setConnection={setConnection}
        moisture={moisture}
        setMoisture={onMoisture}
      />
      <PlaceOfPush
        bearing={bearing}
        setBearing={setBearing}
        system={system}
        distance={distance}
        setDistance={setDistance}
        running={running}
        cancel={device.cancel}
        start={start}
      />
      <Said
        told={
          running ? (
            <>
              Going down: {formatValue(last?.depth ?? 0, 'short length', system)},{' '}
              {formatPressure(last?.pressure ?? 0, system)}
            </>
          ) : (
            <span className="text-sm text-muted">
              {isSimulated(connection) && 'No device is connected: pushes are simulated. '}
              Locate buried lines before any push.
            </span>
          )
        }
      />
    </>
  );
}

function PushedWith({
  here,
  connection,
  running,
  setConnection,
  moisture,
  setMoisture,
}: {
  here: readonly Connection[];
  connection: Connection;
  running: { depth: number; pressure: number }[] | undefined;
  setConnection: (next: Connection) => void;
  moisture: Push['moisture'];
  setMoisture: (next: Push['moisture']) => void;
}) {
  return (
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
  );
}

function PlaceOfPush({
  bearing,
  setBearing,
  system,
  distance,
  setDistance,
  running,
  cancel,
  start,
}: {
  bearing: number | undefined;
  setBearing: (next: number | undefined) => void;
  system: UnitSystem;
  distance: number | undefined;
  setDistance: (next: number | undefined) => void;
  running: { depth: number; pressure: number }[] | undefined;
  cancel: () => void;
  start: () => void;
}) {
  return (
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
  );
}
