import fc from 'fast-check';
import type { Change } from '../protocol/item';
import { PIECE_BYTES } from '../protocol/pieces';
import { allPicturesHere, keepPictureHere } from './keptPictures';
import { sendPicturesByWorker } from './picturesByWorker';

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});

type Line = 'through' | 'cut' | 'answer lost';

/** A server that keeps pictures by what is in them, behind a line that may be cut on the way there or back. */
function server(line: () => Line = () => 'through') {
  const files = new Map<string, number>();
  const pieces = new Map<string, Uint8Array>();
  const records = new Map<string, { version: number; values: unknown }>();
  const asked: string[] = [];
  const known = (text: string): string => Buffer.from(text).toString('hex').slice(0, 32);
  const arrived = (bytes: Uint8Array, visit: string) => {
    const text = new TextDecoder().decode(bytes).trim();
    if (text.startsWith('no picture'))
      return new Response(JSON.stringify({ problem: 'not one' }), { status: 400 });
    const hash = known(text);
    files.set(hash, (files.get(hash) ?? 0) + 1);
    return { hash, width: 4, height: 3, id: `${visit}.picture.${hash}` };
  };
  const answer = async (
    url: string,
    init: { method?: string; body?: unknown; headers: Record<string, string> },
  ) => {
    asked.push(init.headers['x-undrel-person']!);
    const { pathname, searchParams } = new URL(url, 'http://here');
    const visit = searchParams.get('visit')!;
    if (pathname === '/api/changes') {
      const { changes } = JSON.parse(String(init.body)) as { changes: Change[] };
      const results = changes.map((c) => {
        const now = records.get(c.id);
        if ((now?.version ?? 0) !== c.base) {
          const same = JSON.stringify(now!.values) === JSON.stringify(c.values);
          return { id: c.id, status: same ? 'saved' : 'stale', version: now!.version };
        }
        records.set(c.id, { version: 1, values: c.values });
        return { id: c.id, status: 'saved', version: 1 };
      });
      return Response.json({ results });
    }
    const bytes = init.body ? new Uint8Array(await (init.body as Blob).arrayBuffer()) : new Uint8Array();
    if (pathname === '/api/pictures') {
      const there = arrived(bytes, visit);
      return there instanceof Response ? there : Response.json(there);
    }
    const hash = searchParams.get('hash')!;
    const have = pieces.get(hash) ?? new Uint8Array();
    if (init.method !== 'POST') return Response.json({ have: have.length });
    const joined = new Uint8Array([...have.slice(0, Number(searchParams.get('at'))), ...bytes]);
    pieces.set(hash, joined);
    if (joined.length < Number(searchParams.get('total'))) return Response.json({ have: joined.length });
    return Response.json({ have: joined.length, picture: arrived(joined, visit) });
  };
  globalThis.fetch = (async (url: string, init: Parameters<typeof answer>[1]) => {
    const way = line();
    if (way === 'cut') throw new TypeError('offline');
    const answered = await answer(url, init);
    if (way === 'answer lost') throw new TypeError('offline');
    return answered;
  }) as never;
  return { files, records, asked };
}

const keep = (person: string, text: string, more: { bearing?: number; step?: string } = {}) =>
  keepPictureHere({
    person,
    visitId: 'v',
    treeId: 't',
    by: 'Mirela Voss',
    on: '2026-11-29',
    file: new File([text], 'a.jpg', { type: 'image/jpeg' }),
    ...more,
  });

test('a picture arrives with its record at its visit, from whoever took it alone, and is then no longer kept', async () => {
  await keep('me', 'north', { bearing: 0 });
  await keep('you', 'theirs');
  const { files, records, asked } = server();
  expect(await sendPicturesByWorker('me')).toBe(true);
  expect([...files.values()]).toEqual([1]);
  expect([...records.values()]).toEqual([
    {
      version: 1,
      values: expect.objectContaining({
        by: 'Mirela Voss',
        on: '2026-11-29',
        bearing: 0,
        shows: 'dig',
      }) as unknown,
    },
  ]);
  expect(new Set(asked)).toEqual(new Set(['me']));
  expect(await allPicturesHere('me')).toEqual([]);
  expect(await allPicturesHere('you')).toHaveLength(1);
});

test('what is no picture, and one that has a record already, stay for their page and hold up no other', async () => {
  await keep('mixed', 'no picture at all');
  await keep('mixed', 'there already');
  await keep('mixed', 'new');
  const { records } = server();
  const hash = Buffer.from('there already').toString('hex').slice(0, 32);
  records.set(`v.picture.${hash}`, { version: 3, values: 'theirs' });
  expect(await sendPicturesByWorker('mixed')).toBe(true);
  expect(records.get(`v.picture.${hash}`)).toEqual({ version: 3, values: 'theirs' });
  expect(records.size).toBe(2);
  const left = await Promise.all((await allPicturesHere('mixed')).map((p) => p.file.text()));
  expect(left).toEqual(['no picture at all', 'there already']);
});

test('under another session nothing is taken, and all of it stays', async () => {
  await keep('signed-out', 'x');
  globalThis.fetch = (() =>
    Promise.resolve(
      new Response(JSON.stringify({ problem: 'Someone else is signed in' }), { status: 401 }),
    )) as never;
  expect(await sendPicturesByWorker('signed-out')).toBe(true);
  expect(await allPicturesHere('signed-out')).toHaveLength(1);
});

test('however often signal goes in between, each picture arrives with one record, large ones in pieces', async () => {
  let people = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 1, maxLength: 4 }),
      fc.array(fc.constantFrom<Line>('through', 'through', 'cut', 'answer lost'), { maxLength: 20 }),
      async (sizes, spells) => {
        const person = `p${people++}`;
        const names = sizes.map((size, i) => `${i}`.padEnd(1 + Math.round(size * 0.7 * PIECE_BYTES), ' '));
        for (const name of names) await keep(person, name);
        let n = 0;
        const { records } = server(() => spells[n++] ?? 'through');
        for (let tries = 0; !(await sendPicturesByWorker(person)); tries++) expect(tries).toBeLessThan(30);
        expect(records.size).toBe(names.length);
        expect([...records.values()].every((r) => r.version === 1)).toBe(true);
        expect(await allPicturesHere(person)).toEqual([]);
      },
    ),
    { numRuns: 12 },
  );
});
