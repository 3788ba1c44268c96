'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import type { PropertyPage, TreeRow } from '../../protocol/grounds';
import { PlanView } from '../property/PlanView';
import { TopBar } from '../shell/TopBar';
import { useToday } from '../../device/along/keptPage';
import { newId } from '../tree/newId';
import { UrgencyMark } from '../../ui/UrgencyMark';
import { Tab, Tabbed, TabList } from '../../ui/controls/Tabs';
import { AnotherTree } from './AnotherTree';
import { answersIn, inOrder, nextAfter, noted, type Looks } from './looks';
import { LooksForm } from './LooksForm';
import { NoRound } from './NoRound';
import { Ranked } from './Ranked';
import { RoundTold } from './RoundTold';
import { useRound } from './useRound';

interface WalkProps {
  page: PropertyPage;
  today: string;
  viewer: string;
  /** Who that is, for what is kept on the phone. */
  person: string;
  mayMeasure: boolean;
  begin: () => Promise<unknown>;
}

/**
 * A round of two minutes a tree: eight quick looks by thumb, then who needs what, most urgent first.
 *
 * @param page the {@link PropertyPage} as one JSON text
 */
export function WalkScreen({ page: text, ...props }: Omit<WalkProps, 'page'> & { page: string }) {
  const page = useMemo(() => JSON.parse(text) as PropertyPage, [text]);
  return <Walk {...props} page={page} />;
}

function Walk(props: WalkProps) {
  const { page, mayMeasure } = props;
  const router = useRouter();
  const walk = useWalk(props);
  const { round, trees, left, tree, tab, setTab } = walk;
  return (
    <Tabbed
      value={tab}
      onChange={(view) => {
        setTab(view);
        if (view === 'ranked') router.refresh();
      }}
      className="min-h-dvh flex flex-col"
    >
      <WalkBar page={page} />
      <TabList
        label="View"
        views={{ walk: `Walk: ${trees.length - left.length} of ${trees.length}`, ranked: 'Who needs what' }}
        className="flex border-b-2 border-ink bg-sheet"
        tabClass="flex-1 min-h-[48px]"
      />
      <RoundTold
        problem={round.problem}
        onSeen={round.seen}
        waiting={round.unsent.length}
        away={round.away}
        onTry={() => void round.flush()}
      />
      <Tab of="ranked" className="flex-1 flex flex-col">
        <Ranked page={page} />
      </Tab>
      <Tab of="walk" className="flex-1 flex flex-col">
        {!mayMeasure ? (
          <p className="told m-4">Your role can read, not measure.</p>
        ) : round.since === null || left.length === 0 ? (
          <NoRound none={round.since === null} begin={round.begin} />
        ) : tree ? (
          <TreeInWalk walk={walk} tree={tree} page={page} />
        ) : null}
      </Tab>
    </Tabbed>
  );
}

/** Which trees of the round are left, which is before one, and what is seen at it. */
function useWalk(props: WalkProps) {
  const { page } = props;
  const today = useToday(props.today);
  const router = useRouter();
  const round = useRound({ person: props.person, property: page.id }, today, page.roundStarted, props.begin);
  const { since, just } = round;
  const [tab, setTab] = useState<'walk' | 'ranked'>(page.roundStarted ? 'walk' : 'ranked');
  const trees = useMemo(() => inOrder(page.trees), [page.trees]);
  const done = (t: TreeRow) =>
    just.has(t.id) || (since !== null && t.walked !== undefined && t.walked >= since);
  const left = trees.filter((t) => !done(t));
  const [chosen, setChosen] = useState<string>();
  const tree = trees.find((t) => t.id === chosen) ?? left[0];
  const [looks, setLooks] = useState<Looks>({});
  const [last, setLast] = useState<TreeRow>();
  // What a page kept on this device knows of today was another day’s.
  const visit = tree && (round.begun[tree.id] ?? (today === props.today ? tree.today : undefined));
  const goTo = (id: string | undefined) => {
    setChosen(id);
    setLooks({});
    window.scrollTo(0, 0);
  };
  const keep = (answers: Looks) => {
    if (!tree) return;
    const { changes, now } = noted(tree.id, visit, answers, { id: newId(), date: today, by: props.viewer });
    round.keep({ tree: tree.id, label: tree.label, changes }, now);
    setLast(tree);
    const next = nextAfter(tree, left);
    goTo(next?.id);
    if (!next) setTab('ranked');
    void round.flush().then(() => (next ? undefined : router.refresh()));
  };
  return { round, tab, setTab, trees, left, done, tree, visit, looks, setLooks, last, goTo, keep };
}

/** The tree that is before one: what is seen at it, and the way to others. */
function TreeInWalk({
  walk,
  tree,
  page,
}: {
  walk: ReturnType<typeof useWalk>;
  tree: TreeRow;
  page: PropertyPage;
}) {
  const { trees, left, done, visit, looks, setLooks, last, goTo, keep } = walk;
  const plan = (
    <PlanView
      trees={page.trees}
      outlines={page.plan}
      marked={tree.id}
      onMark={() => undefined}
      placing={undefined}
      onPlace={() => undefined}
      mark={(t, r) => <UrgencyMark urgency={done(t) ? 'fine' : 'unseen'} r={r} />}
      onOpen={goTo}
    />
  );

  return (
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
        <LooksForm
          present={{ ...answersIn(visit), ...looks }}
          chosen={looks}
          onLooks={setLooks}
          onKeep={keep}
          onSkip={() => goTo(nextAfter(tree, left)?.id)}
        />
        <BackToLast last={last} tree={tree} goTo={goTo} />
        <AnotherTree trees={trees} left={left.length} done={done} plan={plan} onOpen={goTo} />
      </div>
    </main>
  );
}

function WalkBar({ page }: { page: PropertyPage }) {
  return (
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
  );
}

function BackToLast({
  last,
  tree,
  goTo,
}: {
  last: TreeRow | undefined;
  tree: TreeRow;
  goTo: (id: string | undefined) => void;
}) {
  return (
    <div className="h-[44px] px-4">
      {last && last.id !== tree.id && (
        <button type="button" className="link min-h-[44px]" onClick={() => goTo(last.id)}>
          ← {last.label} noted; back to it
        </button>
      )}
    </div>
  );
}
