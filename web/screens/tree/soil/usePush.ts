import { useEffect, useRef, useState } from 'react';
import type { Push } from '@undrel/core/records';
import { connect, type Connection } from '../../../device/connectPenetrometer';
import type { Penetrometer } from '../../../device/penetrometer/penetrometer';

/** The device at hand, and the push that is under way with what it has told so far. */
export interface Pushing {
  running: Push['readings'] | undefined;
  /** Pushes at a place; what the push came to is handed on, or why it came to nothing. */
  start: (
    connection: Connection,
    place: string,
    came: (push: Pick<Push, 'readings' | 'stopped'>) => void,
    failed: (why: string) => void,
  ) => void;
  cancel: () => void;
}

/** Keeps the connection to a penetrometer as long as the page is open. */
export function usePush(): Pushing {
  const [running, setRunning] = useState<Push['readings'] | undefined>(undefined);
  const open = useRef<{ connection: Connection; device: Penetrometer } | undefined>(undefined);
  const under = useRef<{ stopped: boolean } | undefined>(undefined);
  const leave = () => {
    const device = open.current?.device;
    open.current = undefined;
    void device?.close().catch(() => undefined);
  };
  useEffect(
    () => () => {
      if (under.current) under.current.stopped = true;
      leave();
    },
    [],
  );
  const deviceOf = async (connection: Connection): Promise<Penetrometer> => {
    if (open.current?.connection !== connection) {
      leave();
      open.current = { connection, device: await connect(connection) };
    }
    return open.current.device;
  };
  return {
    running,
    cancel: () => {
      if (under.current) under.current.stopped = true;
      under.current = undefined;
      setRunning(undefined);
    },
    start: (connection, place, came, failed) => {
      const own = { stopped: false };
      under.current = own;
      setRunning([]);
      const push = async () => {
        const readings: Push['readings'] = [];
        for await (const event of (await deviceOf(connection)).push(place)) {
          if (own.stopped) return;
          if (event.kind === 'reading') {
            readings.push(event.reading);
            setRunning([...readings]);
          } else {
            came({ readings, ...(event.stopped !== undefined && { stopped: event.stopped }) });
          }
        }
      };
      push()
        .catch((error: Error) => {
          leave();
          if (!own.stopped) failed(error.message);
        })
        .finally(() => {
          if (under.current !== own) return;
          under.current = undefined;
          setRunning(undefined);
        });
    },
  };
}
