import fc from 'fast-check';
import { KIND_KEYS, partsOf, type AnyRecord, type Kind } from '@undrel/core/records';
import { anyCase, tries } from '../../core/tests/anyCase';
import { calledOf, judgedOf, KIND_ENTRIES, withoutJudged } from './kinds';
import { fieldName, fieldTold } from './told';

const both = (kind: Kind, values: Record<string, unknown>, field: string) => [
  fieldTold(kind, values, field, 'metric'),
  fieldTold(kind, values, field, 'us'),
];

test('a value is told in the unit that it is in', () => {
  expect(both('tree', { stemDiameter: 0.31 }, 'stemDiameter')).toEqual(['31.0 cm', '12.2 in']);
  expect(both('tree', { height: 12 }, 'height')).toEqual(['12.0 m', '39.4 ft']);
  expect(both('tree', { plantedYear: 2016 }, 'plantedYear')).toEqual(['2016', '2016']);
  expect(both('probe', { bearing: 45 }, 'bearing')).toEqual(['45°', '45°']);
  expect(both('finding', { key: 'crown.density', number: 0.4 }, 'number')).toEqual(['40%', '40%']);
  expect(both('finding', { key: 'base.push', answer: 'rocks' }, 'answer')[0]).not.toBe('');
  const readings = [
    { depth: 0.1, pressure: 1_250_000 },
    { depth: 0.2, pressure: 2e6 },
  ];
  expect(both('push', { readings }, 'readings')).toEqual([
    '10.0 cm: 1.25 MPa, 20.0 cm: 2.00 MPa',
    '3.9 in: 181 psi, 7.9 in: 290 psi',
  ]);
  expect(both('profile', { mulch: [{ distance: 0.3, depth: 0.11 }] }, 'mulch')).toEqual([
    '30.0 cm: 11.0 cm',
    '11.8 in: 4.3 in',
  ]);
  expect(both('work', { amounts: [{ quantity: 'crewHours', amount: 1.5 }] }, 'amounts')[0]).toBe(
    'Crew hours: 1.5',
  );
  // In the order of the schema: a store may give the parts in any.
  const layers = [{ texture: 'clay', roots: 'few', to: 0.1, colour: 'brown' }];
  expect(both('soilLog', { layers }, 'layers')[0]).toBe('10.0 cm: brown clay few');
  // What an older version stored and nobody knows any more is told as it stands.
  expect(both('work', { amounts: [{ quantity: 'Buckets', amount: 2 }] }, 'amounts')[0]).toBe('Buckets: 2');
  expect(both('tree', {}, 'stemDiameter')).toEqual(['', '']);
  expect([fieldName('plantedYear'), fieldName('pitRadius')]).toEqual(['year planted', 'pit radius']);
});

test('every field of every kind of any case is told, and every record has a name', () => {
  const seen = new Set<Kind>();
  fc.assert(
    fc.property(anyCase, ({ tree, events, visits }) => {
      const records: AnyRecord[] = [
        { kind: 'tree', values: tree },
        ...events.map((values): AnyRecord => ({ kind: 'event', values })),
        ...visits.flatMap((visit) => {
          const { head, records: below } = partsOf(visit);
          return [{ kind: 'visit', values: head } as AnyRecord, ...below];
        }),
      ];
      for (const { kind, values } of records) {
        seen.add(kind);
        expect(calledOf(kind, values)).toMatch(/\S/);
        for (const [field, value] of Object.entries(values)) {
          const texts = both(kind, values, field);
          const empty = Array.isArray(value) ? value.length === 0 : String(value).trim() === '';
          if (!empty)
            expect([kind, field, ...texts]).toEqual([
              kind,
              field,
              expect.stringMatching(/\S/),
              expect.stringMatching(/\S/),
            ]);
          for (const t of texts) expect(t).not.toMatch(/undefined|NaN|\[object|null/);
        }
      }
    }),
    tries(60),
  );
  expect([...seen].sort()).toEqual([...KIND_KEYS].sort());
});

test('what only a consultant writes is a field of its kind, and is left out for others', () => {
  for (const kind of KIND_KEYS)
    for (const field of Object.keys(judgedOf(kind))) {
      expect([kind, Object.keys(KIND_ENTRIES[kind].columns)]).toEqual([
        kind,
        expect.arrayContaining([field]),
      ]);
      expect(withoutJudged(kind, { [field]: 'x', note: 'stays' })).toEqual({ note: 'stays' });
    }
});
