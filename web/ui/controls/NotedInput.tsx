'use client';

import { useId, type ComponentProps, type ReactNode } from 'react';
import { FieldNote } from './FieldNote';

/** An input with what is wrong with its value, marked and told; see {@link FieldNote}. */
export function NotedInput({ note, ...input }: ComponentProps<'input'> & { note: ReactNode }) {
  const id = useId();
  const wrong = Boolean(note);
  return (
    <FieldNote id={id} note={wrong ? note : undefined}>
      <input
        {...input}
        aria-invalid={wrong || input['aria-invalid'] || undefined}
        aria-describedby={wrong ? id : undefined}
      />
    </FieldNote>
  );
}
