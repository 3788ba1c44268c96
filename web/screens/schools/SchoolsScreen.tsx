'use client';

import Link from 'next/link';
import { useState, useTransition } from 'react';
import { formatMoney } from '@undrel/core/costing';
import type { MatterEffect } from '@undrel/core/prescription';
import { writeLengths } from '@undrel/core/units';
import { Changes } from '../../ui/Changes';
import { useAlive } from '../../ui/controls/Entry';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';

const CHOSEN_BY = { default: 'by default', firm: 'the firm’s choice', tree: 'chosen for this tree' } as const;

/** Where practitioners disagree: the school followed here, by whose choice, and what another would change in this prescription. */
export function SchoolsScreen(props: {
  treeId: string;
  tree: string;
  visitDate: string;
  matters: readonly MatterEffect[];
  difference: Record<string, Record<string, string>>;
  currency: string | undefined;
  choose: ((matter: string, school: string | undefined) => Promise<{ problem?: string }>) | undefined;
}) {
  const { units: system } = usePreferences();
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [busy, start] = useTransition();
  const alive = useAlive();
  const touched = (m: MatterEffect) =>
    m.schools.some((s) => s.changes.length > 0 || props.difference[m.matter.key]?.[s.school.key]);
  const [changing, idle] = [props.matters.filter(touched), props.matters.filter((m) => !touched(m))];
  const choose = (matter: string, school: string | undefined) =>
    start(async () => {
      const answer = await props.choose!(matter, school).catch(() => ({
        problem: 'The server was not reached; nothing was changed. Try again.',
      }));
      setProblem(answer.problem);
    });
  const say = (text: string) => writeLengths(text, system);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-2">
          <Link className="plain" href={`/trees/${props.treeId}?station=prescription`} prefetch={false}>
            {props.tree}
          </Link>
          <span aria-hidden="true">›</span>
          <strong>Other schools</strong>
        </nav>
      </TopBar>
      <main className="p-4 lg:p-8 max-w-5xl">
        <h1>
          {changing.length === 0
            ? 'No other school would change this prescription'
            : `${changing.length} of ${props.matters.length} disagreements would change this prescription`}
        </h1>
        <p className="my-2 text-muted">
          Good practitioners disagree. Followed here first; beside each other school stands what it would
          change for this tree, visit of {props.visitDate}.
        </p>
        {problem && (
          <p role="alert" className="wrong my-2">
            {problem}
          </p>
        )}
        {changing.map(({ matter, chosenBy, schools }) => {
          const followed = schools.find((s) => s.inForce)!;
          return (
            <section key={matter.key} aria-label={matter.label} className="border-t-[1.5px] border-ink py-3">
              <h2>{matter.label}</h2>
              <p>
                <strong>{followed.school.label}</strong>{' '}
                <span className="text-muted">
                  ({CHOSEN_BY[chosenBy]}). Why the default: {matter.reason}
                </span>
                {chosenBy === 'tree' && props.choose && (
                  <button
                    type="button"
                    className="link ml-2"
                    disabled={!alive || busy}
                    onClick={() => choose(matter.key, undefined)}
                  >
                    As the firm: {matter.label.toLowerCase()}
                  </button>
                )}
              </p>
              {schools
                .filter((s) => !s.inForce)
                .map(({ school, changes }) => {
                  const more = props.difference[matter.key]?.[school.key];
                  return (
                    <div key={school.key} className="mt-2 pl-4 border-l-4 border-hair">
                      <div className="flex flex-wrap items-center gap-x-3">
                        <h3 className="font-semibold">{school.label}</h3>
                        {more && props.currency && (
                          <span className="num">
                            {Number(more) > 0 ? '+' : '−'}
                            {formatMoney(String(Math.abs(Number(more))), props.currency)} net
                          </span>
                        )}
                        {props.choose && (
                          <button
                            type="button"
                            className="quiet"
                            disabled={!alive || busy}
                            onClick={() => choose(matter.key, school.key)}
                            aria-label={`Follow for this tree: ${school.label}`}
                          >
                            Follow for this tree
                          </button>
                        )}
                      </div>
                      {school.warning && <p className="wrong my-1">{school.warning}</p>}
                      {changes.length === 0 ? (
                        <p className="text-muted">
                          {more ? 'Changes what the trenches take.' : 'Changes nothing here.'}
                        </p>
                      ) : (
                        <Changes changes={changes} say={say} />
                      )}
                    </div>
                  );
                })}
            </section>
          );
        })}
        {idle.length > 0 && (
          <section className="border-t-[1.5px] border-ink py-3" aria-label="Without effect here">
            <h2>Without effect on this prescription</h2>
            <ul>
              {idle.map(({ matter, schools }) => (
                <li key={matter.key} className="border-b border-hair py-1">
                  {matter.label}: {schools.find((s) => s.inForce)!.school.label}
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
    </div>
  );
}
