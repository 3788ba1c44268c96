'use client';

import { useEffect, useState } from 'react';
import type { ReadDocument } from '../../protocol/document';
import type { Length } from '../../protocol/lengths';

/** How many times a document is made shorter to fit its pages; nobody knows before it is set on paper. */
export type Shortened = number | 'fitting';

/**
 * How much shorter than it could be a letter or report is on paper, so that the screen shows the same: asked of the file as it
 * would be sent. Where it cannot be had, the document is shown as long as it could be.
 *
 * @param file where the JSON of this length is had; asked again where the address is another, and the last answer stands meanwhile
 */
export function useShortened(length: Length, file: string): Shortened {
  const [known, setKnown] = useState<{ length: Length; shortened: number } | undefined>(undefined);
  useEffect(() => {
    if (length === 'record') return;
    const stop = new AbortController();
    const tell = (shortened: number) => !stop.signal.aborted && setKnown({ length, shortened });
    fetch(file, { signal: stop.signal })
      .then(async (answer) => tell(answer.ok ? (((await answer.json()) as ReadDocument).shortened ?? 0) : 0))
      .catch(() => tell(0));
    return () => stop.abort();
  }, [length, file]);
  if (length === 'record') return 0;
  return known?.length === length ? known.shortened : 'fitting';
}
