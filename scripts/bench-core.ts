// Times the core on the example case; prints JSON for scripts/bench.mjs.
import { readFileSync } from 'node:fs';
import { assess } from '@undrel/core/assessment';
import { digNext, pool } from '@undrel/core/cohort';
import { explain, PRACTICE_TABLE, reweigh } from '@undrel/core/diagnosis';
import { changePoints } from '@undrel/core/history';
import { readCase } from '@undrel/core/format';
import { profileOf, sectionOf } from '@undrel/core/profile';
import { sectionDrawing } from '../web/drawings/section';

const text = readFileSync('docs/example-case.json', 'utf8');
const read = readCase(text, '2026-11-24');
if (!read.ok) throw new Error('the example does not read');
const { tree, events, visits } = read.caseFile;
const visit = visits[0]!;
const profile = profileOf(tree, visit);
const { verdict } = assess(tree, events, visit);
const full = {
  ...verdict,
  evidence: PRACTICE_TABLE.findings.map((f, i) => ({
    ...verdict.evidence[0]!,
    key: f.key,
    agrees: f.answers.map((_, g) => (g === i % f.answers.length ? 1 : 0)),
  })),
};
const century = Array.from({ length: 100 }, (_, i) => ({
  year: 1900 + i,
  level: Math.sin(i * 12.9898) * 0.2 - (i > 60 ? 0.4 : 0),
  weight: 1,
}));
const cohort = Array.from({ length: 40 }, (_, i) => ({ factor: 1 + (i % 7), examined: i % 10 === 0 }));

function time(name: string, work: () => unknown, runs = 1000) {
  for (let i = 0; i < runs / 5; i++) work();
  const taken = Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  return { name, median: taken[runs / 2]!, p95: taken[Math.floor(runs * 0.95)]! };
}

console.log(
  JSON.stringify([
    time('read and check a case file', () => readCase(text, '2026-11-24')),
    time('profile of one case', () => profileOf(tree, visit)),
    time('profile, verdict and prescription of one case', () => assess(tree, events, visit), 100),
    time('verdict with all findings answered', () => reweigh(full, PRACTICE_TABLE), 100),
    time('reasons and next checks of one case', () => explain(verdict), 40),
    time('when growth fell, 100 years', () => changePoints(century), 20),
    time(
      'cohort of 40 trees pooled, and which to dig next',
      () => [pool(cohort, 0.3), digNext(cohort, 0.3)],
      20,
    ),
    time('section drawing', () =>
      sectionDrawing({
        section: sectionOf(profile, 90),
        profile,
        work: {},
        when: 'before',
        width: 640,
        height: 750,
        system: 'metric',
        compact: false,
        cornerTaken: true,
      }),
    ),
  ]),
);
