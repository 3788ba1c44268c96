import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { formatMoney } from '@undrel/core/costing';
import { attachmentsOf, sealed, verifiedTold, verifyReport, type TreeFiles } from '@undrel/core/proof';
import { textOf } from '../../../e2e/pdf';
import { documentIn } from '../../documents/documentIn';
import { reportContent } from './content';
import { demoSource, visitedTrees } from '../../server/reports/demoSources';
import { documentPdf } from './pdf';
import { proofOf, type Proof } from './proof';
import type { ReportSource } from '../tree/source';

const TODAY = '2026-11-28';
const STAMP = { number: 'Q-2026-0004', issued: '2026-11-28' };
const sources = visitedTrees().map((tree) => ({ id: tree.id, source: demoSource(tree, 'metric') }));
const issued = async (source: ReportSource, proof: Proof) =>
  sealed(documentPdf(documentIn('record', reportContent(source), STAMP), {}, proof).bytes);
const katsura = sources.find((s) => s.id === 'sable-katsura-14')!.source;
const folder = mkdtempSync(join(tmpdir(), 'proof-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('trees of the demo: what is attached to a report comes to what the report says @whole', async () => {
  for (const { id, source } of sources.filter((_, i) => i % 10 === 0)) {
    const verified = await verifyReport(await issued(source, await proofOf(source)), TODAY);
    if ('problem' in verified) throw new Error(`${id}: ${verified.problem}`);
    expect([id, verified.seal, verified.differences]).toEqual([id, 'holds', []]);
    expect(verified.compared.chances).toBeGreaterThan(15);
  }
});

test('an issued report is PDF/A-3a, prints its code, and holds the case in the open format @whole', async () => {
  const proof = await proofOf(katsura);
  const pdf = await issued(katsura, proof);
  const raw = Buffer.from(pdf).toString('latin1');
  expect([/pdfaid:part>3</.test(raw), /pdfaid:conformance>A</.test(raw)]).toEqual([true, true]);
  expect(await textOf(pdf)).toContain(proof.code);
  const attached = await attachmentsOf(pdf);
  expect([...attached.keys()].sort()).toEqual(['basis.json', 'case.json', 'result.json']);
  const held = JSON.parse(new TextDecoder().decode(attached.get('case.json'))) as { tree: { label: string } };
  expect(held.tree.label).toBe(katsura.tree.label);
  // What is compared is what is printed: the sums of both.
  const { costs } = JSON.parse(proof.files['result.json']) as { costs: { total: string; currency: string } };
  const printed = (await textOf(pdf)).replace(/\s/g, ' ');
  expect(printed).toContain(formatMoney(costs.total, costs.currency).replace(/\s/g, ' '));
});

test('one byte changed, a rate or a measurement changed and sealed again: each is said @whole', async () => {
  const proof = await proofOf(katsura);
  const pdf = await issued(katsura, proof);
  const told = async (bytes: Uint8Array) => {
    const verified = await verifyReport(bytes, TODAY);
    return 'problem' in verified
      ? verified.problem
      : [verified.code, ...verifiedTold(verified).lines, verifiedTold(verified).head].join(' ');
  };
  const changed = new Uint8Array(pdf);
  changed[changed.length - 40]! ^= 1;
  expect(await told(changed)).toMatch(/changed after it was issued|cannot be read/);
  const forged = (name: keyof TreeFiles, from: RegExp, to: string): Proof => {
    const was = proof.files[name];
    expect(was).toMatch(from);
    return { ...proof, files: { ...proof.files, [name]: was.replace(from, to) } };
  };
  const cheaper = await told(
    await issued(katsura, forged('basis.json', /"crew": "[\d.]+"/, '"crew": "1.00"')),
  );
  expect(cheaper).toMatch(/Costs, total: \d/);
  const surer = await told(
    await issued(katsura, forged('result.json', /"chance": 0\.\d+/, '"chance": 0.01')),
  );
  expect(surer).toMatch(/: 1% in the report, \d+% recomputed/);
  // Whoever forges it so that it agrees with itself has another code than the one that was printed.
  expect(cheaper).not.toContain(proof.code);
});

test('what is attached and is none, is no basis, or unpacks without end: refused in words, never failed on @whole', async () => {
  const proof = await proofOf(katsura);
  const told = async (files: Partial<TreeFiles>) => {
    const pdf = await issued(katsura, { ...proof, files: { ...proof.files, ...files } });
    const verified = await verifyReport(pdf, TODAY);
    return 'problem' in verified ? verified.problem : 'verified';
  };
  expect(await told({ 'basis.json': 'null' })).toMatch(/newer version/);
  expect(await told({ 'basis.json': '{"format":"undrel-basis","version":1}' })).toMatch(/cannot be computed/);
  expect(await told({ 'result.json': '{}' })).toMatch(/cannot be computed/);
  expect(await told({ 'case.json': '{}' })).toMatch(/^The case in the report/);
  expect(await told({ 'case.json': 'x' })).toMatch(/cannot be computed|The case in the report/);
  expect(await told({ 'result.json': ' '.repeat(31_000_000) })).toMatch(/cannot be read/);
});

test('the command line verifies a report, and tells one that does not stand by its exit status @whole', async () => {
  const pdf = await issued(katsura, await proofOf(katsura));
  const file = join(folder, 'report.pdf');
  const run = (bytes: Uint8Array) => {
    writeFileSync(file, bytes);
    const { status, stdout, stderr } = spawnSync(
      'npx',
      ['--no-install', 'undrel', 'verify', file, '--format', 'text'],
      {
        encoding: 'utf8',
        env: { ...process.env, NODE_OPTIONS: '' },
      },
    );
    return { status, said: stdout + stderr };
  };
  const good = run(pdf);
  expect(good.said).toMatch(/Katsura 14, visit of 2026-05-06: unchanged since it was sealed/);
  expect(good.status).toBe(0);
  const changed = new Uint8Array(pdf);
  // A letter of what is printed: in the stream of a page, behind the attachments.
  changed[Math.floor(changed.length / 2)]! ^= 1;
  expect(run(changed).status).toBe(1);
  expect(run(Buffer.from('%PDF-1.7')).said).toMatch(/no seal in it/);
});
