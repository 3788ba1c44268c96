import { useEffect, useRef, useState } from 'react';
import type { SentPicture } from '../../ui/sendPicture';
import { sendPicture } from '../../ui/sendPicture';

/** A file on its way. */
export interface Sending {
  key: number;
  file: File;
  /** Side of the stem it was taken from, where it was asked for. */
  bearing: number | undefined;
  share: number;
  /** Why it did not arrive; it may be sent again. */
  problem?: string;
}

/**
 * Pictures on their way, one after the other, so that a phone on a thin line finishes one before the next. What did not
 * arrive stays until it is sent again or taken off.
 *
 * @param arrived is told of each with what the server has
 */
export function usePictures(arrived: (sent: SentPicture, from: Sending) => void) {
  const [queue, setQueue] = useState<Sending[]>([]);
  const next = useRef(0);
  const busy = useRef<{ key: number; stop: AbortController } | undefined>(undefined);
  const tell = useRef(arrived);
  tell.current = arrived;
  useEffect(() => () => busy.current?.stop.abort(), []);
  useEffect(() => {
    const one = queue.find((s) => s.problem === undefined);
    if (!one || busy.current) return;
    const stop = new AbortController();
    busy.current = { key: one.key, stop };
    const change = (more: Partial<Sending>) =>
      setQueue((now) => now.map((s) => (s.key === one.key ? { ...s, ...more } : s)));
    void sendPicture(one.file, (share) => change({ share }), stop.signal).then((answer) => {
      busy.current = undefined;
      if ('problem' in answer) return change({ problem: answer.problem, share: 0 });
      tell.current(answer, one);
      setQueue((now) => now.filter((s) => s.key !== one.key));
    });
  }, [queue]);
  return {
    queue,
    send: (files: readonly File[], bearing?: number) =>
      setQueue((now) => [
        ...now,
        ...files.map((file): Sending => ({ key: next.current++, file, bearing, share: 0 })),
      ]),
    again: (key: number) =>
      setQueue((now) =>
        now.map((s) => {
          if (s.key !== key) return s;
          const { problem: _, ...rest } = s;
          return rest;
        }),
      ),
    drop: (key: number) => {
      if (busy.current?.key === key) busy.current.stop.abort();
      setQueue((now) => now.filter((s) => s.key !== key));
    },
  };
}
