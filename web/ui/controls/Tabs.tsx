'use client';

import { createContext, useContext, useDeferredValue, type ReactNode } from 'react';
import { Tabs } from 'radix-ui';

/** The view that is drawn. */
const Shown = createContext<string | undefined>(undefined);

/**
 * Views of one page, of which one is shown: the list that chooses between them and the views may stand anywhere within. The list
 * answers a press at once; the view, which may take a phone a while to draw, follows in place of the one before.
 */
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
      <Shown value={useDeferredValue(props.value)}>{props.children}</Shown>
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
  const shown = useContext(Shown) === props.of;
  return (
    <Tabs.Content value={props.of} className={props.className} tabIndex={-1} forceMount hidden={!shown}>
      {shown && props.children}
    </Tabs.Content>
  );
}
