import type { KeyboardEvent } from 'react';

/** Within a block of cells: Enter goes on to the next cell, the arrow keys up and down to the one before or after. */
export function moveByKeys(event: KeyboardEvent<HTMLElement>): void {
  const step = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
  const from = event.target as HTMLElement;
  if (step === undefined || !from.dataset.cell) return;
  const cells = [...event.currentTarget.querySelectorAll<HTMLElement>('input[data-cell]')];
  const next = cells[cells.indexOf(from) + step];
  event.preventDefault();
  next?.focus();
}
