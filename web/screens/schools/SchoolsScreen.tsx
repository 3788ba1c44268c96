'use client';

import { useState, useTransition } from 'react';
import type { MatterEffect } from '@undrel/core/prescription';
import { tradeLengths } from '@undrel/core/units';
import { Said } from '../../ui/Said';
import { CHOSEN_BY } from '../../ui/chosenBy';
import { useAlive } from '../../ui/controls/Entry';
import { SCHOOLS_OF_CUTS, type CutsUnder } from '../../protocol/cutsUnder';
import { usePreferences } from '../shell/preferences';
import { TreePageBar } from '../shell/TreePageBar';
import { OtherSchool } from './OtherSchool';

interface SchoolsScreenProps {
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
}

/** Where practitioners disagree: the school followed here, by whose choice, and what another would change in this prescription. */
export function SchoolsScreen(props: SchoolsScreenProps) {
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
  const spoken = (words: string) => tradeLengths(words, system);
  return (
    <div className="min-h-dvh">
      <TreePageBar
        href={`/trees/${props.treeId}?station=prescription`}
        label={props.tree}
        page="Other schools"
      />
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
        {changing.map((effect) => (
          <MatterChanging
            key={effect.matter.key}
            effect={effect}
            difference={props.difference[effect.matter.key]}
            currency={props.currency}
            cuts={props.cuts}
            disabled={!alive || busy}
            choose={props.choose && choose}
          />
        ))}
        <WithoutEffect idle={idle} spoken={spoken} />
      </main>
    </div>
  );
}

/** A disagreement that bears on this prescription: what is followed, and what each other school would change. */
function MatterChanging({
  effect: { matter, chosenBy, schools },
  difference,
  currency,
  cuts,
  disabled,
  choose,
}: {
  effect: MatterEffect;
  /** What each other school would cost more or less, net. */
  difference: Record<string, string> | undefined;
  currency: string | undefined;
  cuts: SchoolsScreenProps['cuts'];
  disabled: boolean;
  choose: ((level: 'tree' | 'property', matter: string, school: string | undefined) => void) | undefined;
}) {
  const { units: system } = usePreferences();
  const spoken = (words: string) => tradeLengths(words, system);
  const followed = schools.find((s) => s.inForce)!;
  return (
    <section aria-label={matter.label} className="border-t-[1.5px] border-ink py-3">
      <h2>{matter.label}</h2>
      <p>
        <strong>{spoken(followed.school.label)}</strong>{' '}
        <span className="text-muted">
          ({CHOSEN_BY[chosenBy]}). Why the default: {spoken(matter.reason)}
        </span>
        {(chosenBy === 'tree' || chosenBy === 'property') && choose && (
          <button
            type="button"
            className="link ml-2"
            disabled={disabled}
            onClick={() => choose(chosenBy, matter.key, undefined)}
          >
            {chosenBy === 'tree' ? 'None of its own' : 'As the firm'}: {matter.label.toLowerCase()}
          </button>
        )}
      </p>
      {schools
        .filter((s) => !s.inForce)
        .map(({ school, changes }) => {
          const more = difference?.[school.key];
          return (
            <OtherSchool
              key={school.key}
              school={school}
              more={more}
              currency={currency}
              choose={choose}
              disabled={disabled}
              matter={matter}
              cuts={cuts}
              changes={changes}
            />
          );
        })}
    </section>
  );
}

function WithoutEffect({ idle, spoken }: { idle: MatterEffect[]; spoken: (words: string) => string }) {
  return (
    <>
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
    </>
  );
}
