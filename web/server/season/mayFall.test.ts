import ICAL from 'ical.js';
import { DANGER_SIGNS } from '@undrel/core/diagnosis';
import { caseOf } from '@undrel/core/format';
import { idOf, type Dig, type Visit } from '@undrel/core/records';
import { dayAfter } from '@undrel/core/vocabulary';
import { USUAL_READINGS } from '../../protocol/heavy';
import { assessBy } from '../../protocol/mayFall';
import { saveChanges } from '../cases/write';
import { asUser, closePool } from '../database/transaction';
import { importCase } from '../grounds/importCase';
import { propertySources, propertyWork } from '../offers/propertyWork';
import { propertyLetter } from '../reports/propertyLetter';
import { testFirm } from '../testFirm';
import { icalendarOf } from './icalendar';
import { calendarGiven, seasonLines } from './season';

const SEEN = '2026-05-01';
const ON = '2026-11-24';
const HEAD = { firm: 'Firm', stamp: '', title: 'Place', lines: [], foot: '', paper: 'A4' as const };

/** A dig of one reading more than lists work out. */
const LARGE: Dig = {
  measuredFrom: 'bark',
  north: 'true',
  roots: Array.from({ length: Math.ceil((USUAL_READINGS + 1) / 50) }, (_, i) => ({
    label: `R${i}`,
    kind: 'structural',
    start: 'stem',
    points: Array.from({ length: 50 }, (_, k) => ({
      bearing: (17 * i + 0.1 * k) % 360,
      distance: 0.2 + 0.01 * k,
      depth: 0.1,
      diameter: 0.03,
    })),
  })),
};
/** As it is noted: what is measured is noted as its measure. */
const noted = ({ key, answer, from }: (typeof DANGER_SIGNS)[number]) =>
  from === undefined ? { key, answer } : { key, number: from };
const visitWith = (sign: (typeof DANGER_SIGNS)[number] | undefined): Visit => ({
  date: SEEN,
  findings: sign ? [noted(sign)] : [],
  probes: [],
  profiles: [],
  decisions: [],
  dig: LARGE,
});

let firm: Awaited<ReturnType<typeof testFirm>>;
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const given = () => ({
  inFirm: <T>(
    work: (db: Parameters<Parameters<typeof asUser<T>>[2]>[0], who: typeof firm.viewer) => Promise<T>,
  ) => as((db) => work(db, firm.viewer)),
  asker: { ...firm.viewer, signal: AbortSignal.timeout(60_000) },
});
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

/** Which trees lists, letter, season and calendar say may fall, each by its own way. */
async function told() {
  const sources = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!;
  const { work } = await propertyWork(sources, firm.viewer);
  const counts = { trees: sources.trees, visited: sources.sources.length, large: sources.large };
  const letter = JSON.stringify(propertyLetter(HEAD, counts, work.trees, undefined, 0));
  const season: string[] = [];
  for await (const line of seasonLines(given(), 'metric', ON, AbortSignal.timeout(60_000)))
    season.push(...line.large.flatMap((t) => (t.mayFall === SEEN ? [t.label] : [])));
  const calendar = await calendarGiven(given(), 'Ours', null, null, ON);
  const text = icalendarOf(calendar, new URL('https://undrel.example'), `${ON}T08:00:00Z`);
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  return {
    lists: work.large.flatMap((t) => (t.mayFall ? [t.label] : [])).sort(),
    letter: (/"([^"]*): may fall\./.exec(letter)?.[1] ?? '').split(', ').filter(Boolean).sort(),
    season: season.sort(),
    calendar: events
      .map((e) => new ICAL.Event(e))
      .flatMap((e) => {
        const label = /^(.*): may fall\./.exec(e.summary)?.[1];
        if (!label) return [];
        expect(e.startDate.toString()).toBe(SEEN);
        expect(e.endDate.toString()).toBe(dayAfter(assessBy(SEEN), 1));
        return [label];
      })
      .sort(),
  };
}

test('whichever sign says that a tree with a large dig may fall, lists, letter, season and calendar say so until it is assessed', async () => {
  const trees = new Map<string, string>();
  for (const sign of [undefined, ...DANGER_SIGNS]) {
    const label = sign ? `${sign.key} ${sign.answer}` : 'sound';
    const tree = { label, species: 'Tilia cordata', plantedYear: 2010, stemDiameter: 0.3 };
    const file = caseOf(tree, [], [visitWith(sign)]);
    const { treeId, leftOut } = await as((db) => importCase(db, firm.viewer, firm.propertyId, file));
    expect(leftOut).toEqual([]);
    if (sign) trees.set(label, treeId);
  }
  const all = [...trees.keys()].sort();
  expect(await told()).toEqual({ lists: all, letter: all, season: all, calendar: all });

  const visits = await as((db) =>
    db.rows<{ id: string; tree: string }>('select id, tree_id as tree from visits where tree_id = any($1)', [
      [...trees.values()],
    ]),
  );
  const values = { step: 'stability', how: 'done' as const, on: dayAfter(SEEN, 2) };
  const done = visits.map(({ id }) => ({
    ...{ kind: 'work' as const, id: idOf('work', id, values), parent: id },
    ...{ base: 0, values },
  }));
  const saved = await as((db) => saveChanges(db, firm.viewer, done));
  expect(saved.map((s) => s.status)).toEqual(done.map(() => 'saved'));
  expect(await told()).toEqual({ lists: [], letter: [], season: [], calendar: [] });
});
