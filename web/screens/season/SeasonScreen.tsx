'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { type WhoDoes } from '@undrel/core/schedule';
import { tidy } from '@undrel/core/units';
import type { FeedHead, Marked, Marking, Places, PlannedDay, TaskRow } from '../../protocol/season';
import { useToday } from '../../device/along/keptPage';
import { Entry } from '../../ui/controls/Entry';
import { TopBar } from '../shell/TopBar';
import { CrewDaysView } from './CrewDaysView';
import { Calendars, type FeedActions } from './Calendars';
import { MonthView } from './MonthView';
import { SeasonList } from './SeasonList';
import type { NoteYard } from './Yard';
import { YearView } from './YearView';
import { isWhole, useSeasonLines, waterSoon, type Prescribed } from './useSeasonLines';
import { count } from '../../ui/count';
import { PrintButton } from '../../ui/PrintButton';
import { Tab, Tabbed } from '../../ui/controls/Tabs';
import { SeasonChoice, type SeasonView } from './SeasonChoice';
import { seasonOf, type Season } from './seasonOf';
import { useMarks } from './useMarks';

interface SeasonProps {
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
}

/** What is due on all grounds: what presses this week first. */
export function SeasonScreen(props: SeasonProps) {
  const today = useToday(props.today);
  const [view, setView] = useState(props.view);
  const [who, setWho] = useState<WhoDoes | ''>(props.who ?? '');
  const [property, setProperty] = useState('');
  const { marks, say } = useMarks(props, today);
  const prescribed = useSeasonLines();
  // What is listed follows once it is ready: a choice is answered first.
  const chosen = useDeferredValue(useMemo(() => ({ who, property }), [who, property]));
  const season = useMemo(
    () => seasonOf(props.tasks, prescribed, marks, chosen, today),
    [props.tasks, prescribed, marks, chosen, today],
  );
  const { shown, works, left } = season;
  const properties = useMemo(
    () => new Map(props.grounds.map((g) => [g.id, g.name] as const)),
    [props.grounds],
  );
  // A picture of all of it waits for all of it, or for the word that no more comes.
  const settled = isWhole(prescribed) || prescribed.problem !== undefined;
  const to = (next: SeasonView) => {
    setView(next);
    const url = new URL(window.location.href);
    url.searchParams.set('view', next);
    window.history.replaceState(null, '', url);
  };
  return (
    <Tabbed value={view} onChange={to} className="min-h-dvh flex flex-col">
      <TopBar right={<PrintButton />}>
        <strong className="hidden sm:inline">{props.firm}</strong>
      </TopBar>
      <main className="px-4 lg:px-8 py-4 w-full max-w-[1400px] mx-auto">
        <Entry>
          <h1>Season</h1>
          <SeasonSummary season={season} prescribed={prescribed} listed={view === 'list'} today={today} />
          <SeasonChoice
            who={who}
            setWho={setWho}
            properties={properties}
            property={property}
            setProperty={setProperty}
          />
          <Calendars feeds={props.feeds} actions={props.feedActions} properties={properties} />
          <Tab of="list">
            <SeasonList tasks={shown} prescribed={works} today={today} marks={marks} mark={say} />
          </Tab>
          <Tab of="month">{settled && <MonthView tasks={left} prescribed={works} today={today} />}</Tab>
          <Tab of="days">
            {settled && (
              <CrewDaysView
                works={works.works}
                spells={prescribed.spells}
                places={props.places}
                noteYard={props.noteYard}
                today={today}
                plan={props.plan}
              />
            )}
          </Tab>
          <Tab of="year">{settled && <YearView tasks={left} prescribed={works} today={today} />}</Tab>
        </Entry>
      </main>
    </Tabbed>
  );
}

/** What presses, and what is prescribed. */
function SeasonSummary({
  season: { late, week, danger, trees, hours, works },
  prescribed,
  listed,
  today,
}: {
  season: Season;
  prescribed: Prescribed;
  /** Whether what is prescribed is listed below. */
  listed: boolean;
  today: string;
}) {
  return (
    <>
      <p className="text-xl leading-snug my-2" data-testid="season-summary">
        {late + week === 0
          ? 'Nothing is due this week.'
          : [
              ...(week > 0 ? [`${count(week, 'thing')} due this week`] : []),
              ...(late > 0 ? [`${late} late`] : []),
            ].join(', ') + '.'}
      </p>
      {/* As high as what comes late needs: nothing below it is moved. */}
      <div className="min-h-[5.8rem] sm:min-h-[2.9rem] mb-3" role="status" data-testid="season-prescribed">
        {isWhole(prescribed) && danger.length > 0 && (
          <strong className="block text-harm" data-testid="season-danger">
            {listed ? (
              <a className="text-harm" href="#prescribed">
                {dangerWords(danger)}
              </a>
            ) : (
              dangerWords(danger)
            )}
            <span className="hidden sm:inline">: {namesOf(danger)}</span>
          </strong>
        )}
        {prescribed.problem ??
          (isWhole(prescribed)
            ? `Prescribed and not done: ${count(trees, 'tree')}, ${tidy(hours, 0)} crew hours. To decide: ${count(works.decisions.length, 'tree')}. To water soon: ${count(waterSoon(works.water, today).length, 'tree')}.${leftOut(works)}`
            : prescribed.done === 0
              ? 'Working out what is prescribed and what needs water.'
              : `Working out what is prescribed and what needs water: ${prescribed.done} of ${count(prescribed.of, 'property', 'properties')}.`)}
      </div>
    </>
  );
}

/** How many trees the figures leave out. */
const leftOut = ({ large }: Pick<Prescribed, 'large'>): string =>
  large.length > 0 ? ` Not worked out: ${count(large.length, 'tree')}.` : '';

/** Trees named in a line before the rest is counted. */
const NAMED = 4;

/** How many trees may fall, and for how many of them the day of the assessment is over, in a line of a phone. */
function dangerWords(danger: Season['danger']): string {
  const late = danger.filter((w) => w.late).length;
  return `${count(danger.length, 'tree')} may fall; ${late > 0 ? `${count(late, 'assessment')} late` : 'assessment due'}`;
}

/** Which they are, those first that are late the longest. */
function namesOf(danger: Season['danger']): string {
  const named = danger.slice(0, NAMED).map((w) => w.label);
  const rest = danger.length - named.length;
  return rest > 0 ? `${named.join(', ')} and ${rest} more` : named.join(', ');
}
