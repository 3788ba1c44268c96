import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plannedOf } from '@undrel/core/prescription';
import { visitToJudge } from '@undrel/core/walk';
import { PROPERTIES } from '../../../db/demo/world';
import { assessedOf } from '../assessed';
import { orderOf } from '../offers/order';
import { reportContent } from './content';
import type { ReportSource } from './source';

const folder = mkdtempSync(join(tmpdir(), 'undrel-same-'));
const visited = PROPERTIES().flatMap((property) =>
  property.trees.flatMap(({ id, caseFile }) => {
    const visit = visitToJudge(caseFile.visits);
    return visit ? [{ id, property: property.name, caseFile, visit }] : [];
  }),
);

test('command line, report and crew order prescribe the same for every visited tree of the demo', () => {
  const files = visited.map(({ id, caseFile }) => {
    const file = join(folder, `${id}.json`);
    writeFileSync(file, JSON.stringify(caseFile));
    return file;
  });
  const { status, stdout } = spawnSync(
    process.execPath,
    ['core/bin/undrel.mjs', 'assess', '--brief', ...files],
    { encoding: 'utf8', maxBuffer: 1 << 28 },
  );
  expect(status).toBe(0);
  const told = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line));
  expect(told).toHaveLength(visited.length);
  visited.forEach(({ id, property, caseFile, visit }, i) => {
    const source: ReportSource = {
      tree: caseFile.tree,
      events: caseFile.events,
      visit,
      visits: caseFile.visits,
      property,
      client: 'A client',
      firm: 'Firm',
      schools: { weather: caseFile.weather },
      site: caseFile.site,
      wording: {},
      system: 'metric',
    };
    const { operations } = assessedOf(source);
    const planned = plannedOf(operations, visit.decisions);
    const byCommand = plannedOf(told[i].operations as typeof operations, visit.decisions);
    expect([id, byCommand.map((o) => o.title)]).toEqual([id, planned.map((o) => o.title)]);
    const { prescribed } = reportContent(source);
    expect(prescribed.map((o) => [o.title, o.summary])).toEqual(byCommand.map((o) => [o.title, o.summary]));
    // Of what is left alone the crew does nothing; every other step of its order is one of these.
    const steps = orderOf(source, [], id).steps.flatMap((s) =>
      'operation' in s ? [String(s.operation)] : [],
    );
    const keys = planned.map((o) => o.key as string);
    for (const step of steps) expect(keys).toContain(step);
    const passive = ['alive', 'watch', 'fertiliser'];
    for (const key of keys.filter((k) => !passive.includes(k)))
      expect([id, key, steps.includes(key)]).toEqual([id, key, true]);
  });
});
