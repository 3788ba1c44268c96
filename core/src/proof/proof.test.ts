import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { anyCase, tries } from '../../tests/anyCase';
import { readCase } from '../format';
import { visitToJudge } from '../walk';
import { BASIS_FORMAT, BASIS_VERSION, type Basis } from './basis';
import { differencesOf } from './differences';
import { resultOf, type Result } from './result';
import { BLANK_SEAL, sealed, sealOf, sha256 } from './seal';
import { verifiedTold } from './told';
import { codeOf, verifyReport, type Verified } from './verify';

const bytesOf = (text: string) => new Uint8Array(Buffer.from(text, 'latin1'));
const FILE = bytesOf(
  `%PDF-1.7\n/Keywords (${BLANK_SEAL})\n\x00\xff\x80 body\n<pdf:Keywords>${BLANK_SEAL}</pdf:Keywords>`,
);

test('SHA-256 of FIPS 180-4: the one of “abc”', async () => {
  expect(await sha256(bytesOf('abc'))).toBe(
    'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
  );
});

test('a sealed file holds; with any byte another one it does not, and without a seal there is none', async () => {
  const file = await sealed(FILE);
  expect(file.length).toBe(FILE.length);
  expect(await sealOf(file)).toBe('holds');
  await fc.assert(
    fc.asyncProperty(fc.nat({ max: file.length - 1 }), fc.integer({ min: 1, max: 255 }), async (at, by) => {
      const changed = new Uint8Array(file);
      changed[at] = (changed[at]! + by) % 256;
      expect(await sealOf(changed)).not.toBe('holds');
    }),
  );
  expect(await sealOf(file.slice(0, -1))).toBe('broken');
  expect(await sealOf(bytesOf('%PDF-1.7'))).toBe('none');
  await expect(sealed(file)).rejects.toThrow(/no blank seal/);
  await expect(sealed(bytesOf('%PDF-1.7'))).rejects.toThrow(/no blank seal/);
});

const example = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!example.ok) throw new Error('the example does not read');
const { caseFile } = example;
const basis: Basis = {
  format: BASIS_FORMAT,
  version: BASIS_VERSION,
  visit: visitToJudge(caseFile.visits)!,
  house: {},
  rates: {
    currency: 'EUR',
    prices: { crew: '68.50', consultant: '95', trip: '40', disposal: '25', airTool: '38', mulch: '35' },
    tax: { name: 'VAT', percent: '19' },
  },
};
const result = resultOf({ caseFile, basis });

test('written and read back, every case comes to the same, to the last digit', () => {
  const back = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
  expect(differencesOf(back(result), resultOf({ caseFile: back(caseFile), basis: back(basis) }))).toEqual([]);
  fc.assert(
    fc.property(anyCase, (any) => {
      const visit = visitToJudge(any.visits);
      if (!visit) return;
      const given = { caseFile: any, basis: { ...basis, visit } };
      const read = readCase(JSON.stringify(any), '2099-01-01');
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const anew = resultOf({ caseFile: read.caseFile, basis: back(given.basis) });
      expect(differencesOf(back(resultOf(given)), anew)).toEqual([]);
    }),
    tries(20),
  );
});

/** Every figure and word of a result, by where it stands. */
function leaves(value: unknown, path: string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [path];
  return Object.entries(value).flatMap(([key, part]) => leaves(part, [...path, key]));
}

test('whatever of a result is another one is told: each chance, amount, advice and sum', () => {
  expect(result.work.some((w) => w.amounts.length > 0)).toBe(true);
  expect(result.costs!.options.length).toBeGreaterThan(2);
  for (const path of leaves(result)) {
    const last = path.at(-1)!;
    if (path[0] === 'engines' || last === 'key' || last === 'name') continue;
    const changed = JSON.parse(JSON.stringify(result)) as Result;
    const holder = path
      .slice(0, -1)
      .reduce((o, key) => o[key] as never, changed as never as Record<string, unknown>);
    const was = holder[last];
    holder[last] = typeof was === 'number' ? was + 0.0137 : `${String(was)}1`;
    expect([path.join('.'), differencesOf(result, changed).length]).toEqual([path.join('.'), 1]);
    for (const told of differencesOf(result, changed))
      expect(told).toMatch(/ in the report, .* recomputed\.$/);
  }
  const without = { ...result, work: result.work.slice(1), causes: result.causes.slice(1) };
  expect(differencesOf(result, without)).toHaveLength(2);
  expect(differencesOf(result, { ...result, costs: undefined })).toEqual([
    expect.stringMatching(/^Costs: .* in the report, none recomputed/),
  ]);
});

test('the code follows from all that is attached', async () => {
  const files = { 'case.json': 'a', 'basis.json': 'b', 'result.json': 'c' };
  const { hash, code } = await codeOf(files);
  expect(code).toMatch(/^[0-9A-F]{4}(-[0-9A-F]{4}){3}$/);
  expect(hash.startsWith(code.replaceAll('-', '').toLowerCase())).toBe(true);
  for (const name of Object.keys(files) as (keyof typeof files)[])
    expect((await codeOf({ ...files, [name]: 'x' })).hash).not.toBe(hash);
});

test('what is no issued report is refused in words', async () => {
  const told = async (bytes: Uint8Array) => {
    const answer = await verifyReport(bytes, '2026-11-28');
    return 'problem' in answer ? answer.problem : 'verified';
  };
  expect(await told(bytesOf(''))).toMatch(/no seal in it/);
  expect(await told(bytesOf('%PDF-1.7 another'))).toMatch(/no seal in it/);
  expect(await told(await sealed(FILE))).toMatch(/cannot be read|attached/);
});

test('what a verification came to is said first in one line', () => {
  const engines = { verdict: 'v', table: 't', prescription: 'p' };
  const v: Verified = {
    seal: 'holds',
    sha256: 'a'.repeat(64),
    code: 'AAAA-BBBB-CCCC-DDDD',
    trees: [{ tree: 'Katsura 14', visit: '2026-05-06' }],
    then: engines,
    now: engines,
    differences: [],
    compared: { chances: 22, work: 10, amounts: 30, costs: 5 },
  };
  const here = { number: 'Q-2026-0004', firm: 'Firm', on: '2026-05-07' };
  expect(verifiedTold(v, here)).toMatchObject({
    stands: true,
    head: expect.stringMatching(/genuine\. Firm issued it as Q-2026-0004 on 2026-05-07/) as string,
  });
  // Anybody may seal a file: nobody but who issued it says that it is genuine.
  expect(verifiedTold(v)).toMatchObject({
    stands: true,
    head: expect.stringMatching(/unchanged since it was sealed/) as string,
  });
  expect(verifiedTold(v, 'not here')).toMatchObject({
    stands: false,
    head: expect.stringMatching(/no report issued here is this file/) as string,
  });
  expect(verifiedTold({ ...v, differences: ['x'] }, here).stands).toBe(false);
  expect(verifiedTold({ ...v, seal: 'broken' })).toMatchObject({
    stands: false,
    head: expect.stringMatching(/changed after it was issued/) as string,
  });
  const one = verifiedTold({ ...v, differences: ['x'], now: { ...engines, table: 'u' } });
  expect(one.head).toMatch(/one figure differs/);
  expect(one.lines.join(' ')).toMatch(/Differences may come from that/);
});
