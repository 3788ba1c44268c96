import fc from 'fast-check';
import { visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { circumstancesOf, verdictOf } from '../diagnosis';
import { stemRate } from '../growth';
import { readOwnSpecies } from '../ownSpecies';
import { profileOf } from '../profile';
import type { Finding, Tree, Visit } from '../records';
import { triage } from '../walk';
import {
  SPECIES,
  speciesFor,
  speciesForPlace,
  speciesListed,
  speciesSays,
  STRESSES,
  type Species,
  type Stress,
} from '.';

const visitWith = (...findings: Finding[]): Visit => visitOn('2026-06-10', findings);
const tree = (species: string, more: Partial<Tree> = {}): Tree => ({ label: 'A', species, ...more });

test('the table holds each name once, with sizes a tree may have', () => {
  expect(SPECIES.length).toBeGreaterThanOrEqual(150);
  expect(new Set(SPECIES.map((s) => s.name)).size).toBe(SPECIES.length);
  const called = SPECIES.flatMap((s) => s.common);
  expect(called.filter((name, i) => called.indexOf(name) !== i)).toEqual([]);
  for (const s of SPECIES) {
    expect([s.name, s.common.length > 0, Object.keys(s.stands)]).toEqual([s.name, true, [...STRESSES]]);
    expect(readOwnSpecies([s])).toMatchObject({ ok: true });
    expect(s.height).toBeGreaterThanOrEqual(s.spread / 2);
  }
});

test.each([
  ['Tilia cordata', 'Tilia cordata', 'species'],
  ["tilia cordata 'Greenspire'", 'Tilia cordata', 'species'],
  ['Tilia cordata ‘Rancho’ (on own roots)', 'Tilia cordata', 'species'],
  ['Small-leaved lime', 'Tilia cordata', 'species'],
  ['LITTLELEAF LINDEN', 'Tilia cordata', 'species'],
  ['Tilia × europaea', 'Tilia x europaea', 'species'],
  ['Platanus acerifolia', 'Platanus x hispanica', 'species'],
  ['Sophora japonica', 'Styphnolobium japonicum', 'species'],
  ['Acer negundo var. violaceum', 'Acer negundo', 'species'],
  ['Populus alba', 'Populus', 'genus'],
  ['Acer sp.', 'Acer', 'genus'],
  ['maple', 'Acer', 'genus'],
  ['Liriodendron chinense', 'Liriodendron tulipifera', 'genus'],
] as const)('“%s” is found as %s', (typed, name, by) => {
  const found = speciesFor(typed);
  expect([found?.species.name, found?.by]).toEqual([name, by]);
});

test('what nobody knows is said to be unknown, and nothing typed breaks the search', () => {
  for (const typed of ['', '  ', 'Xylotherium', '×', "'Greenspire'", '??'])
    expect(speciesFor(typed)).toBeUndefined();
  expect(speciesSays('Xylotherium maximum')).toContain('is in no list');
  expect(speciesSays('')).toContain('no species noted');
  fc.assert(
    fc.property(fc.string(), (typed) => {
      const found = speciesFor(typed);
      if (found) expect(SPECIES).toContain(found.species);
      const clean = typed.trim().replace(/\s+/g, ' ');
      const says = speciesSays(typed);
      // What was typed stands at most at its head, as it was typed.
      const own = says.startsWith(clean) ? says.slice(clean.length) : says;
      expect(own).not.toMatch(/undefined|\s\s|\(\)/);
    }),
  );
  // Every name of the table leads to its own row.
  for (const s of SPECIES)
    for (const name of [s.name, ...s.common]) expect([name, speciesFor(name)?.species]).toEqual([name, s]);
});

test('what the firm has judged stands before what ships', () => {
  const own: Species[] = [
    { ...speciesFor('Tilia cordata')!.species, growth: 'fast', common: ['city linden'] },
    { ...speciesFor('Acer')!.species, name: 'Xylotherium maximum', common: [] },
  ];
  expect(speciesFor('Tilia cordata', own)).toMatchObject({ own: true, species: { growth: 'fast' } });
  expect(speciesFor('city linden', own)?.species.name).toBe('Tilia cordata');
  expect(speciesFor('Xylotherium maximum', own)).toMatchObject({ own: true, by: 'species' });
  expect(speciesFor('Tilia tomentosa', own)).toMatchObject({ own: false, by: 'species' });
  expect(speciesListed(own)).toHaveLength(SPECIES.length + 1);
  expect(stemRate(tree('Tilia cordata'), [], own).from).toBe('fast growing by species');
  expect(stemRate(tree('Tilia cordata'), []).from).toBe('medium growing by species');
});

test('a species of a firm that cannot be is refused with its field', () => {
  const good = speciesFor('Acer')!.species;
  const problem = (given: unknown) => {
    const read = readOwnSpecies(given);
    return read.ok ? undefined : read.problem;
  };
  expect(problem([{ ...good, height: 900 }])).toMatch(/^Acer, height/);
  expect(problem([{ ...good, stands: { ...good.stands, wet: 'some' } }])).toMatch(/^Acer, stands wet/);
  expect(problem([good, { ...good, name: 'acer ' }])).toMatch(/appears twice/);
  expect(problem([{ ...good, name: '×.' }])).toMatch(/is no name/);
  expect(problem('Acer')).toMatch(/at most/);
  expect(problem([null])).toMatch(/^Species 1/);
});

/** A cause that a species moves, one that stands it poorly and one that stands it well; of a like growth. */
const MOVES: readonly [Stress, string, poor: string, good: string][] = [
  ['fill', 'gradeRaised', 'Fagus sylvatica', 'Alnus glutinosa'],
  ['fill', 'compaction', 'Acer saccharum', 'Platanus x hispanica'],
  ['wet', 'waterlogging', 'Prunus avium', 'Taxodium distichum'],
  ['drought', 'drought', 'Betula pendula', 'Gleditsia triacanthos'],
  ['lime', 'chlorosis', 'Quercus palustris', 'Fraxinus excelsior'],
  ['salt', 'salt', 'Tilia cordata', 'Robinia pseudoacacia'],
  ['rootLoss', 'severed', 'Quercus alba', 'Platanus x hispanica'],
];

test.each(MOVES)(
  'how it stands %s moves the chance of %s, and of the urgency with it',
  (stress, cause, poor, good) => {
    const visit = visitWith({ key: 'crown.density', number: 0.5 }, { key: 'crown.leaf', answer: 'small' });
    const of = (species: string) => {
      const t = tree(species);
      return verdictOf(t, [], visit, profileOf(t, visit));
    };
    const chance = (species: string) => of(species).causes.find((c) => c.cause === cause)!.probability;
    expect(speciesFor(poor)!.species.stands[stress]).toBe('poor');
    expect(speciesFor(good)!.species.stands[stress]).toBe('good');
    expect(circumstancesOf(tree(poor), [], visit)).toContain(`${stress} poor`);
    expect(chance(poor)).toBeGreaterThan(chance('nobody knows it'));
    expect(chance(good)).toBeLessThan(chance('nobody knows it'));
    expect(triage(of(poor)).urgency).toBeDefined();
  },
);

test('a tree in a wet place is more urgent where its species drowns', () => {
  const visit = visitWith(
    { key: 'history.wet', answer: 'hours' },
    { key: 'crown.colour', answer: 'pale' },
    { key: 'look.density', answer: 'thin' },
    { key: 'base.push', answer: 'none' },
  );
  const loss = (species: string) => {
    const t = tree(species);
    return triage(verdictOf(t, [], visit, profileOf(t, visit))).loss;
  };
  expect(loss('Prunus avium')).toBeGreaterThan(loss('Taxodium distichum'));
});

test('an established tree is watered by how its species stands drought; a transplant is not', () => {
  const visit = visitWith({ key: 'history.works', answer: 'under' }, { key: 'dig.ends', answer: 'many' });
  const rounds = (species: string, stemDiameter: number) =>
    assess(tree(species, { stemDiameter }), [], visit)
      .operations.find((o) => o.key === 'water')!
      .quantities.find((q) => q.key === 'waterings')!.value;
  expect(rounds('Betula pendula', 0.5)).toBeGreaterThan(rounds('Acer rubrum', 0.5));
  expect(rounds('Gleditsia triacanthos', 0.5)).toBeLessThan(rounds('Acer rubrum', 0.5));
  expect(rounds('Betula pendula', 0.05)).toBe(rounds('Gleditsia triacanthos', 0.05));
});

test('what is planted in its place stands what the place asks, and is of another genus', () => {
  fc.assert(
    fc.property(
      fc.subarray([...STRESSES]),
      fc.double({ min: 3, max: 40, noNaN: true }),
      fc.constantFrom(...SPECIES),
      (asks, height, gone) => {
        const genus = gone.name.split(' ')[0]!;
        const found = speciesForPlace(asks, height, genus);
        for (const s of found) {
          expect(asks.filter((stress) => s.stands[stress] !== 'good')).toEqual([]);
          expect(s.name.split(' ')[0]).not.toBe(genus);
        }
        expect(new Set(found.map((s) => s.name.split(' ')[0])).size).toBe(found.length);
      },
    ),
  );
});

test('the replacement names what the place asks for, with no hole in the sentence', () => {
  const method = (species: string, ...findings: Finding[]) =>
    assess(tree(species), [], visitWith(...findings))
      .operations.find((o) => o.key === 'replace')!
      .method.join(' ');
  const wet = method(
    'Prunus avium',
    { key: 'history.wet', answer: 'days' },
    { key: 'probe.moisture', answer: 'sour' },
    { key: 'probe.drain', answer: 'standing' },
    { key: 'soil.ph', answer: 'very high' },
  );
  expect(wet).toContain('It must tolerate wet ground, a high pH: for example ');
  expect(wet).not.toContain('Prunus');
  expect(method('', { key: 'soil.salt', answer: 'none' })).toContain(
    'The ground asks nothing special: for example ',
  );
});
