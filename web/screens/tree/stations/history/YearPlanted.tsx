'use client';

import { useState } from 'react';
import type { Tree } from '@undrel/core/records';
import { NotedInput } from '../../../../ui/controls/NotedInput';

/** The year it was planted; what is no year stays as it was typed, and is not kept. */
export function YearPlanted({
  tree,
  today,
  disabled,
  write,
}: {
  tree: Tree;
  today: string;
  disabled: boolean;
  write: (change: Partial<Tree>) => void;
}) {
  const [year, setYear] = useState<string | undefined>(undefined);
  const planted = year ?? (tree.plantedYear === undefined ? '' : String(tree.plantedYear));
  const newest = Number(today.slice(0, 4));
  const isYear = (text: string) => /^\d{4}$/.test(text) && Number(text) >= 1700 && Number(text) <= newest;
  const yearWrong = year !== undefined && year !== '' && !isYear(year);
  return (
    <div>
      <label htmlFor="planted" className="block text-sm">
        Year planted
      </label>
      <NotedInput
        note={yearWrong && `Year planted: ${year} is outside 1700 to ${newest}.`}
        id="planted"
        className="num w-full text-right"
        inputMode="numeric"
        disabled={disabled}
        value={planted}
        onBlur={() => !yearWrong && setYear(undefined)}
        onChange={(event) => {
          const text = event.target.value;
          setYear(text);
          if (text === '') write({ plantedYear: undefined });
          else if (isYear(text)) write({ plantedYear: Number(text) });
        }}
      />
    </div>
  );
}
