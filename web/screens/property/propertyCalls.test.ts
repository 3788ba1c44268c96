import type { Change } from '../../protocol/item';
import {
  bringIn,
  destinationOf,
  noteWeatherPlace,
  saveChange,
  setTrees,
  takeWeather,
  type Brought,
} from './propertyCalls';

const API = '/api/properties/p';
const CHANGE: Change = {
  kind: 'tree',
  id: 't',
  parent: 'p',
  base: 0,
  values: { label: 'T', species: 'Acer' },
};
const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});

/** Has the server answer so, and keeps what it was asked. */
function answers(answer: Response | Error): { path: string; init: RequestInit }[] {
  const asked: { path: string; init: RequestInit }[] = [];
  globalThis.fetch = (path, init) => {
    asked.push({ path: String(path), init: init! });
    return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
  };
  return asked;
}
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
const csv = () => new File(['label,species\n1,Tilia cordata\n'], 'list.csv');

test('a change is saved, refused in the words of the server, or kept from being called saved', async () => {
  const asked = answers(json({ results: [{ id: 't', status: 'saved', version: 1 }] }));
  expect(await saveChange(CHANGE)).toEqual({ saved: true });
  expect([asked[0]!.path, JSON.parse(asked[0]!.init.body as string)]).toEqual([
    '/api/changes',
    { changes: [CHANGE] },
  ]);
  answers(json({ results: [{ id: 't', status: 'refused', problem: 'Label: 81 characters; at most 80.' }] }));
  expect(await saveChange(CHANGE)).toEqual({
    saved: false,
    away: false,
    problem: 'Label: 81 characters; at most 80.',
  });
  answers(json({ results: [{ id: 't', status: 'stale' }] }));
  expect(await saveChange(CHANGE)).toMatchObject({ problem: expect.stringContaining('Someone else') });
  // A server that fails, or answers with a page in place of an answer, was reached all the same.
  for (const odd of [json({}, 500), new Response('<html>', { status: 200 })]) {
    answers(odd);
    expect(await saveChange(CHANGE)).toMatchObject({ saved: false, away: false });
  }
  answers(new Error('offline'));
  expect(await saveChange(CHANGE)).toMatchObject({
    saved: false,
    away: true,
    problem: expect.stringContaining('nothing was changed'),
  });
});

test('a place or a group that was not taken is told from a server that was not reached', async () => {
  answers(json({}));
  expect(await setTrees(API, { place: { id: 't', x: 1, y: 2 } })).toEqual({ done: true, reached: true });
  answers(json({}, 409));
  expect(await setTrees(API, { cohort: { name: 'c', ids: ['t'] } })).toEqual({ done: false, reached: true });
  answers(new Error('offline'));
  expect(await setTrees(API, { cohort: { name: 'c', ids: [] } })).toEqual({ done: false, reached: false });
});

test('a file goes where its name says, whatever its case; a name that says nothing is taken for a case', () => {
  const to = (name: string) => Object.values(destinationOf(name, API, 7)).join(' ');
  expect(to('Trees.CSV')).toBe(`${API}/trees text/csv`);
  expect(to('site.dxf')).toBe(`${API}/plan?base=7 image/vnd.dxf`);
  expect(to('plan.GeoJSON')).toBe(`${API}/plan?base=7 application/json`);
  for (const name of ['katsura.json', 'csv', 'list.csv.json', ''])
    expect(to(name)).toBe(`${API}/cases application/json`);
});

test('what became of a file: read with its notes, out of date, stopped, out of reach, or gone from the device', async () => {
  const bring = (file = csv(), signal = new AbortController().signal): Promise<Brought> =>
    bringIn(API, file, 3, signal);
  const asked = answers(json({ done: '1 tree added.', notes: ['row 3: no species'] }));
  expect(await bring()).toEqual({
    told: { done: '1 tree added.', notes: ['row 3: no species'] },
    changed: true,
  });
  expect(new TextDecoder().decode(asked[0]!.init.body as ArrayBuffer)).toContain('Tilia cordata');
  answers(json({ stale: { version: 4 } }, 409));
  expect(await bring()).toEqual({ stale: { version: 4 }, changed: true });
  answers(new Error('offline'));
  expect(await bring()).toEqual({
    told: { problem: expect.stringContaining('nothing was imported') },
    changed: false,
  });
  const stop = new AbortController();
  stop.abort();
  expect(await bring(csv(), stop.signal)).toEqual({
    told: { problem: expect.stringContaining('Stopped. list.csv comes in whole or not at all') },
    changed: true,
  });
  const gone = csv();
  gone.arrayBuffer = () => Promise.reject(new DOMException('gone', 'NotReadableError'));
  const none = answers(json({}));
  for (const told of [await bring(gone), await takeWeather(API, gone)])
    expect(told).toEqual({
      told: { problem: 'list.csv cannot be read any more; nothing was imported. Choose it again.' },
      changed: false,
    });
  expect(none).toEqual([]);
});

test('weather comes from a file or from the record of the station; what was typed stays where nobody was reached', async () => {
  const asked = answers(json({ done: '30 days' }));
  expect(await takeWeather(API)).toEqual({ told: { done: '30 days' }, changed: true });
  expect([asked[0]!.path, asked[0]!.init.body]).toEqual([`${API}/weather?name=`, undefined]);
  const other = answers(json({ done: '30 days' }));
  await takeWeather(API, new File(['day\n'], 'wet & dry.csv'));
  expect(other[0]!.path).toBe(`${API}/weather?name=wet%20%26%20dry.csv`);
  answers(new Error('offline'));
  expect(await noteWeatherPlace(API, { latitude: 51 })).toEqual({
    told: { problem: expect.stringContaining('what you typed is still here') },
    changed: false,
  });
});
