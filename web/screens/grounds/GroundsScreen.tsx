'use client';

import { useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { isOpen } from '@undrel/core/schedule';
import { dayAfter, daysBetween } from '@undrel/core/vocabulary';
import type { PropertyRow } from '../../protocol/grounds';
import type { SignSeen } from '../../protocol/mayFall';
import type { TaskRow } from '../../protocol/season';
import { lengthOf, whenOf } from '../season/words';
import { PropertiesMap } from './PropertiesMap';
import { count } from '../../ui/count';
import { TopBar } from '../shell/TopBar';
import { useKeptForm } from '../../ui/useKeptForm';

export interface NewProperty {
  name: string;
  client: string;
  note: string;
  problem?: string;
}

/** Tasks of so many days to come stand on the first page, and no more than so many. */
const SOON_DAYS = 14;
const MOST = 12;

/** What is due first, then the grounds. */
export function GroundsScreen(props: {
  firm: string;
  today: string;
  properties: PropertyRow[];
  tasks: readonly TaskRow[];
  signs: readonly SignSeen[];
  removed: { name: string; restore: () => Promise<void> } | undefined;
  addProperty: ((state: NewProperty, form: FormData) => Promise<NewProperty>) | undefined;
}) {
  const soon = props.tasks.filter((t) => isOpen(t) && t.from <= dayAfter(props.today, SOON_DAYS));
  const late = soon.filter((t) => t.state === 'late');
  const lateAt = new Map<string, number>();
  for (const t of late) lateAt.set(t.propertyId, (lateAt.get(t.propertyId) ?? 0) + 1);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong className="hidden sm:inline">{props.firm}</strong>
      </TopBar>
      <main className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_540px] min-h-[calc(100dvh-50px)]">
        <section className="p-4 lg:p-8" aria-labelledby="due">
          {props.removed && (
            <form action={props.removed.restore} className="told mb-4 flex items-center gap-3" role="status">
              {props.removed.name} removed.
              <button className="link">Undo</button>
            </form>
          )}
          <h1 id="due">What is due</h1>
          {props.signs.length > 0 && <MayFall signs={props.signs} today={props.today} />}
          <p className="text-lg my-1" data-testid="due-summary">
            {soon.length === 0
              ? 'Nothing is due within two weeks.'
              : `${late.length} late, ${soon.length - late.length} more within two weeks.`}{' '}
            <PageLink href="/season">The whole season</PageLink> ·{' '}
            <PageLink href="/practice/worked">Did the work help?</PageLink>
          </p>
          <ul className="mt-2">
            {soon.slice(0, MOST).map((t) => (
              <DueEntry key={`${t.visitId} ${t.key}`} t={t} today={props.today} />
            ))}
          </ul>
        </section>
        <section
          className="bg-sheet p-4 lg:p-8 border-t-2 lg:border-t-0 lg:border-l-2 border-ink"
          aria-labelledby="grounds"
        >
          <h1 id="grounds">Properties</h1>
          {props.properties.length === 0 && (
            <p className="told my-4">No properties yet. Add the first: a garden, a street, a campus.</p>
          )}
          <PropertiesTable properties={props.properties} />
          <PropertiesMap properties={props.properties} late={lateAt} />
          {props.addProperty && <AddProperty action={props.addProperty} />}
        </section>
      </main>
    </div>
  );
}

/** Trees named before the rest is counted. */
const NAMED = 6;

/** Trees that show signs of danger, before everything else. */
function MayFall({ signs, today }: { signs: readonly SignSeen[]; today: string }) {
  const rest = signs.length - NAMED;
  return (
    <section className="wrong my-2" data-testid="may-fall" aria-label="May fall">
      <p>
        <strong>
          {count(signs.length, 'tree')} {signs.length === 1 ? 'shows a sign that it' : 'show signs that they'}{' '}
          may fall.
        </strong>{' '}
        Keep people away, and have the stability assessed.
      </p>
      <ul>
        {signs.slice(0, NAMED).map((s) => (
          <li key={s.treeId}>
            <PageLink href={`/trees/${s.treeId}/order`}>{s.label}</PageLink>
            <span className="text-muted">
              , {s.property}; seen {seenWhen(s.since, today)}
            </span>
          </li>
        ))}
      </ul>
      {rest > 0 && <p>And {rest} more: open their properties.</p>}
    </section>
  );
}

function seenWhen(day: string, today: string): string {
  const days = daysBetween(day, today);
  return days < 1 ? 'today' : `${lengthOf(days)} ago`;
}

function AddProperty({ action }: { action: (state: NewProperty, form: FormData) => Promise<NewProperty> }) {
  const [open, setOpen] = useState(false);
  const [state, act, busy] = useKeptForm(action, { name: '', client: '', note: '' });
  if (!open) {
    return (
      <button type="button" className="quiet mt-5" onClick={() => setOpen(true)}>
        Add a property
      </button>
    );
  }
  return (
    <form action={act} className="mt-5 max-w-md space-y-3">
      <h2>New property</h2>
      <label className="block">
        <span className="block text-sm">Name</span>
        <input className="w-full" name="name" required maxLength={120} defaultValue={state.name} autoFocus />
      </label>
      <label className="block">
        <span className="block text-sm">Client</span>
        <input className="w-full" name="client" maxLength={120} defaultValue={state.client} />
      </label>
      <label className="block">
        <span className="block text-sm">Note: access, contact on site, hazards</span>
        <textarea className="w-full" name="note" rows={2} defaultValue={state.note} />
      </label>
      <button className="act mr-2" disabled={busy}>
        Add
      </button>
      <button type="button" className="quiet" onClick={() => setOpen(false)}>
        Cancel
      </button>
      <Said problem={state.problem} />
    </form>
  );
}

function DueEntry({ t, today }: { t: TaskRow; today: string }) {
  return (
    <li className="border-b border-hair py-2 grid grid-cols-[7rem_1fr] gap-x-3">
      <span className={`num ${t.state === 'late' ? 'text-harm font-bold' : ''}`}>
        {t.to}
        <span className="block text-sm font-sans">{whenOf(t, today)}</span>
      </span>
      <span>
        <PageLink className="font-semibold" href={`/trees/${t.treeId}`}>
          {t.label}
        </PageLink>
        <span className="text-muted">, {t.property}</span>
        <span className="block">{t.what}</span>
      </span>
    </li>
  );
}

function PropertiesTable({ properties }: { properties: PropertyRow[] }) {
  return (
    <table className="mt-3">
      <thead>
        <tr>
          <th scope="col">name</th>
          <th scope="col" className="text-right">
            trees
          </th>
          <th scope="col" className="text-right">
            visited
          </th>
          <th scope="col" className="text-right hidden sm:table-cell">
            last visit
          </th>
        </tr>
      </thead>
      <tbody>
        {properties.map((p) => (
          <tr key={p.id}>
            <td className="py-2">
              <PageLink
                className="font-semibold inline-flex min-h-[32px] items-center text-lg"
                href={`/grounds/${p.id}`}
              >
                {p.name}
              </PageLink>
              {p.client && <span className="block text-sm text-muted">{p.client}</span>}
            </td>
            <td className="num text-right">{p.trees}</td>
            <td className="num text-right">{p.visited}</td>
            <td className="num text-right hidden sm:table-cell pl-4 whitespace-nowrap">
              {p.last_visit ?? '—'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
