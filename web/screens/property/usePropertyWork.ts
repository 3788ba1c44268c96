import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { formatLength, longUnit, type UnitSystem } from '@undrel/core/units';
import type { PlanSides, PropertyPage } from '../../protocol/grounds';
import type { Change } from '../../protocol/item';
import { bringIn, noteWeatherPlace, saveChange, setTrees, takeWeather, type Brought } from './propertyCalls';
import type { Told } from './ToldView';
import type { PlaceTyped } from './Weather';

/** What is done on the page of a property, and what is told of it. */
export function usePropertyWork(page: PropertyPage, units: UnitSystem) {
  const router = useRouter();
  const [told, setTold] = useState<Told | undefined>(undefined);
  const [busy, setBusy] = useState(false);
  const [reading, setReading] = useState<{ file: File; stop: AbortController } | undefined>(undefined);
  const [stale, setStale] = useState<{ file: File; sides: PlanSides } | undefined>(undefined);
  // The same until something of it changes: what is large on the page is not drawn again for a form that opens.
  return useMemo(() => {
    const api = `/api/properties/${page.id}`;

    /** One piece of work at a time, and what came of it. */
    const brought = async (work: () => Promise<Brought>, file?: File) => {
      setBusy(true);
      setTold(undefined);
      try {
        const { told: said, stale: sides, changed } = await work();
        if (sides && file) setStale({ file, sides });
        else setTold(said);
        if (changed) router.refresh();
      } finally {
        setBusy(false);
        setReading(undefined);
      }
    };
    const place = async (id: string, x: number, y: number): Promise<boolean> => {
      const { done, reached } = await setTrees(api, { place: { id, x, y } });
      if (!done) setTold({ problem: 'The tree could not be placed; nothing was changed.' });
      if (reached) router.refresh();
      return done;
    };
    return {
      api,
      told,
      tell: setTold,
      busy,
      /** The file that comes in, and what stops it. */
      reading,
      /** A plan that somebody else changed meanwhile: which of the two is to stand. */
      stale,
      keepTheirs: () => setStale(undefined),
      save: async (change: Change): Promise<boolean | 'away'> => {
        const answer = await saveChange(change);
        if (answer.saved) return true;
        setTold({ problem: answer.problem });
        return answer.away ? 'away' : false;
      },
      confirm: async (name: string, ids: readonly string[]): Promise<boolean> => {
        const { done } = await setTrees(api, { cohort: { name, ids } });
        if (!done) setTold({ problem: 'The trees could not be grouped; nothing was changed.' });
        return done;
      },
      place,
      /** Moves a tree on the plan; it can be taken back. */
      move: async (id: string, x: number, y: number) => {
        const tree = page.trees.find((t) => t.id === id);
        if (!tree || tree.x === undefined || tree.y === undefined) return;
        const from = { x: tree.x, y: tree.y };
        if (!(await place(id, x, y))) return;
        const far = formatLength(Math.hypot(x - from.x, y - from.y), longUnit(units), 0.1);
        setTold({
          done: `${tree.label} moved ${far}.`,
          undo: () => void place(id, from.x, from.y).then((ok) => ok && setTold(undefined)),
        });
      },
      bring: (file: File, base = page.version) => {
        const stop = new AbortController();
        setReading({ file, stop });
        setStale(undefined);
        return brought(() => bringIn(api, file, base, stop.signal), file);
      },
      notePlace: (typed: PlaceTyped) => brought(() => noteWeatherPlace(api, typed)),
      readWeather: (file?: File) => brought(() => takeWeather(api, file)),
    };
  }, [page, units, router, told, busy, reading, stale]);
}

export type PropertyHand = ReturnType<typeof usePropertyWork>;
