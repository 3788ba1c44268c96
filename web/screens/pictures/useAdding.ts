import { useRef } from 'react';
import { pictureOf } from '../../device/keptPictures';
import type { CaseControl } from '../../device/useCase';
import type { Living } from '../../protocol/item';
import { usePictures } from './usePictures';

/** The day a file was written, as far as it is one that lies behind. */
function dayOf(file: File, today: string): string {
  const day = new Date(file.lastModified).toISOString().slice(0, 10);
  return file.lastModified > 0 && day <= today ? day : today;
}

/** How pictures come to a visit: chosen by file or taken, sent, and noted once they are there. */
export function useAdding(
  control: CaseControl,
  of: { treeId: string; visitId: string; person: string; viewer: string; today: string },
  pictures: readonly Living<'picture'>[],
) {
  const { treeId, visitId, viewer: by } = of;
  const input = useRef<HTMLInputElement>(null);
  const side = useRef<number | undefined>(undefined);
  const day = (file: File) => dayOf(file, of.today);
  const sending = usePictures(
    of.person,
    { treeId, visitId, by, dayOf: day },
    (sent, { file, bearing, step }) => {
      const { id } = sent;
      const there = pictures.find((p) => p.id === id)?.values;
      const asked = {
        by,
        on: day(file),
        ...(bearing !== undefined && { bearing }),
        ...(step !== undefined && { step }),
      };
      control.set('picture', id, visitId, pictureOf(sent, asked, there), 'hash');
    },
  );
  /** Lets the person choose: one from a side, or any number of others. */
  const ask = (bearing: number | undefined) => {
    side.current = bearing;
    input.current!.multiple = bearing === undefined;
    input.current!.click();
  };
  return { input, side, ask, ...sending };
}

export type Adding = ReturnType<typeof useAdding>;
