'use client';

import type { ReactNode } from 'react';
import { Tabs } from 'radix-ui';

/** Views of one page, of which one is shown: the list that chooses between them and the views may stand anywhere within. */
export function Tabbed<K extends string>(props: {
  value: K;
  onChange: (view: K) => void;
  className?: string;
  children: ReactNode;
}) {
  return (
    <Tabs.Root
      value={props.value}
      onValueChange={(view) => props.onChange(view as K)}
      className={props.className}
      // Some views ask the server: one is opened by a key of its own, not by passing it.
      activationMode="manual"
    >
      {props.children}
    </Tabs.Root>
  );
}

/** Chooses between the views. @param views what each is called, in order */
export function TabList<K extends string>(props: {
  label: string;
  views: Readonly<Record<K, string>>;
  className: string;
  tabClass: string;
}) {
  return (
    <Tabs.List aria-label={props.label} className={props.className}>
      {(Object.keys(props.views) as K[]).map((key) => (
        <Tabs.Trigger
          key={key}
          value={key}
          className={`${props.tabClass} data-[state=active]:bg-ink data-[state=active]:text-paper data-[state=active]:font-bold`}
        >
          {props.views[key]}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}

/** One of the views. */
export function Tab<K extends string>(props: { of: K; className?: string; children: ReactNode }) {
  return (
    <Tabs.Content value={props.of} className={props.className} tabIndex={-1}>
      {props.children}
    </Tabs.Content>
  );
}
