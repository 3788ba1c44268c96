'use client';

import { ROLES, type WhoDoes } from '@undrel/core/schedule';
import { WHO_WORDS } from './words';
import { Select } from '../../ui/controls/Select';
import { TabList } from '../../ui/controls/Tabs';

const VIEWS = { list: 'List', month: 'Month', year: 'Year by tree', days: 'Crew days' } as const;
export type SeasonView = keyof typeof VIEWS;

/** Which view, whose tasks, and on which property. */
export function SeasonChoice({
  who,
  setWho,
  properties,
  property,
  setProperty,
}: {
  who: WhoDoes | '';
  setWho: (next: WhoDoes | '') => void;
  properties: ReadonlyMap<string, string>;
  property: string;
  setProperty: (next: string) => void;
}) {
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-2 items-end mb-4 no-print">
      <TabList
        label="View"
        views={VIEWS}
        className="flex w-full sm:w-auto"
        tabClass="min-h-[44px] px-3 border border-ink -ml-px"
      />
      <Select
        labelClass="min-w-0 flex-1 sm:flex-none"
        label="For"
        options={ROLES.map((key) => ({ key, label: WHO_WORDS[key] }))}
        empty="Everyone"
        value={who}
        onChange={(role) => setWho(role ?? '')}
      />
      <Select
        labelClass="min-w-0 flex-1 sm:flex-none"
        label="Property"
        options={[...properties].map(([key, label]) => ({ key, label }))}
        empty="All properties"
        value={property}
        onChange={(id) => setProperty(id ?? '')}
      />
    </div>
  );
}
