'use client';

import { Suspense, use, useState, useTransition } from 'react';
import { formatMoney } from '@undrel/core/costing';
import type { MatterEffect } from '@undrel/core/prescription';
import { tradeLengths, writeLengths } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { Changes } from '../../ui/Changes';
import { CHOSEN_BY } from '../../ui/chosenBy';
import { useAlive } from '../../ui/controls/Entry';
import { SCHOOLS_OF_CUTS, type CutsUnder } from '../../protocol/cutsUnder';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';

const FOLLOW = { tree: 'Follow for this tree', property: 'Follow on this whole property' } as const;

/** What the best cut plan would be under another school, once it is solved. */
function CutsUnderSchool(props: { cuts: Promise<CutsUnder | undefined>; matter: string; school: string }) {
  const says = use(props.cuts);
  const own = says?.[props.matter]?.[props.school] ?? [];
  return (
    <p>
      <strong>Cut plan:</strong>{' '}
      {!says
        ? 'it could not be solved just now; open the page again.'
        : own.length === 0
          ? 'the same roots in the same stages.'
          : own.join(' ')}
    </p>
  );
}

/** Where practitioners disagree: the school followed here, by whose choice, and what another would change in this prescription. */
export function SchoolsScreen(props: {
  treeId: string;
  tree: string;
  visitDate: string;
  matters: readonly MatterEffect[];
  difference: Record<string, Record<string, string>>;
  currency: string | undefined;
  /** The best cut plan under each school that bears on it; absent without a dig, undefined where it failed. */
  cuts: Promise<CutsUnder | undefined> | undefined;
  choose:
    | ((
        level: 'tree' | 'property',
        matter: string,
        school: string | undefined,
      ) => Promise<{ problem?: string }>)
    | undefined;
}) {
  const { units: system } = usePreferences();
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [busy, start] = useTransition();
  const alive = useAlive();
  const touched = (m: MatterEffect) =>
    (props.cuts !== undefined && SCHOOLS_OF_CUTS.includes(m.matter.key)) ||
    m.schools.some((s) => s.changes.length > 0 || props.difference[m.matter.key]?.[s.school.key]);
  const [changing, idle] = [props.matters.filter(touched), props.matters.filter((m) => !touched(m))];
  const choose = (level: 'tree' | 'property', matter: string, school: string | undefined) =>
    start(async () => {
      const answer = await props.choose!(level, matter, school).catch(() => ({
        problem: 'The server could not be reached; nothing was changed. Try again.',
      }));
      setProblem(answer.problem);
    });
  const say = (text: string) => writeLengths(text, system);
  const spoken = (words: string) => tradeLengths(words, system);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-2">
          <PageLink className="plain" href={`/trees/${props.treeId}?station=prescription`}>
            {props.tree}
          </PageLink>
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
          change for this tree, visit of <span className="whitespace-nowrap">{props.visitDate}</span>.
        </p>
        <Said problem={problem} lines={1} />
        {changing.map(({ matter, chosenBy, schools }) => {
          const followed = schools.find((s) => s.inForce)!;
          return (
            <section key={matter.key} aria-label={matter.label} className="border-t-[1.5px] border-ink py-3">
              <h2>{matter.label}</h2>
              <p>
                <strong>{spoken(followed.school.label)}</strong>{' '}
                <span className="text-muted">
                  ({CHOSEN_BY[chosenBy]}). Why the default: {spoken(matter.reason)}
                </span>
                {(chosenBy === 'tree' || chosenBy === 'property') && props.choose && (
                  <button
                    type="button"
                    className="link ml-2"
                    disabled={!alive || busy}
                    onClick={() => choose(chosenBy, matter.key, undefined)}
                  >
                    {chosenBy === 'tree' ? 'None of its own' : 'As the firm'}: {matter.label.toLowerCase()}
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
                        <h3 className="font-semibold">{spoken(school.label)}</h3>
                        {more && props.currency && (
                          <span className="num">
                            {Number(more) > 0 ? '+' : '−'}
                            {formatMoney(String(Math.abs(Number(more))), props.currency)} net
                          </span>
                        )}
                        {props.choose && (
                          <div className="flex flex-wrap gap-2">
                            {(['tree', 'property'] as const).map((level) => (
                              <button
                                key={level}
                                type="button"
                                className="quiet whitespace-nowrap"
                                disabled={!alive || busy}
                                onClick={() => choose(level, matter.key, school.key)}
                                aria-label={`${FOLLOW[level]}: ${school.label}`}
                              >
                                {FOLLOW[level]}
                              </button>
                            ))}
                          </div>
                        )}
                      </div>
                      {school.warning && <p className="wrong my-1">{school.warning}</p>}
                      {props.cuts && SCHOOLS_OF_CUTS.includes(matter.key) && (
                        <div className="h-[6.2rem] sm:h-[3.1rem] overflow-y-auto">
                          <Suspense fallback={<p role="status">Solving the cut plan under this school…</p>}>
                            <CutsUnderSchool cuts={props.cuts} matter={matter.key} school={school.key} />
                          </Suspense>
                        </div>
                      )}
                      {changes.length === 0 &&
                      props.cuts &&
                      SCHOOLS_OF_CUTS.includes(matter.key) ? null : changes.length === 0 ? (
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
                  {matter.label}: {spoken(schools.find((s) => s.inForce)!.school.label)}
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
    </div>
  );
}
