'use client';

import { useMemo, useRef, useState } from 'react';
import {
  createColumnHelper,
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
import { PageLink } from '@/ui/PageLink';
import { useAlive } from '../../ui/controls/Entry';
import type { TreeRow } from '../../protocol/grounds';
import { ColumnsMenu, TreeTableHead, TreeTableRow, TableFilter } from './TreeTableParts';

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
        className="font-semibold inline-flex items-center min-h-[36px] wrap-anywhere"
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

/** Widths of columns, rem: they are the same whichever rows are there. The verdict takes what room is left. */
const WIDTHS = {
  label: 6,
  verdict: 7.25,
  collarDepth: 4.75,
  onBark: 5.25,
  species: 9,
  plantedYear: 5.25,
  stemDiameter: 4.75,
  lastVisit: 7,
  due: 7,
};
const PLACE = 4;
/** Long names have half as much room again; what is longer still is broken. */
const LONG_LABEL = 9;
const CHARACTER = 0.55;

/** How wide the columns are for these trees, whichever of them are filtered, rem. */
function widthsFor(trees: readonly TreeRow[]): (id: string) => number {
  const longest = trees.reduce((most, { label }) => Math.max(most, label.length), 0);
  const widths = { ...WIDTHS, label: Math.min(LONG_LABEL, Math.max(WIDTHS.label, longest * CHARACTER)) };
  return (id) => widths[id as keyof typeof WIDTHS];
}

/** The trees of a property: sort, filter, choose columns. How many rows have room only the browser knows; none is sorted before. */
export function TreeTable(props: {
  trees: TreeRow[];
  system: UnitSystem;
  csvHref: string;
  marked: string | undefined;
  onMark: (id: string) => void;
  onPlace: ((id: string) => void) | undefined;
}) {
  const { table, filter, setFilter } = useTable(props.trees, props.system);
  const rows = useAlive() ? table.getRowModel().rows : undefined;
  const scroll = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows?.length ?? 0,
    getScrollElement: () => scroll.current,
    estimateSize: () => 45,
    overscan: 12,
  });
  const shown = virtual.getVirtualItems();
  const columns = table.getVisibleLeafColumns();
  const place = props.onPlace ? PLACE : 0;
  const widthOf = useMemo(() => widthsFor(props.trees), [props.trees]);
  const above = shown[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (shown[shown.length - 1]?.end ?? 0);
  return (
    <div className="flex flex-col min-h-0 h-full">
      <div className="flex flex-wrap gap-2 items-end pb-2">
        <TableFilter filter={filter} setFilter={setFilter} />
        <ColumnsMenu table={table} />
        <a className="quiet" href={props.csvHref}>
          CSV
        </a>
      </div>
      <p className="text-sm text-muted" role="status">
        {rows === undefined || rows.length === props.trees.length
          ? `${props.trees.length} trees`
          : `${rows.length} of ${props.trees.length} trees`}
      </p>
      <div
        ref={scroll}
        className="overflow-auto flex-1 min-h-[12rem]"
        tabIndex={0}
        role="region"
        aria-label="Trees"
      >
        <table
          className="table-fixed"
          style={{ minWidth: `${columns.reduce((all, { id }) => all + widthOf(id), place)}rem` }}
        >
          <colgroup>
            {columns.map(({ id }) => (
              <col key={id} style={id === 'verdict' ? undefined : { width: `${widthOf(id)}rem` }} />
            ))}
            {place > 0 && <col style={{ width: `${place}rem` }} />}
          </colgroup>
          <TreeTableHead table={table} onPlace={props.onPlace} />
          <tbody>
            {above > 0 && <tr style={{ height: above }} aria-hidden="true" />}
            {shown.map((item) => {
              const row = rows![item.index]!;
              return (
                <TreeTableRow
                  key={row.id}
                  row={row}
                  marked={props.marked}
                  onMark={props.onMark}
                  onPlace={props.onPlace}
                />
              );
            })}
            {below > 0 && <tr style={{ height: below }} aria-hidden="true" />}
          </tbody>
        </table>
        {props.trees.length > 0 && rows?.length === 0 && (
          <p className="told my-3">No tree matches “{filter}”.</p>
        )}
      </div>
    </div>
  );
}

/** The rows as they are filtered and sorted, with the columns that are shown. */
function useTable(trees: TreeRow[], system: UnitSystem) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'verdict', desc: false }]);
  const [filter, setFilter] = useState('');
  const [visibility, setVisibility] = useState<VisibilityState>({
    species: false,
    plantedYear: false,
    stemDiameter: false,
    due: false,
    onBark: false,
  });
  const columns = useMemo(() => columnsIn(system), [system]);
  const table = useReactTable({
    data: trees,
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
  return { table, filter, setFilter };
}
