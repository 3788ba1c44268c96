'use client';

import dynamic from 'next/dynamic';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { NotedInput } from './NotedInput';
import { dayProblem, readDay } from './readDay';

const DayPicker = dynamic(() => import('./DayPicker').then((m) => m.DayPicker));

/**
 * A day, typed or chosen from a calendar. What is no day, or outside what is allowed, is refused with field, value and
 * range, and stays as it was typed.
 *
 * @param props.value ISO day, empty for none
 */
export function DayInput(props: {
  label: string;
  value: string;
  min?: string | undefined;
  max?: string | undefined;
  disabled?: boolean | undefined;
  invalid?: boolean;
  className?: string;
  onChange: (day: string) => void;
}) {
  const { label, value, min, max } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const [open, setOpen] = useState(false);
  const wrong = typed !== undefined && typed.trim() !== '' ? dayProblem(label, typed, min, max) : undefined;
  const take = (text: string) => {
    setTyped(text);
    const day = readDay(text);
    if (text.trim() === '') props.onChange('');
    else if (day && !dayProblem(label, text, min, max) && day !== value) props.onChange(day);
  };
  return (
    <div className={props.className}>
      <label id={`${id}-label`} htmlFor={id} className="block text-sm">
        {label}
      </label>
      <div className="flex">
        <NotedInput
          note={wrong}
          id={id}
          className="num w-[8.5rem]"
          placeholder="YYYY-MM-DD"
          autoComplete="off"
          disabled={props.disabled}
          aria-invalid={props.invalid || undefined}
          value={typed ?? value}
          onBlur={() => !wrong && setTyped(undefined)}
          onChange={(event) => take(event.target.value)}
        />
        <Popover.Root open={open} onOpenChange={setOpen}>
          <Popover.Trigger asChild>
            <button
              type="button"
              className="min-w-[44px] min-h-[44px] border border-l-0 border-ink bg-sheet inline-flex items-center justify-center disabled:text-muted"
              aria-label="Calendar"
              aria-describedby={`${id}-label`}
              disabled={props.disabled}
            >
              <CalendarMark />
            </button>
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              sideOffset={4}
              collisionPadding={8}
              aria-label={label}
              className="z-50 bg-sheet border-2 border-ink p-3 min-w-[304px] min-h-[330px]"
            >
              <DayPicker
                value={value}
                min={min}
                max={max}
                onChoose={(day) => {
                  setTyped(undefined);
                  setOpen(false);
                  if (day !== value) props.onChange(day);
                }}
              />
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      </div>
    </div>
  );
}

function CalendarMark() {
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
      <path
        d="M2.5 4.5h15v13h-15zM2.5 8.5h15M6 2v4M14 2v4"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
      />
    </svg>
  );
}
