// Times the core on the example case; prints JSON for scripts/bench.mjs.
import { readFileSync } from 'node:fs';
import { assess } from '@undrel/core/assessment';
import { readCase } from '@undrel/core/case-schema';
import { profileOf, sectionOf } from '@undrel/core/profile';
import { sectionDrawing } from '../web/ui/drawing/section';

const text = readFileSync('docs/example-case.json', 'utf8');
const read = readCase(text, '2026-11-24');
if (!read.ok) throw new Error('the example does not read');
const { tree, events, visits } = read.caseFile;
const visit = visits[0]!;
const profile = profileOf(tree, visit);

function time(name: string, work: () => unknown) {
  for (let i = 0; i < 200; i++) work();
  const taken = Array.from({ length: 1000 }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  return { name, median: taken[500]!, p95: taken[950]! };
}

console.log(
  JSON.stringify([
    time('read and check a case file', () => readCase(text, '2026-11-24')),
    time('profile of one case', () => profileOf(tree, visit)),
    time('profile, verdict and prescription of one case', () => assess(tree, events, visit)),
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
