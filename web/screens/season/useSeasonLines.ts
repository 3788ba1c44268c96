import { startTransition, useEffect, useState } from 'react';
import { byDay, dayAfter } from '@undrel/core/vocabulary';
import type { Spell } from '@undrel/core/schedule';
import type { DecisionRow, LargeRow, SeasonLine, TaskRow, WaterRow, WorkRow } from '../../protocol/season';
import { readLines } from '../../ui/readLines';

/** What is prescribed and what needs water, as far as it was worked out. */
export interface Prescribed {
  works: WorkRow[];
  rests: TaskRow[];
  decisions: DecisionRow[];
  water: WaterRow[];
  spells: { propertyId: string; spells: Spell[] }[];
  large: LargeRow[];
  /** Grounds that are done, of how many; the same once all are. */
  done: number;
  of: number;
  problem?: string;
}

/** Before anything was worked out. */
export const NOTHING: Prescribed = {
  works: [],
  rests: [],
  decisions: [],
  water: [],
  spells: [],
  large: [],
  done: 0,
  of: 1,
};
const AWAY = 'The server could not be reached: what is prescribed is missing here. Load the page again.';

/** Whether all grounds are in. */
export const isWhole = ({ done, of, problem }: Prescribed): boolean => done === of && !problem;

const WATER_DAYS = 14;

/** Trees to be watered within two weeks, the soonest first. */
export const waterSoon = (water: readonly WaterRow[], today: string): WaterRow[] =>
  water
    .filter((w) => w.next.on !== undefined && w.next.on <= dayAfter(today, WATER_DAYS))
    .sort((a, b) => byDay(a.next.on!, b.next.on!));

/** Asks for what is prescribed once the page is there; leaving it ends the work. */
export function useSeasonLines(): Prescribed {
  const [prescribed, set] = useState(NOTHING);
  useEffect(() => {
    const stop = new AbortController();
    // Each property that comes draws the list anew: what is pressed meanwhile is answered first.
    const tell = (next: (now: Prescribed) => Prescribed) => startTransition(() => set(next));
    const given = (line: SeasonLine) =>
      tell((now) =>
        'problem' in line
          ? { ...now, problem: line.problem }
          : {
              ...now,
              done: line.done,
              of: line.of,
              works: [...now.works, ...line.works],
              rests: [...now.rests, ...line.rests],
              decisions: [...now.decisions, ...line.decisions],
              water: [...now.water, ...line.water],
              spells: [...now.spells, ...line.spells],
              large: [...now.large, ...line.large],
            },
      );
    const ask = async () => {
      const answer = await fetch('/api/season/works', { signal: stop.signal });
      if (!answer.ok || !answer.body) {
        const { problem } = (await answer.json().catch(() => ({}))) as { problem?: string };
        return tell((now) => ({ ...now, problem: problem ?? AWAY }));
      }
      await readLines(answer.body, given);
      tell((now) => (now.done < now.of && !now.problem ? { ...now, problem: AWAY } : now));
    };
    set(NOTHING);
    ask().catch(() => {
      if (!stop.signal.aborted) tell((now) => ({ ...now, problem: AWAY }));
    });
    return () => stop.abort();
  }, []);
  return prescribed;
}
