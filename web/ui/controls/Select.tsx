'use client';

import { useId, useState, useSyncExternalStore, type ComponentType, type ReactNode } from 'react';
import type { PickProps } from './DeskList';

/** Words that stand for themselves. */
export const asOptions = <K extends string>(words: readonly K[]): { key: K; label: K }[] =>
  words.map((key) => ({ key, label: key }));

/** The list of the desk, once its code is here. */
let desk: ComponentType<PickProps> | undefined;
let asked = false;
const waiting = new Set<() => void>();

/** Has the list of the desk fetched, where something finer than a thumb points; a phone keeps its own. */
function whenAtDesk(heard: () => void): () => void {
  waiting.add(heard);
  if (!asked && matchMedia('(hover: hover) and (pointer: fine)').matches) {
    asked = true;
    import('./DeskList').then(
      ({ DeskList }) => {
        desk = DeskList;
        for (const tell of waiting) tell();
      },
      () => (asked = false),
    );
  }
  return () => waiting.delete(heard);
}

/**
 * One of a list, without its label. A phone opens the list that its hand knows; a desk opens one that looks like the rest of
 * the application. Both are as large, and neither gives way to the other while it is in use.
 */
export function PickList<K extends string>(props: PickProps<K>) {
  const Desk = useSyncExternalStore(
    whenAtDesk,
    () => desk,
    () => undefined,
  );
  const [inUse, setInUse] = useState(false);
  if (Desk && !inUse) return <Desk {...(props as unknown as PickProps)} />;
  const { options, value, onChange, empty, ...rest } = props;
  return (
    <select
      {...rest}
      value={value ?? ''}
      onFocus={() => setInUse(true)}
      onBlur={() => setInUse(false)}
      onChange={({ target }) => onChange((target.value || undefined) as K | undefined)}
    >
      {empty !== undefined && <option value="">{empty}</option>}
      {options.map(({ key, label }) => (
        <option key={key} value={key}>
          {label}
        </option>
      ))}
    </select>
  );
}

/** One of a list, with its label above it. */
export function Select<K extends string>({
  label,
  hidden,
  labelClass,
  ...props
}: Omit<PickProps<K>, 'aria-label' | 'aria-labelledby'> & {
  label: ReactNode;
  /** For ears alone. */
  hidden?: boolean;
  labelClass?: string;
}) {
  const id = useId();
  return (
    <label className={labelClass ?? 'block min-w-0'}>
      <span id={id} className={hidden ? 'sr-only' : 'block text-sm'}>
        {label}
      </span>
      <PickList className="w-full" {...props} aria-labelledby={id} />
    </label>
  );
}

/** One of a list in a form that is sent as it stands. */
export function FormSelect<K extends string>({
  initial,
  ...props
}: Omit<Parameters<typeof Select<K>>[0], 'value' | 'onChange' | 'name'> & { name: string; initial: K }) {
  const [value, setValue] = useState(initial);
  return <Select {...props} value={value} onChange={(chosen) => chosen && setValue(chosen)} />;
}
