import fc from 'fast-check';
import type { SoilLayer, SoilLog } from '../records';
import { textureByFeel } from './feel';
import { readLog, readLogs } from './log';
import { loggedGround } from './verdict';

const log = (place: SoilLog['place'], layers: SoilLayer[], more: Partial<SoilLog> = {}): SoilLog => ({
  place,
  bearing: 0,
  distance: 0.5,
  layers,
  ...more,
});

test('topsoil is the dark soil from the surface down; a second dark layer is an older surface', () => {
  const layers: SoilLayer[] = [
    { to: 0.12, colour: 'dark' },
    { to: 0.2, colour: 'dark' },
    { to: 0.5, colour: 'brown' },
  ];
  expect(readLog(log('ring', layers)).topsoil).toBeCloseTo(0.2, 12);
  expect(readLog(log('ring', layers)).oldGrade).toBeUndefined();
  const older = readLog(log('ring', [...layers, { to: 0.6, colour: 'dark' }]));
  expect(older.oldGrade).toBe(0.5);
  expect(older.topsoil).toBeCloseTo(0.1, 12);
});

test('dark soil under paler soil is the buried topsoil: its top is the original grade, it alone counts', () => {
  const read = readLog(
    log('ring', [
      { to: 0.15, colour: 'mixed' },
      { to: 0.4, colour: 'dark' },
      { to: 0.7, colour: 'grey' },
    ]),
  );
  expect(read.oldGrade).toBe(0.15);
  expect(read.topsoil).toBeCloseTo(0.25, 12);
  expect(read.wetFrom).toBe(0.4);
});

test('a grade that was seen goes before one that colours suggest, also in the midst of a layer', () => {
  const read = readLog(log('ring', [{ to: 0.3, colour: 'dark' }], { oldGrade: 0.1 }));
  expect(read.oldGrade).toBe(0.1);
  expect(read.topsoil).toBeCloseTo(0.2, 12);
});

test('without colours there is no topsoil to tell, and smell alone tells wetness', () => {
  const read = readLog(log('open', [{ to: 0.2 }, { to: 0.4, smell: 'rotten' }]));
  expect(read.topsoil).toBeUndefined();
  expect(read.wetFrom).toBe(0.2);
});

test('topsoil never exceeds what was examined, and cutting a layer in two changes nothing', () => {
  const colour = fc.constantFrom<SoilLayer['colour']>('dark', 'brown', 'pale', 'mottled', 'mixed');
  const layers = fc
    .array(fc.record({ thick: fc.double({ min: 0.02, max: 0.3, noNaN: true }), colour }), {
      minLength: 1,
      maxLength: 8,
    })
    .map((list) => {
      let to = 0;
      return list.map(({ thick, colour: c }): SoilLayer => ({ to: (to += thick), colour: c }));
    });
  fc.assert(
    fc.property(layers, fc.nat(), (list, pick) => {
      const whole = readLog(log('ring', list));
      expect(whole.topsoil!).toBeGreaterThanOrEqual(0);
      expect(whole.topsoil!).toBeLessThanOrEqual(list.at(-1)!.to + 1e-9);
      const i = pick % list.length;
      const middle = (list[i]!.to + (list[i - 1]?.to ?? 0)) / 2;
      const cut = [...list.slice(0, i), { ...list[i]!, to: middle }, ...list.slice(i)];
      const parted = readLog(log('ring', cut));
      expect(parted.topsoil).toBeCloseTo(whole.topsoil!, 9);
      expect(parted.oldGrade).toBe(whole.oldGrade);
      expect(parted.wetFrom).toBe(whole.wetFrom);
    }),
  );
});

test('ground about the tree is set beside that of the reference tree, which comes before open ground', () => {
  const logs = [
    log('ring', [
      { to: 0.08, colour: 'dark' },
      { to: 0.5, colour: 'grey', roots: 'none' },
    ]),
    log('outside', [
      { to: 0.12, colour: 'dark' },
      { to: 0.5, colour: 'brown', roots: 'none' },
    ]),
    log('open', [{ to: 0.3, colour: 'dark' }]),
  ];
  expect(readLogs(logs).compared).toEqual([
    'Topsoil {m:0.1000} about the tree, {m:0.3000} in open ground.',
    'Long wet from {m:0.0800} about the tree, not in open ground.',
    'Wet in the mulch ring from {m:0.0800}, not outside it.',
    'No root was met outside the ring.',
  ]);
  const elsewhere = [log('ring', [{ to: 0.11, colour: 'dark' }])];
  expect(readLogs(logs, elsewhere).compared[0]).toBe('Topsoil {m:0.1000}, as by the reference tree.');
  expect(readLogs([]).compared).toEqual([]);
});

test('answers that the holes about the tree stand in for leave the other places out', () => {
  expect(
    loggedGround([
      log('ring', [
        { to: 0.1, colour: 'dark', moisture: 'moist' },
        { to: 0.4, colour: 'brown', moisture: 'wet', smell: 'sour' },
      ]),
      log('reference', [{ to: 0.5, colour: 'mottled', moisture: 'dry' }], { refusal: 0.2 }),
    ]),
  ).toEqual({ topsoil: 0.1, colour: 'dark', moisture: 'sour' });
  expect(loggedGround([log('open', [{ to: 0.5, colour: 'pale' }])])).toEqual({});
});

test('texture by feel (Thien 1979, from memory): grit parts each ribbon in three', () => {
  expect(textureByFeel('short', 'even')).toBe('loam');
  expect(textureByFeel('medium', 'smooth')).toBe('silty clay loam');
  expect(textureByFeel('long', 'gritty')).toBe('sandy clay');
  expect(textureByFeel('no ball', 'smooth')).toBe('sand');
});

test('holes stand from the tree outward and round it, in whatever order they come', () => {
  const holes: SoilLog[] = [
    { place: 'ring', bearing: 90, distance: 0.7, layers: [] },
    { place: 'ring', bearing: 90, distance: 0.9, layers: [] },
    { place: 'ring', bearing: 200, distance: 0.4, layers: [] },
    { place: 'outside', bearing: 0, distance: 1.8, layers: [] },
    { place: 'open', bearing: 10, distance: 9, layers: [] },
    { place: 'reference', bearing: 5, distance: 0.8, layers: [] },
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray(holes, { minLength: holes.length }), (given) => {
      expect(readLogs(given).holes.map((h) => h.log)).toEqual(holes);
    }),
  );
});
