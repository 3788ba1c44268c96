'use client';

import { materialsTogether } from '@undrel/core/trenching';
import { formatQuantity, formatValue, type UnitSystem, type Quantity } from '@undrel/core/units';
import type { TreeMaterials } from '../../protocol/grounds';
import { Entry } from '../../ui/controls/Entry';
import { useUnticked } from '../../ui/useUnticked';
import { usePreferences } from '../shell/preferences';
import { PropertyBar } from './PropertyBar';

/** What to load for a day of trenches: the trees that are ticked, and all of them together. */
export function MaterialsScreen(props: { property: { id: string; name: string }; trees: TreeMaterials[] }) {
  const { property, trees } = props;
  const { units: system } = usePreferences();
  const able = trees.filter((t) => t.spokes > 0 && !t.instead);
  const [left, toggle] = useUnticked();
  const taken = able.filter((t) => !left.has(t.id));
  const names = able[0]?.quantities.map((q) => q.name) ?? [];
  const total = materialsTogether(taken.map((t) => t.quantities));
  const others = trees.filter((t) => !able.includes(t));
  return (
    <div className="min-h-dvh flex flex-col">
      <PropertyBar property={property} part="materials for a day" />
      <main className="px-4 lg:px-8 py-4 max-w-[1200px] w-full mx-auto">
        <Entry>
          <h1>What to load for the trenches</h1>
          {able.length === 0 ? (
            <p className="told my-3">
              No trenches are planned on this property yet. Lay them out on the page of a tree, at its station
              Trenches.
            </p>
          ) : (
            <>
              <p className="text-muted mb-2">
                The first season of each tree. Untick what is not done on that day.
              </p>
              <MaterialsTable taken={taken} system={system} names={names} total={total} />
              <TreesOfDay able={able} left={left} toggle={toggle} />
            </>
          )}
          {others.length > 0 && (
            <section className="mt-4">
              <h2>Not by trenches</h2>
              <ul>
                {others.map((t) => (
                  <li key={t.id}>
                    {t.label}: {t.instead ? 'another way was chosen' : t.blocked}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </Entry>
      </main>
    </div>
  );
}

function MaterialsTable({
  taken,
  system,
  names,
  total,
}: {
  taken: TreeMaterials[];
  system: UnitSystem;
  names: string[];
  total: Quantity[];
}) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Materials by tree">
      <table className="w-full" aria-label="Materials by tree">
        <thead>
          <tr>
            <th scope="col">tree</th>
            {taken.map((t) => (
              <th key={t.id} scope="col" className="text-right">
                {t.label}
              </th>
            ))}
            <th scope="col" className="text-right">
              all
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row" className="text-left font-normal py-1.5">
              Trenches
            </th>
            {taken.map((t) => (
              <td key={t.id} className="num text-right">
                {t.spokes}
              </td>
            ))}
            <td className="num text-right font-bold">
              {formatValue(
                taken.reduce((sum, t) => sum + t.spokes, 0),
                'count',
                system,
              )}
            </td>
          </tr>
          {names.map((name, k) => (
            <tr key={name}>
              <th scope="row" className="text-left font-normal py-1.5">
                {name}
              </th>
              {taken.map((t) => (
                <td key={t.id} className="num text-right whitespace-nowrap">
                  {formatQuantity(
                    t.quantities.find((q) => q.name === name)!,
                    system,
                  )}
                </td>
              ))}
              <td className="num text-right whitespace-nowrap font-bold">
                {total[k] ? formatQuantity(total[k], system) : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function TreesOfDay({
  able,
  left,
  toggle,
}: {
  able: TreeMaterials[];
  left: ReadonlySet<string>;
  toggle: (id: string) => void;
}) {
  return (
    <fieldset className="mt-4 print:hidden">
      <legend className="font-semibold">Trees of the day</legend>
      <div className="flex flex-wrap gap-x-5">
        {able.map((t) => (
          <label key={t.id} className="inline-flex items-center gap-2 min-h-[44px]">
            <input type="checkbox" checked={!left.has(t.id)} onChange={() => toggle(t.id)} />
            {t.label}
            {t.seasons > 1 && <span className="text-muted">, season 1 of {t.seasons}</span>}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
