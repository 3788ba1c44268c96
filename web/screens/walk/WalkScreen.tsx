'use client';

import { Fold } from '../../ui/Fold';
import { byLabel } from '@undrel/core/labels';
import { idOf } from '@undrel/core/records';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { QUICK_LOOKS } from '@undrel/core/walk';
import { PageLink } from '@/ui/PageLink';
import type { PropertyPage, TreeRow } from '../../protocol/grounds';
import { type Change } from '../../protocol/item';
import { PlanView } from '../property/PlanView';
import { TopBar } from '../shell/TopBar';
import { useToday } from '../../device/along/keptPage';
import { newId } from '../tree/newId';
import {
  addUnsent,
  begunIn,
  send,
  takeUnsent,
  unsentIn,
  walking,
  type Batch,
} from '../../device/walkBatches';
import { UrgencyMark } from '../../ui/UrgencyMark';
import { Tab, Tabbed, TabList } from '../../ui/controls/Tabs';
import { Ranked } from './Ranked';
import { RoundTold } from './RoundTold';

type Looks = Record<string, string>;

/** Trees in walking order: by label, as the eye reads numbers. */
const inOrder = (trees: readonly TreeRow[]) => [...trees].sort((a, b) => byLabel(a.label, b.label));

/** The nearest tree not yet walked, on the plan; where there is none, the next by label. */
function nextAfter(tree: TreeRow, left: readonly TreeRow[]): TreeRow | undefined {
  const rest = left.filter((t) => t.id !== tree.id);
  const placed = rest.filter((t) => t.x !== undefined && t.y !== undefined);
  if (tree.x === undefined || tree.y === undefined || placed.length === 0)
    return rest.find((t) => byLabel(t.label, tree.label) > 0) ?? rest[0];
  const far = (t: TreeRow) => Math.hypot(t.x! - tree.x!, t.y! - tree.y!);
  return placed.reduce((a, b) => (far(b) < far(a) ? b : a));
}

/** A round of two minutes a tree: eight quick looks by thumb, then who needs what, most urgent first. */
export function WalkScreen(props: {
  page: PropertyPage;
  today: string;
  viewer: string;
  /** Who that is, for what is kept on the phone. */
  person: string;
  mayMeasure: boolean;
  begin: () => Promise<unknown>;
}) {
  const { page, mayMeasure, begin: beginRound } = props;
  const today = useToday(props.today);
  const router = useRouter();
  const [unsent, setUnsent] = useState<Batch[]>([]);
  /** Day of a round that was begun without signal; the server hears of it when there is some. */
  const [sinceHere, setSinceHere] = useState<string | null>(null);
  const toBegin = useRef(false);
  const [just, setJust] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string>();
  const [tab, setTab] = useState<'walk' | 'ranked'>(page.roundStarted ? 'walk' : 'ranked');
  const trees = useMemo(() => inOrder(page.trees), [page.trees]);
  const since = page.roundStarted ?? sinceHere;
  const done = (t: TreeRow) =>
    just.has(t.id) || (since !== null && t.walked !== undefined && t.walked >= since);
  const left = trees.filter((t) => !done(t));
  const [chosen, setChosen] = useState<string>();
  const tree = trees.find((t) => t.id === chosen) ?? left[0];
  const [looks, setLooks] = useState<Looks>({});
  /** What was noted since the page came: the tree noted last, and the visits begun. */
  const [last, setLast] = useState<TreeRow>();
  const [begun, setBegun] = useState<Record<string, NonNullable<TreeRow['today']>>>({});
  // What a page kept on this device knows of today was another day’s.
  const visit = tree && (begun[tree.id] ?? (today === props.today ? tree.today : undefined));
  const present = { ...answersIn(visit), ...looks };
  const sending = useRef(false);

  const [away, setAway] = useState<'signed out' | 'not kept'>();
  const round = useMemo(() => ({ person: props.person, property: page.id }), [props.person, page.id]);
  const { roundStarted } = page;
  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    for (let next = unsentIn(round)[0]; next; next = unsentIn(round)[0]) {
      const outcome = await send(next, round.person);
      if (outcome === 'later') break;
      if (outcome === 'signed out') {
        setAway(outcome);
        break;
      }
      if (outcome !== 'sent') setProblem(outcome.problem);
      takeUnsent(round, next);
    }
    const waiting = unsentIn(round);
    setUnsent(waiting);
    if (waiting.length === 0) setAway(undefined);
    if (waiting.length === 0 && toBegin.current && navigator.onLine && roundStarted === null) {
      toBegin.current = false;
      await beginRound().catch(() => undefined);
    }
    sending.current = false;
  }, [round, beginRound, roundStarted]);
  useEffect(() => {
    const waiting = unsentIn(round);
    setJust(new Set(waiting.map((b) => b.tree)));
    // Opened again without signal: the round goes on where it was.
    const days = Object.values(begunIn(waiting)).map((b) => b.date);
    if (days.length > 0) {
      toBegin.current = true;
      setSinceHere(days.sort()[0]!);
    }
    void flush();
    const left = walking(round);
    const timer = setInterval(() => unsentIn(round).length > 0 && void flush(), 15_000);
    window.addEventListener('online', flush);
    return () => {
      left();
      clearInterval(timer);
      window.removeEventListener('online', flush);
    };
  }, [flush, round]);

  useEffect(() => {
    // Looks at a tree of today that wait belong to one visit.
    const there = Object.entries(begunIn(unsentIn(round))).filter(([, b]) => b.date === today);
    setBegun((now) => ({ ...Object.fromEntries(there), ...now }));
  }, [round, today]);
  const begin = async () => {
    try {
      await beginRound();
    } catch (error) {
      // Where it leads on is thrown too.
      if (navigator.onLine || (error as { digest?: string }).digest) throw error;
      if (page.roundStarted !== null) setProblem('The next round is begun with signal; this one is done.');
      else {
        toBegin.current = true;
        setSinceHere(today);
      }
    }
  };
  const goTo = (id: string | undefined) => {
    setChosen(id);
    setLooks({});
    window.scrollTo(0, 0);
  };
  const keep = (answers: Looks) => {
    if (!tree) return;
    const visitId = visit?.visitId ?? newId();
    const changes: Change[] = [
      ...(visit
        ? []
        : [
            {
              kind: 'visit' as const,
              id: visitId,
              parent: tree.id,
              base: 0,
              values: { date: today, by: props.viewer, walk: true },
            },
          ]),
      ...Object.entries(answers)
        .filter(([key, answer]) => visit?.looks[key]?.answer !== answer)
        .map(([key, answer]): Change => ({
          kind: 'finding',
          id: idOf('finding', visitId, { key }),
          parent: visitId,
          base: visit?.looks[key]?.version ?? 0,
          values: { key, answer },
        })),
    ];
    if (!addUnsent(round, { tree: tree.id, label: tree.label, changes })) setAway('not kept');
    setUnsent(unsentIn(round));
    setJust(new Set([...just, tree.id]));
    setLast(tree);
    const noted = Object.fromEntries(
      changes.flatMap((c) =>
        c.kind === 'finding'
          ? [[c.values!.key as string, { answer: c.values!.answer as string, version: c.base + 1 }]]
          : [],
      ),
    );
    setBegun({ ...begun, [tree.id]: { visitId, looks: { ...visit?.looks, ...noted } } });
    const next = nextAfter(tree, left);
    goTo(next?.id);
    if (!next) setTab('ranked');
    void flush().then(() => (next ? undefined : router.refresh()));
  };
  const rest = Object.fromEntries(QUICK_LOOKS.map((q) => [q.key, present[q.key] ?? q.answers[0]!.key]));
  const marked = Object.keys(present).length;
  const plan = (
    <PlanView
      trees={page.trees}
      outlines={page.plan}
      marked={tree?.id}
      onMark={() => undefined}
      placing={undefined}
      onPlace={() => undefined}
      mark={(t, r) => <UrgencyMark urgency={done(t) ? 'fine' : 'unseen'} r={r} />}
      onOpen={goTo}
    />
  );

  return (
    <Tabbed
      value={tab}
      onChange={(view) => {
        setTab(view);
        if (view === 'ranked') router.refresh();
      }}
      className="min-h-dvh flex flex-col"
    >
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-x-2">
          <PageLink href={`/grounds/${page.id}`} className="plain hidden sm:inline">
            {page.name}
          </PageLink>
          <span aria-hidden="true" className="hidden sm:inline">
            ›
          </span>
          <strong>Walk-round</strong>
        </nav>
      </TopBar>
      <TabList
        label="View"
        views={{ walk: `Walk: ${trees.length - left.length} of ${trees.length}`, ranked: 'Who needs what' }}
        className="flex border-b-2 border-ink bg-sheet"
        tabClass="flex-1 min-h-[48px]"
      />
      <RoundTold
        problem={problem}
        onSeen={() => setProblem(undefined)}
        waiting={unsent.length}
        away={away}
        onTry={() => void flush()}
      />
      <Tab of="ranked" className="flex-1 flex flex-col data-[state=inactive]:hidden">
        <Ranked page={page} />
      </Tab>
      <Tab of="walk" className="flex-1 flex flex-col data-[state=inactive]:hidden">
        {!mayMeasure ? (
          <p className="told m-4">Your role can read, not measure.</p>
        ) : since === null || left.length === 0 ? (
          <main className="p-5 max-w-xl">
            <h1>{since === null ? 'No round is under way' : 'The round is done'}</h1>
            <p className="my-3">
              Eight checks of each tree, from the ground, without tools: two minutes. Stay out from under
              anything that hangs or leans; what may fall is called in, not walked up to.
            </p>
            <form action={begin}>
              <button className="act">{since === null ? 'Begin a round' : 'Begin the next round'}</button>
            </form>
          </main>
        ) : tree ? (
          <main className="flex-1 flex flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_520px] lg:grid-rows-[calc(100dvh-138px)]">
            <div className="hidden lg:block border-r-2 border-ink">{plan}</div>
            <div className="flex flex-col flex-1 bg-sheet lg:overflow-y-auto">
              <div className="px-4 pt-3 flex items-baseline gap-3">
                <h1>{tree.label}</h1>
                <span className="text-muted text-sm">{tree.commonName ?? tree.species}</span>
                <PageLink href={`/trees/${tree.id}`} className="ml-auto text-sm">
                  Whole record
                </PageLink>
              </div>
              <div className="px-4 pb-2 flex-1">
                {QUICK_LOOKS.map((question) => (
                  <fieldset key={question.key} className="pt-1.5">
                    <legend className="text-sm">{question.ask}</legend>
                    <div className="grid grid-flow-col auto-cols-fr gap-1">
                      {question.answers.map((answer) => {
                        const on = present[question.key] === answer.key;
                        return (
                          <button
                            key={answer.key}
                            type="button"
                            aria-pressed={on}
                            className={`min-h-[46px] px-1 leading-tight text-sm border ${on ? 'bg-ink text-sheet border-ink' : 'border-muted bg-sheet'}`}
                            onClick={() => {
                              const next = { ...looks };
                              if (looks[question.key] === answer.key) delete next[question.key];
                              else next[question.key] = answer.key;
                              setLooks(next);
                            }}
                          >
                            {answer.label}
                          </button>
                        );
                      })}
                    </div>
                  </fieldset>
                ))}
              </div>
              <div className="sticky bottom-0 bg-wash border-t-2 border-ink p-3 flex gap-2">
                <button type="button" className="act flex-1 !min-h-[54px]" onClick={() => keep(rest)}>
                  {marked === 0 ? 'Nothing wrong, next' : 'The rest is fine, next'}
                </button>
                <button
                  type="button"
                  className="quiet !min-h-[54px]"
                  onClick={() => (marked > 0 ? keep(present) : goTo(nextAfter(tree, left)?.id))}
                >
                  {marked > 0 ? 'Only these' : 'Skip'}
                </button>
              </div>
              <div className="h-[44px] px-4">
                {last && last.id !== tree.id && (
                  <button type="button" className="link min-h-[44px]" onClick={() => goTo(last.id)}>
                    ← {last.label} noted; back to it
                  </button>
                )}
              </div>
              <Fold
                className="px-4 py-2 border-t border-hair"
                summaryClass="min-h-[44px] flex items-center cursor-pointer"
                summary={`Another tree (${left.length} left)`}
              >
                {(choosing) => (
                  <>
                    <div className="lg:hidden h-72 border border-ink mb-2">{choosing && plan}</div>
                    <ul className="columns-2 sm:columns-3">
                      {trees.map((t) => (
                        <li key={t.id}>
                          <button
                            type="button"
                            className="link min-h-[44px] text-left"
                            onClick={() => goTo(t.id)}
                          >
                            {t.label} <span className={done(t) ? '' : 'invisible'}>✓</span>
                          </button>
                        </li>
                      ))}
                    </ul>
                  </>
                )}
              </Fold>
            </div>
          </main>
        ) : null}
      </Tab>
    </Tabbed>
  );
}

const answersIn = (visit: TreeRow['today']): Looks =>
  Object.fromEntries(Object.entries(visit?.looks ?? {}).map(([key, { answer }]) => [key, answer]));
