'use client';

import { format, parseISO } from 'date-fns';
import { DayPicker as Calendar } from 'react-day-picker';

const PRESS = 'min-w-[40px] min-h-[40px] text-center';

/** A month to choose a day from, in the product's own look. */
export function DayPicker({
  value,
  min,
  max,
  onChoose,
}: {
  value: string;
  min?: string | undefined;
  max?: string | undefined;
  onChoose: (day: string) => void;
}) {
  const chosen = value ? parseISO(value) : undefined;
  return (
    <Calendar
      mode="single"
      weekStartsOn={1}
      autoFocus
      captionLayout="dropdown"
      selected={chosen}
      defaultMonth={chosen ?? (max ? parseISO(max) : min ? parseISO(min) : new Date())}
      startMonth={min ? parseISO(min) : new Date(1990, 0)}
      endMonth={max ? parseISO(max) : new Date(2060, 11)}
      disabled={[...(min ? [{ before: parseISO(min) }] : []), ...(max ? [{ after: parseISO(max) }] : [])]}
      onSelect={(day) => day && onChoose(format(day, 'yyyy-MM-dd'))}
      classNames={{
        months: 'relative',
        nav: 'flex justify-between absolute inset-x-0 top-0',
        button_previous: PRESS,
        button_next: PRESS,
        month_caption: 'flex justify-center items-center min-h-[40px] font-semibold px-10',
        dropdowns: 'flex gap-1',
        dropdown: 'min-h-[36px] bg-sheet border border-ink px-1',
        caption_label: 'sr-only',
        chevron: 'fill-current inline-block w-5 h-5',
        weekday: 'text-sm font-normal text-muted',
        day: 'p-0',
        day_button: `${PRESS} num`,
        selected: 'bg-ink text-sheet',
        today: 'font-bold underline',
        disabled: 'text-muted line-through',
        outside: 'invisible',
      }}
    />
  );
}
