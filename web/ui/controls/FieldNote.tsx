'use client';

import { useRef, useState, type ReactNode } from 'react';
import { late } from '../late';
import type { FieldWordsProps } from './fieldWordsProps';

const FieldWords = late<FieldWordsProps>(
  () => import('./FieldWords').then((m) => m.FieldWords),
  ({ id, children }) => (
    <span id={id} role="alert" className="wrong block text-sm">
      {children}
    </span>
  ),
);

/**
 * A field with what is wrong with its value. The words float beside the field while somebody is in it, so that they
 * never move what can be pressed; the mark on the field stays until the value is right, and the words come back with
 * the next visit to it.
 *
 * @param id of the words, for the field's `aria-describedby`
 * @param note what is wrong, with the buttons that mend it, or nothing
 */
export function FieldNote({
  id,
  note,
  children,
}: {
  id: string;
  note: ReactNode | undefined;
  children: ReactNode;
}) {
  const [within, setWithin] = useState(false);
  const field = useRef<HTMLSpanElement>(null);
  const wrong = note !== undefined && note !== false && note !== null;
  return (
    <span
      ref={field}
      className="block"
      onFocus={() => {
        setWithin(true);
        FieldWords.fetch();
      }}
      onBlur={({ relatedTarget: next, currentTarget }) => {
        const stays = next instanceof Node && document.getElementById(id)?.contains(next);
        if (!stays && !currentTarget.contains(next)) setWithin(false);
      }}
    >
      {children}
      {wrong && !within && (
        <span id={id} hidden>
          {note}
        </span>
      )}
      {wrong && within && (
        <FieldWords id={id} at={field}>
          {note}
        </FieldWords>
      )}
    </span>
  );
}
