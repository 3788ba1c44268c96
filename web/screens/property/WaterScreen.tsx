'use client';

import { DayInput } from '../../ui/controls/DayInput';
import { daysBetween } from '@undrel/core/vocabulary';
import { useRouter } from 'next/navigation';
import { LIMITS } from '@undrel/core/practice';
import { formatLength, longUnit, writeLengths, type UnitSystem } from '@undrel/core/units';
import type { Manner } from '@undrel/core/water';
import { LargeTrees } from '../../ui/LargeTrees';
import { PageLink } from '@/ui/PageLink';
import type { PropertyWater, TreeWater } from '../../protocol/water';
import { count } from '../../ui/count';
import { Entry } from '../../ui/controls/Entry';
import { usePreferences } from '../shell/preferences';
import { PropertyBar } from './PropertyBar';
import { WaterRoundList } from './WaterRoundList';
import { OwnWeather } from './OwnWeather';
import { Round, type LogRound } from './WaterRound';
import { litres, roundWords } from './waterWords';

const MANNERS: Record<Manner, string> = {
  balance: 'by balance, probe first',
  often: 'three times a week, by the rule of the stem',
  weekly: 'one deep soak a week',
  feel: 'by feel',
};
const WEEK = 7;
const LITRES_PER_M3 = 1000;

const minutes = (l: number) => Math.max(1, Math.round(l / (LITRES_PER_M3 * 60 * LIMITS.hoseFlow.value)));
const bags = (l: number) => Math.ceil(l / (LITRES_PER_M3 * LIMITS.waterBag.value));

/** When it is due, in words. */
function dueWords({ next }: TreeWater, on: string): string {
  if (next.on === undefined) return 'not within two months';
  const days = daysBetween(on, next.on);
  return days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days, ${next.on}`;
}

/** Which trees need water, when and how much: those due first. */
export function WaterScreen({
  water,
  today,
  problem,
  log,
}: {
  water: PropertyWater;
  today: string;
  problem: string | undefined;
  log: LogRound | undefined;
}) {
  const { units: system } = usePreferences();
  const router = useRouter();
  const { trees, on } = water;
  const soon = trees.filter((t) => t.next.on !== undefined && daysBetween(on, t.next.on) < WEEK);
  const whole = soon.reduce((sum, t) => sum + t.next.litres, 0);
  return (
    <div className="min-h-dvh flex flex-col">
      <PropertyBar property={water} part="water" />
      <main className="px-4 lg:px-8 py-4 max-w-[1000px] w-full mx-auto">
        <Entry>
          <h1>Water</h1>
          <p className="text-xl leading-snug my-2" data-testid="water-summary">
            {trees.length === 0
              ? 'No tree of this property is under care.'
              : soon.length === 0
                ? `None of ${count(trees.length, 'tree')} under care needs water within a week.`
                : `${count(soon.length, 'tree')} of ${trees.length} under care ${soon.length === 1 ? 'needs' : 'need'} water within a week: ${litres(whole, system)} in all, ${count(Math.ceil(whole / (LITRES_PER_M3 * LIMITS.waterTank.value)), 'load')} of a tank.`}
          </p>
          <LargeTrees trees={water.large} />
          <div className="flex flex-wrap items-end gap-3 mb-1">
            <DayInput
              label="On"
              max={today}
              value={on}
              onChange={(day) => day && router.replace(`?on=${day}`)}
            />
            <p className="text-sm text-muted flex-1 min-w-[14rem]">
              Weather: {water.source}, {Math.abs(water.latitude).toFixed(1)}°{' '}
              {water.latitude < 0 ? 'south' : 'north'}
              {water.noted ? '' : '; note the latitude on the property'}.
            </p>
          </div>
          <p className="text-sm min-h-[1.4rem] text-harm" role={problem ? 'alert' : undefined}>
            {problem}
          </p>
          {log && <OwnWeather propertyId={water.id} />}
          <p className="told my-2">
            Look before each watering: where the soil is moist a hand deep, skip it. More trees die of wet
            than of dry.
          </p>
          {soon.length > 1 && <WaterRoundList due={soon} system={system} />}
          {trees.length > 0 && (
            <ul aria-label="Trees under care" className="border-t-[1.5px] border-ink">
              {trees.map((tree) => (
                <Tree
                  key={tree.id}
                  tree={tree}
                  on={on}
                  system={system}
                  log={on === today ? log : undefined}
                />
              ))}
            </ul>
          )}
          <NotWatered water={water} />
        </Entry>
      </main>
    </div>
  );
}

function Tree({
  tree,
  on,
  system,
  log,
}: {
  tree: TreeWater;
  on: string;
  system: UnitSystem;
  log: LogRound | undefined;
}) {
  const { next } = tree;
  const used = next.easy > 0 ? Math.min(1, next.missing / next.easy) : 0;
  const due = next.on !== undefined && daysBetween(on, next.on) < WEEK;
  const metres = (m: number) => formatLength(m, longUnit(system), system === 'us' ? 0.03048 : 0.1);
  return (
    <li className="border-b border-ink py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <PageLink href={`/trees/${tree.id}`} className="plain">
          <strong className="text-lg">{tree.label}</strong>
        </PageLink>
        <span className={due ? 'font-bold text-todo' : 'font-semibold'}>{dueWords(tree, on)}</span>
      </div>
      <p className="my-1">
        <span className="num text-2xl font-bold">{litres(next.litres, system)}</span>{' '}
        <span className="text-muted">
          {count(minutes(next.litres), 'minute')} of hose, or {count(bags(next.litres), 'bag')}; fills its
          root zone
        </span>
      </p>
      <div
        className="h-3 border border-ink relative max-w-[24rem]"
        role="img"
        aria-label={`${Math.round(100 * used)}% of what is easily drawn is used`}
      >
        <div className="bg-todo h-full" style={{ width: `${100 * (1 - used)}%` }} />
      </div>
      <p className="my-1">{writeLengths(tree.why, system)}</p>
      {log && <Round tree={tree} on={on} system={system} log={log} />}
      {tree.own.reads > 0 && (
        <p className="text-sm">
          By {count(tree.own.reads, 'probe')} it draws {tree.own.value.toFixed(2)} times what others do (
          {tree.own.lower.toFixed(2)} to {tree.own.upper.toFixed(2)}).
        </p>
      )}
      {tree.log.length > 0 && (
        <p className="text-sm text-muted">
          This year:{' '}
          {tree.log
            .slice(-4)
            .map((w) => `${w.on} ${roundWords(w, system)}`)
            .join('; ')}
          .
        </p>
      )}
      {tree.tooMuch && <TooMuchWater tooMuch={tree.tooMuch} system={system} />}
      {next.on !== undefined && next.on !== on && (
        <p className="text-sm text-muted">
          {next.earliest ?? 'Later'} in a dry year, {next.latest ?? 'later than two months'} in a wet one.
        </p>
      )}
      <details>
        <summary className="min-h-[44px] flex items-center cursor-pointer text-todo underline underline-offset-4">
          Roots, and other ways to water
        </summary>
        <p className="text-sm">
          Under care: {tree.care}. Roots {metres(tree.radius)} about the stem, {metres(tree.depth)} deep.{' '}
          {writeLengths(tree.notes.join(' '), system)}
        </p>
        {tree.manners.length > 0 && <WaysToWater tree={tree} system={system} />}
      </details>
    </li>
  );
}

function WaysToWater({ tree, system }: { tree: TreeWater; system: UnitSystem }) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`Ways to water ${tree.label}`}>
      <table className="w-full my-2">
        <thead>
          <tr>
            <th scope="col" className="text-left">
              in a growing season
            </th>
            <th scope="col" className="text-right">
              water
            </th>
            <th scope="col" className="text-right">
              times
            </th>
            <th scope="col" className="text-right">
              days of stress
            </th>
            <th scope="col" className="text-right">
              drains away
            </th>
          </tr>
        </thead>
        <tbody>
          {tree.manners.map((m) => (
            <tr key={m.manner} className="border-t border-hair">
              <th scope="row" className={`text-left py-1 ${m.manner === tree.manner ? '' : 'font-normal'}`}>
                {MANNERS[m.manner]}
                {m.manner === tree.manner && ' (followed)'}
              </th>
              <td className="num text-right whitespace-nowrap">{litres(m.litres, system)}</td>
              <td className="num text-right">{Math.round(m.waterings)}</td>
              <td className="num text-right">{Math.round(m.stressed)}</td>
              <td className="num text-right">{Math.round(100 * m.wasted)}%</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function TooMuchWater({
  tooMuch,
  system,
}: {
  tooMuch: NonNullable<TreeWater['tooMuch']>;
  system: UnitSystem;
}) {
  return (
    <p className="wrong my-1">
      Too much water this year: {litres(tooMuch.wasted, system)} of the {litres(tooMuch.given, system)} given,
      on {count(tooMuch.days, 'day')}, were more than its roots can hold.{' '}
      {tooMuch.stands
        ? 'The ground here lets none of it out, and roots drown in it. Give none until the probe comes up dry.'
        : 'It drained away and took air from the roots. Look with the probe first.'}
    </p>
  );
}

function NotWatered({ water }: { water: PropertyWater }) {
  return (
    <>
      {water.wet.length > 0 && (
        <p className="wrong my-2">
          No water for {water.wet.join(', ')}: the ground stays wet. Let it drain first, then look with the
          probe.
        </p>
      )}
      {water.unmeasured.length > 0 && (
        <p className="wrong my-2">
          Neither stem nor crown measured: {water.unmeasured.join(', ')}. Measure one to tell how far their
          roots go.
        </p>
      )}
      {water.others > 0 && (
        <p className="text-muted my-2">
          {count(water.others, 'other visited tree')} {water.others === 1 ? 'is' : 'are'} not under care: no
          watering is prescribed, and {water.others === 1 ? 'it was' : 'they were'} not planted or reset
          within {LIMITS.careYears.value} years.
        </p>
      )}
    </>
  );
}
