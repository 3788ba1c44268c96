'use client';

import { Beside } from './Beside';
import type { Opened } from './late';

/** What a term means, beside where it stands. */
export const Hint = ({ term, means, ...opened }: Opened & { term: string; means: string }) => (
  <Beside {...opened} label={term} className="w-[20rem] p-3 text-base leading-snug">
    {means}
  </Beside>
);
