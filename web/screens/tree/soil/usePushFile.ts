import Papa from 'papaparse';
import { useState } from 'react';
import type { Push } from '@undrel/core/records';
import { isForce, layoutOf, pushesFromRows, type Cone, type PushLayout } from '@undrel/core/soil';
import { whole, type Unclear } from './PushLayoutForm';

const LAYOUTS = 'undrel.penetrometer-layouts';
const known = (heads: readonly string[]): PushLayout | undefined => {
  const kept = JSON.parse(localStorage.getItem(LAYOUTS) ?? '{}') as Record<string, PushLayout>;
  return kept[heads.join('\t')];
};
const remember = (heads: readonly string[], layout: PushLayout) => {
  const kept = JSON.parse(localStorage.getItem(LAYOUTS) ?? '{}') as Record<string, PushLayout>;
  localStorage.setItem(LAYOUTS, JSON.stringify({ ...kept, [heads.join('\t')]: layout }));
};

/** Brings the pushes of a penetrometer's file in; what its columns are is asked once for each kind of file. */
export function usePushFile(keep: (pushes: readonly Push[]) => void) {
  const [told, setTold] = useState<string[]>([]);
  const [unclear, setUnclear] = useState<Unclear | undefined>(undefined);
  const [cone, setCone] = useState<Cone | undefined>(undefined);
  const take = (heads: string[], rows: Record<string, string>[], layout: PushLayout) => {
    if (isForce(layout.load.unit) && !cone) {
      setUnclear({ heads, rows, layout });
      setTold(['The file gives forces: which cone was on?']);
      return;
    }
    const read = pushesFromRows(rows, layout, cone);
    remember(heads, layout);
    setUnclear(undefined);
    keep(read.pushes);
    setTold([
      `${read.pushes.length} ${read.pushes.length === 1 ? 'push' : 'pushes'} imported.`,
      ...read.notes,
    ]);
  };
  const bring = async (file: File) => {
    const { data, meta } = Papa.parse<Record<string, string>>(await file.text(), {
      header: true,
      skipEmptyLines: 'greedy',
    });
    const heads = meta.fields ?? [];
    const layout = known(heads) ?? layoutOf(heads);
    if (whole(layout)) return take(heads, data, layout);
    setUnclear({ heads, rows: data, layout });
    setTold(['The heads of this file do not say all: which column is which?']);
  };
  return { told, setTold, unclear, cone, setCone, take, bring, leave: () => setUnclear(undefined) };
}
