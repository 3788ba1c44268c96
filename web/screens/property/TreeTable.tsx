'use client';

import { useMemo, useRef, useState } from 'react';
import { DropdownMenu } from 'radix-ui';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
  type VisibilityState,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { byLabel } from '@undrel/core/labels';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { ServerButton } from '../../ui/FromServer';
import { PageLink } from '@/ui/PageLink';
import type { TreeRow } from '../../protocol/grounds';

const column = createColumnHelper<TreeRow>();
const RANK = { likely: 0, possible: 1, open: 2, unlikely: 3, unexamined: 4 } as const;
const short = (metres: number | undefined, system: UnitSystem) =>
  metres === undefined ? '' : formatValue(metres, 'short length', system);

const columnsIn = (system: UnitSystem) => [
  column.accessor('label', {
    header: 'tree',
    enableHiding: false,
    sortingFn: (a, b) => byLabel(a.original.label, b.original.label),
    cell: ({ row }) => (
      <PageLink
        className="font-semibold inline-flex items-center min-h-[36px] whitespace-nowrap"
        href={`/trees/${row.original.id}`}
      >
        {row.original.label}
      </PageLink>
    ),
  }),
  column.accessor((t) => t.causeLabel ?? '', {
    id: 'verdict',
    header: 'verdict',
    sortingFn: (a, b) =>
      RANK[a.original.standing ?? 'unexamined'] - RANK[b.original.standing ?? 'unexamined'],
    cell: ({ row: { original: t } }) =>
      t.causeLabel ? (
        <>
          {t.causeLabel},{' '}
          <span className={t.standing === 'likely' ? 'text-harm font-semibold' : ''}>{t.standing}</span>
        </>
      ) : t.lastVisit ? (
        <span className="text-muted">{t.reference ? 'reference' : 'none stands out'}</span>
      ) : (
        <span className="text-muted">not visited</span>
      ),
  }),
  column.accessor('collarDepth', {
    header: 'collar depth',
    cell: (c) => short(c.getValue(), system),
    meta: { figure: true },
  }),
  column.accessor('onBark', {
    header: 'mulch on bark',
    cell: (c) => short(c.getValue(), system),
    meta: { figure: true },
  }),
  column.accessor('species', { header: 'species' }),
  column.accessor('plantedYear', { header: 'planted', meta: { figure: true } }),
  column.accessor('stemDiameter', {
    header: 'stem',
    cell: (c) => short(c.getValue(), system),
    meta: { figure: true },
  }),
  column.accessor('lastVisit', { header: 'last visit', meta: { figure: true } }),
  column.accessor('due', { header: 'look again', meta: { figure: true } }),
];

const SORT_WORDS = { asc: 'ascending', desc: 'descending' } as const;

/** The trees of a property: sort, filter, choose columns. */
export function TreeTable(props: {
  trees: TreeRow[];
  system: UnitSystem;
  csvHref: string;
  marked: string | undefined;
  onMark: (id: string) => void;
  onPlace: ((id: string) => void) | undefined;
}) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'verdict', desc: false }]);
  const [filter, setFilter] = useState('');
  const [visibility, setVisibility] = useState<VisibilityState>({
    species: false,
    plantedYear: false,
    stemDiameter: false,
    due: false,
    onBark: false,
  });
  const columns = useMemo(() => columnsIn(props.system), [props.system]);
  const table = useReactTable({
    data: props.trees,
    columns,
    state: { sorting, globalFilter: filter, columnVisibility: visibility },
    onSortingChange: setSorting,
    onGlobalFilterChange: setFilter,
    onColumnVisibilityChange: setVisibility,
    globalFilterFn: (row, _, words: string) =>
      `${row.original.label} ${row.original.species} ${row.original.commonName ?? ''} ${row.original.causeLabel ?? ''} ${row.original.standing ?? ''}`
        .toLowerCase()
        .includes(words.toLowerCase()),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const rows = table.getRowModel().rows;
  const scroll = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => 45,
    overscan: 12,
  });
  const shown = virtual.getVirtualItems();
  const above = shown[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (shown[shown.length - 1]?.end ?? 0);
  return (
    <div className="flex flex-col min-h-0 h-full">
      <div className="flex flex-wrap gap-2 items-end pb-2">
        <label className="flex-1 min-w-[8rem]">
          <span className="block text-sm">Filter</span>
          <input
            className="w-full"
            type="search"
            value={filter}
            onChange={(event) => setFilter(event.target.value)}
            placeholder="name, species, verdict"
          />
        </label>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className="quiet">Columns</DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="z-40 bg-sheet border-2 border-ink py-1" align="end">
              {table
                .getAllLeafColumns()
                .filter((c) => c.getCanHide())
                .map((c) => (
                  <DropdownMenu.CheckboxItem
                    key={c.id}
                    checked={c.getIsVisible()}
                    onCheckedChange={(on) => c.toggleVisibility(on)}
                    onSelect={(event) => event.preventDefault()}
                    className="min-h-[44px] px-3 flex items-center gap-2 cursor-pointer data-[highlighted]:bg-wash"
                  >
                    <span className="w-5" aria-hidden="true">
                      {c.getIsVisible() ? '✓' : ''}
                    </span>
                    {String(c.columnDef.header)}
                  </DropdownMenu.CheckboxItem>
                ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <a className="quiet" href={props.csvHref}>
          CSV
        </a>
      </div>
      <p className="text-sm text-muted" role="status">
        {rows.length === props.trees.length
          ? `${rows.length} trees`
          : `${rows.length} of ${props.trees.length} trees`}
      </p>
      <div
        ref={scroll}
        className="overflow-auto flex-1 min-h-[12rem]"
        tabIndex={0}
        role="region"
        aria-label="Trees"
      >
        <table>
          <thead className="sticky top-0 bg-sheet z-10">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const sorted = header.column.getIsSorted();
                  return (
                    <th
                      key={header.id}
                      scope="col"
                      aria-sort={sorted ? SORT_WORDS[sorted] : 'none'}
                      className="whitespace-nowrap"
                    >
                      <button
                        type="button"
                        className="min-h-[36px] font-semibold text-left"
                        onClick={header.column.getToggleSortingHandler()}
                      >
                        {flexRender(header.column.columnDef.header, header.getContext())}
                        <span aria-hidden="true">
                          {sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}
                        </span>
                      </button>
                    </th>
                  );
                })}
                {props.onPlace && (
                  <th scope="col">
                    <span className="sr-only">place</span>
                  </th>
                )}
              </tr>
            ))}
          </thead>
          <tbody>
            {above > 0 && <tr style={{ height: above }} aria-hidden="true" />}
            {shown.map((item) => {
              const row = rows[item.index]!;
              return (
                <tr
                  key={row.id}
                  className={props.marked === row.original.id ? 'bg-wash' : ''}
                  onPointerEnter={() => props.onMark(row.original.id)}
                >
                  {row.getVisibleCells().map((cell) => (
                    <td
                      key={cell.id}
                      className={`${(cell.column.columnDef.meta as { figure?: boolean } | undefined)?.figure ? 'num whitespace-nowrap' : ''}`}
                    >
                      {flexRender(cell.column.columnDef.cell, cell.getContext())}
                    </td>
                  ))}
                  {props.onPlace && (
                    <td className="text-right">
                      <ServerButton
                        className="link px-1"
                        aria-label={`Place ${row.original.label} on the plan`}
                        onClick={() => props.onPlace!(row.original.id)}
                      >
                        Place
                      </ServerButton>
                    </td>
                  )}
                </tr>
              );
            })}
            {below > 0 && <tr style={{ height: below }} aria-hidden="true" />}
          </tbody>
        </table>
        {props.trees.length > 0 && rows.length === 0 && (
          <p className="told my-3">No tree matches “{filter}”.</p>
        )}
      </div>
    </div>
  );
}
