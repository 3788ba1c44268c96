'use client';

import { useMemo, useRef, useState } from 'react';
import { isOpen, ROLES, type WhoDoes } from '@undrel/core/schedule';
import { dayAfter } from '@undrel/core/vocabulary';
import { tidy } from '@undrel/core/units';
import type { FeedHead, Marked, Marking, Places, PlannedDay, TaskRow } from '../../protocol/season';
import { useToday } from '../../device/along/keptPage';
import { keepMark, marksIn } from '../../device/keptMarks';
import { runOutbox } from '../../device/outbox';
import { Entry } from '../../ui/controls/Entry';
import { TopBar } from '../shell/TopBar';
import { CrewDaysView } from './CrewDaysView';
import { Calendars, type FeedActions } from './Calendars';
import { MonthView } from './MonthView';
import { SeasonList } from './SeasonList';
import type { NoteYard } from './Yard';
import { YearView } from './YearView';
import { useOutbox } from '../shell/DeviceState';
import type { Marks } from './marks';
import { isWhole, useSeasonLines, waterSoon } from './useSeasonLines';
import { count } from '../../ui/count';
import { WHO_WORDS } from './words';
import { Select } from '../../ui/controls/Select';
import { PrintButton } from '../../ui/PrintButton';
import { Tab, Tabbed, TabList } from '../../ui/controls/Tabs';

const VIEWS = { list: 'List', month: 'Month', year: 'Year by tree', days: 'Crew days' } as const;
export type SeasonView = keyof typeof VIEWS;

/** What is due on all grounds: what presses this week first. */
export function SeasonScreen({
  firm,
  today: dayOfPage,
  viewer,
  person,
  tasks,
  who: at,
  view: begun,
  mark,
  feeds,
  feedActions,
  grounds,
  places,
  noteYard,
  plan,
}: {
  firm: string;
  today: string;
  viewer: string;
  /** Who that is, for what is kept on the device. */
  person: string;
  tasks: readonly TaskRow[];
  /** For whom at first; all where it is undefined. */
  who: WhoDoes | undefined;
  view: SeasonView;
  feeds: readonly FeedHead[];
  feedActions: FeedActions | undefined;
  grounds: readonly { id: string; name: string }[];
  places: Places;
  noteYard: NoteYard | undefined;
  plan: ((days: PlannedDay[]) => Promise<{ problem?: string; planned?: number }>) | undefined;
  mark: ((visitId: string, task: string, marking: Marking) => Promise<Marked>) | undefined;
}) {
  const today = useToday(dayOfPage);
  const [view, setView] = useState(begun);
  const [who, setWho] = useState<WhoDoes | ''>(at ?? '');
  const [property, setProperty] = useState('');
  const [said, setSaid] = useState<ReadonlyMap<string, Marking>>(new Map());
  const versions = useRef(new Map<string, number>());
  const { trees: outbox } = useOutbox();
  const marks = useMemo<Marks>(
    () =>
      new Map([
        ...said,
        ...[...marksIn(outbox)].map(([of, m]) => [of, { ...m, waits: true as const }] as const),
      ]),
    [said, outbox],
  );
  const prescribed = useSeasonLines();
  const mine = <T extends { who?: WhoDoes; propertyId: string }>(rows: readonly T[]) =>
    rows.filter(
      (t) =>
        (who === '' || t.who === undefined || t.who === who) &&
        (property === '' || t.propertyId === property),
    );
  const shown = mine(tasks);
  const rests = mine(prescribed.rests);
  const works = { ...prescribed, rests, works: mine(prescribed.works), water: mine(prescribed.water) };
  const marked = (t: TaskRow) => marks.get(`${t.visitId} ${t.key}`)?.how ?? 'open';
  const isLeft = (t: TaskRow) => isOpen(t) && marked(t) === 'open';
  const left = [...shown, ...rests].filter(isLeft);
  // As the first page and the list count them; what is prescribed is told beside it.
  const due = shown.filter(isLeft);
  const late = due.filter((t) => t.state === 'late').length;
  const week = due.filter((t) => t.state !== 'late' && t.from <= dayAfter(today, 7)).length;
  const trees = new Set(works.works.map((w) => w.treeId)).size;
  const hours = works.works.reduce((sum, w) => sum + w.hours, 0);
  const properties = new Map(grounds.map((g) => [g.id, g.name] as const));
  // A picture of all of it waits for all of it, or for the word that no more comes.
  const settled = isWhole(prescribed) || prescribed.problem !== undefined;
  const say =
    mark &&
    (async (task: TaskRow, marking: Marking) => {
      const own = `${task.visitId} ${task.key}`;
      const version = versions.current.get(own) ?? task.version ?? 0;
      const answer = await mark(task.visitId, task.key, marking).catch((): Marked => {
        // Without signal it waits on this device, and is sent by whatever page is open when there is some.
        const kept = keepMark(task, marking, version, said.get(own), { name: viewer, person }, today);
        void runOutbox(person);
        return kept ? {} : { problem: 'No signal, and this device keeps nothing: note it elsewhere.' };
      });
      if (answer.version !== undefined) versions.current.set(own, answer.version);
      if (!answer.problem) setSaid((now) => new Map(now).set(own, marking));
      return answer;
    });
  const to = (next: SeasonView) => {
    setView(next);
    const url = new URL(window.location.href);
    url.searchParams.set('view', next);
    window.history.replaceState(null, '', url);
  };
  return (
    <Tabbed value={view} onChange={to} className="min-h-dvh flex flex-col">
      <TopBar right={<PrintButton />}>
        <strong className="hidden sm:inline">{firm}</strong>
      </TopBar>
      <main className="px-4 lg:px-8 py-4 w-full max-w-[1400px] mx-auto">
        <Entry>
          <h1>Season</h1>
          <p className="text-xl leading-snug my-2" data-testid="season-summary">
            {late + week === 0
              ? 'Nothing is due this week.'
              : [
                  ...(week > 0 ? [`${count(week, 'thing')} due this week`] : []),
                  ...(late > 0 ? [`${late} late`] : []),
                ].join(', ') + '.'}
          </p>
          <p className="min-h-[1.4rem] mb-3" role="status" data-testid="season-prescribed">
            {prescribed.problem ??
              (isWhole(prescribed)
                ? `Prescribed and not done: ${count(trees, 'tree')}, ${tidy(hours, 0)} crew hours. Water within two weeks: ${count(waterSoon(works.water, today).length, 'tree')}.`
                : prescribed.done === 0
                  ? 'Working out what is prescribed and what needs water.'
                  : `Working out what is prescribed and what needs water: ${prescribed.done} of ${count(prescribed.of, 'property', 'properties')}.`)}
          </p>
          <div className="flex flex-wrap gap-x-4 gap-y-2 items-end mb-4 no-print">
            <TabList
              label="View"
              views={VIEWS}
              className="flex w-full sm:w-auto"
              tabClass="min-h-[44px] px-3 border border-ink -ml-px"
            />
            <Select
              labelClass="min-w-0 flex-1 sm:flex-none"
              label="For"
              options={ROLES.map((key) => ({ key, label: WHO_WORDS[key] }))}
              empty="Everyone"
              value={who}
              onChange={(role) => setWho(role ?? '')}
            />
            <Select
              labelClass="min-w-0 flex-1 sm:flex-none"
              label="Property"
              options={[...properties].map(([key, label]) => ({ key, label }))}
              empty="All properties"
              value={property}
              onChange={(id) => setProperty(id ?? '')}
            />
          </div>
          <Calendars feeds={feeds} actions={feedActions} properties={properties} />
          <Tab of="list">
            <SeasonList tasks={shown} prescribed={works} today={today} marks={marks} mark={say} />
          </Tab>
          <Tab of="month">{settled && <MonthView tasks={left} prescribed={works} today={today} />}</Tab>
          <Tab of="days">
            {settled && (
              <CrewDaysView
                works={works.works}
                spells={prescribed.spells}
                places={places}
                noteYard={noteYard}
                today={today}
                plan={plan}
              />
            )}
          </Tab>
          <Tab of="year">{settled && <YearView tasks={left} prescribed={works} today={today} />}</Tab>
        </Entry>
      </main>
    </Tabbed>
  );
}
