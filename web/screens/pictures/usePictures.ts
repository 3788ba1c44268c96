import { useCallback, useEffect, useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { forgetPicture, keepPictureHere, picturesHere, showPictures } from '../../device/keptPictures';
import { sendPicture } from '../../device/sendPicture';
import type { SentPicture } from '../../protocol/pieces';
import { leftToWorker } from '../../device/sending';

/** A file on its way. */
export interface Sending {
  key: number;
  file: File;
  /** Side of the stem it was taken from, where it was asked for. */
  bearing: number | undefined;
  /** Step of the order that it proves. */
  step: string | undefined;
  share: number;
  /** Its id on this device; undefined where the device keeps nothing. */
  kept: number | undefined;
  /** Why it did not arrive; it may be sent again. */
  problem?: string;
  arrived?: true;
}

/** Sends the next that waits once the one before is through; gives what stops the one under way, if it is that one. */
function useSentInTurn(
  of: { person: string; visitId: string },
  queue: readonly Sending[],
  setQueue: Dispatch<SetStateAction<Sending[]>>,
  arrived: (sent: Required<SentPicture>, from: Sending) => void,
) {
  const busy = useRef<{ key: number; stop: AbortController } | undefined>(undefined);
  const { person, visitId } = of;
  const tell = useRef(arrived);
  tell.current = arrived;
  useEffect(() => {
    const one = queue.find((s) => s.problem === undefined && !s.arrived);
    if (!one || busy.current) return;
    const stop = new AbortController();
    busy.current = { key: one.key, stop };
    const change = (more: Partial<Sending>) =>
      setQueue((now) => now.map((s) => (s.key === one.key ? { ...s, ...more } : s)));
    void sendPicture(one.file, { person, visitId }, (share) => change({ share }), stop.signal).then(
      async (answer) => {
        if ('problem' in answer) {
          busy.current = undefined;
          if (answer.away) void leftToWorker().then((worker) => worker?.askForSync());
          return change({ problem: answer.problem, share: 0 });
        }
        // Told first, then forgotten here, and only then said to have arrived: whatever ends the page between, nothing is lost.
        tell.current(answer, one);
        if (one.kept !== undefined) await forgetPicture(one.kept);
        busy.current = undefined;
        change({ arrived: true, share: 1 });
      },
    );
  }, [person, visitId, queue, setQueue]);
  return useCallback((key?: number) => {
    if (key === undefined || busy.current?.key === key) busy.current?.stop.abort();
  }, []);
}

/**
 * Pictures on their way, one after the other, so that a phone on a thin line finishes one before the next. Each is kept on
 * the device until the server has it: what did not arrive is there when the page is opened again, and is sent then. What
 * arrived stays on the list, so that nothing beside it moves.
 *
 * @param person who takes them
 * @param at of which visit they are, who takes them by name, and the day of a file
 * @param arrived is told of each with what the server has
 */
export function usePictures(
  person: string,
  {
    treeId,
    visitId,
    by,
    dayOf,
  }: { treeId: string; visitId: string; by: string; dayOf: (file: File) => string },
  arrived: (sent: Required<SentPicture>, from: Sending) => void,
) {
  const [queue, setQueue] = useState<Sending[]>([]);
  const next = useRef(0);
  const add = useCallback(
    (more: Omit<Sending, 'key' | 'share'>[]) =>
      setQueue((now) => [
        ...now,
        ...more
          // Chosen while the store was read, it is found there as well.
          .filter(({ kept }) => kept === undefined || now.every((s) => s.kept !== kept))
          .map((s) => ({ ...s, key: next.current++, share: 0 })),
      ]),
    [],
  );
  const stop = useSentInTurn({ person, visitId }, queue, setQueue, arrived);
  useEffect(() => {
    let here = true;
    const hide = showPictures(visitId);
    void picturesHere(person, visitId).then((kept) => {
      if (here) add(kept.map(({ id, file, bearing, step }) => ({ file, bearing, step, kept: id })));
    });
    return () => {
      here = false;
      hide();
      stop();
    };
  }, [person, visitId, add, stop]);
  return {
    queue,
    send: async (
      files: readonly File[],
      { bearing, step }: { bearing: number | undefined; step: string | undefined },
    ) => {
      const kept = await Promise.all(
        files.map((file) =>
          keepPictureHere({
            person,
            visitId,
            treeId,
            by,
            on: dayOf(file),
            file,
            ...(bearing !== undefined && { bearing }),
            ...(step !== undefined && { step }),
          }),
        ),
      );
      add(files.map((file, i) => ({ file, bearing, step, kept: kept[i] })));
    },
    again: (key: number) =>
      setQueue((now) =>
        now.map((s) => {
          if (s.key !== key) return s;
          const { problem: _, ...rest } = s;
          return rest;
        }),
      ),
    drop: (key: number) => {
      stop(key);
      const kept = queue.find((s) => s.key === key)?.kept;
      if (kept !== undefined) void forgetPicture(kept);
      setQueue((now) => now.filter((s) => s.key !== key));
    },
  };
}
