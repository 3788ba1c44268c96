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
  const under = useRef<AbortController | undefined>(undefined);
  const leave = () => {
    const device = open.current?.device;
    open.current = undefined;
    void device?.close().catch(() => undefined);
  };
  const cancel = () => {
    under.current?.abort();
    under.current = undefined;
    setRunning(undefined);
  };
  useEffect(
    () => () => {
      under.current?.abort();
      leave();
    },
    [],
  );
  /** The device, opened where it is not; undefined where nobody wants it any more once it is. */
  const deviceOf = async (connection: Connection, signal: AbortSignal): Promise<Penetrometer | undefined> => {
    if (open.current?.connection !== connection) {
      leave();
      const device = await connect(connection);
      if (signal.aborted) return void (await device.close().catch(() => undefined));
      open.current = { connection, device };
    }
    return open.current.device;
  };
  return {
    running,
    cancel,
    start: (connection, place, came, failed) => {
      cancel();
      const own = new AbortController();
      under.current = own;
      setRunning([]);
      const push = async () => {
        const device = await deviceOf(connection, own.signal);
        const readings: Push['readings'] = [];
        for await (const event of device?.push(place, own.signal) ?? []) {
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
          if (own.signal.aborted) return;
          leave();
          failed(error.message);
        })
        .finally(() => {
          if (under.current === own) cancel();
        });
    },
  };
}
