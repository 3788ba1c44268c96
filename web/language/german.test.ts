import { CAUSE_KEYS, OPERATION_KEYS } from '@undrel/core/vocabulary';
import { signsOf } from '../../core/tests/signs';
import { collarAt, visitOn } from '../../core/tests/visits';
import { documentIn, TIGHTEST } from '../documents/documentIn';
import { noticeInLanguage, noticeWords, offerInLanguage, offerWords } from '../server/inLanguage';
import { noticeOf } from '../server/notices/content';
import { offerContent } from '../server/offers/content';
import { worthOf } from '../server/offers/worth';
import { reportContent } from '../server/reports/content';
import { demoSource, sourceAt, visitedTrees } from '../server/reports/demoSources';
import type { ReportSource } from '../server/reports/source';
import { NOTICE_WORDS, OFFER_WORDS } from './clientWords';
import { inGerman } from './german';

/** The trees of the demo in both unit systems, every operation with and without its day, every cause. */
const sources: ReportSource[] = [
  ...visitedTrees().flatMap((tree) => [demoSource(tree, 'metric'), demoSource(tree, 'us')]),
  ...OPERATION_KEYS.flatMap((operation) =>
    [{ on: '2027-03-01' }, {}].map((day) =>
      sourceAt(
        visitOn('2026-06-01', signsOf('plantedDeep'), {
          probes: collarAt(0.18),
          decisions: [{ operation, taken: true, ...day }],
        }),
      ),
    ),
  ),
  ...CAUSE_KEYS.map((cause) => sourceAt(visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.05) }))),
];

test('every text of the letters of all trees, operations and causes is known in German', () => {
  const missed = new Set<string>();
  for (const source of sources) {
    const content = reportContent(source);
    for (let tight = 0; tight <= TIGHTEST; tight++) {
      documentIn('letter', content, { number: 'Q-2026-0004', issued: '2026-11-28' }, tight, {
        language: 'de',
        say: inGerman,
        missed: (text) => missed.add(text),
      });
    }
  }
  expect([...missed].sort()).toEqual([]);
});

test('every text of the page of an offer is known in German, and so is that of a notice', () => {
  const missed = new Set<string>();
  for (const source of sources) {
    const sheet = worthOf(source, source.rates);
    if (sheet.whole) offerInLanguage(offerContent(source, sheet, '2026-11-28'), 'de', (t) => missed.add(t));
  }
  const { content } = noticeOf({ sources: [], firm: 'F', property: 'P', client: '', on: '2026-11-28' });
  noticeInLanguage(content, 'de', (t) => missed.add(t));
  expect([...missed].sort()).toEqual([]);
  expect(Object.keys(offerWords('de')!)).toEqual([...OFFER_WORDS]);
  expect(Object.keys(noticeWords('de')!)).toEqual([...NOTICE_WORDS]);
  expect(offerWords('en')).toBeUndefined();
});
