'use client';

import { useState } from 'react';
import { DropdownMenu } from 'radix-ui';
import { flexRender } from '@tanstack/react-table';
import { ServerButton } from '../../ui/FromServer';
import { painted } from '../../ui/painted';
import type { TreeRow } from '../../protocol/grounds';
import type { Table, Row } from '@tanstack/table-core';
const SORT_WORDS = { asc: 'ascending', desc: 'descending' } as const;
/** Which columns are shown. */
export function ColumnsMenu({ table }: { table: Table<TreeRow> }) {
  const [open, setOpen] = useState(false);
  // That it was pressed is seen first: to lay the menu out takes longer.
  const opened = (next: boolean) => (next ? void painted().then(() => setOpen(true)) : setOpen(false));
  return (
    // Not modal: to shut the page out, all of it is styled anew three times. What is pressed beside it is caught by a sheet,
    // which stays until the press is over, so that nothing below it is pressed.
    <DropdownMenu.Root modal={false} open={open} onOpenChange={opened}>
      <DropdownMenu.Trigger className="quiet">Columns</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <div
          className="fixed inset-0 z-30"
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => setOpen(false)}
        />
      </DropdownMenu.Portal>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-40 bg-sheet border-2 border-ink py-1"
          align="end"
          onInteractOutside={(event) => event.preventDefault()}
        >
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
  );
}

/** The heads, pressed to sort by. */
export function TreeTableHead({
  table,
  onPlace,
}: {
  table: Table<TreeRow>;
  onPlace: ((id: string) => void) | undefined;
}) {
  return (
    <thead className="sticky top-0 bg-sheet z-10">
      {table.getHeaderGroups().map((group) => (
        <tr key={group.id}>
          {group.headers.map((header) => {
            const sorted = header.column.getIsSorted();
            return (
              <th key={header.id} scope="col" aria-sort={sorted ? SORT_WORDS[sorted] : 'none'}>
                <button
                  type="button"
                  className="min-h-[36px] font-semibold text-left leading-tight"
                  onClick={header.column.getToggleSortingHandler()}
                >
                  {flexRender(header.column.columnDef.header, header.getContext())}
                  <span aria-hidden="true">{sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}</span>
                </button>
              </th>
            );
          })}
          {onPlace && (
            <th scope="col">
              <span className="sr-only">place</span>
            </th>
          )}
        </tr>
      ))}
    </thead>
  );
}

/** One tree, and the way to place it on the plan. */
export function TreeTableRow({
  row,
  marked,
  onMark,
  onPlace,
}: {
  row: Row<TreeRow>;
  marked: string | undefined;
  onMark: (id: string) => void;
  onPlace: ((id: string) => void) | undefined;
}) {
  return (
    <tr
      className={marked === row.original.id ? 'bg-wash' : ''}
      onPointerEnter={() => onMark(row.original.id)}
    >
      {row.getVisibleCells().map((cell) => (
        <td
          key={cell.id}
          className={`${(cell.column.columnDef.meta as { figure?: boolean } | undefined)?.figure ? 'num whitespace-nowrap' : 'wrap-anywhere'}`}
        >
          {flexRender(cell.column.columnDef.cell, cell.getContext())}
        </td>
      ))}
      {onPlace && (
        <td className="text-right">
          <ServerButton
            className="link px-1"
            aria-label={`Place ${row.original.label} on the plan`}
            onClick={() => onPlace!(row.original.id)}
          >
            Place
          </ServerButton>
        </td>
      )}
    </tr>
  );
}

/** Words by which the trees are filtered. */
export function TableFilter({ filter, setFilter }: { filter: string; setFilter: (next: string) => void }) {
  return (
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
  );
}
