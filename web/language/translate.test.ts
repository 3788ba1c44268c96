import fc from 'fast-check';
import { figuresIn } from './figures';
import { sayer } from './translate';

const say = sayer({
  locale: 'de-DE',
  sides: { E: 'O' },
  small: ['Zu'],
  messages: {
    'Planted too deep': 'Zu tiefe Pflanzung',
    'Compacted soil': 'Bodenverdichtung',
    'Stem injury, tie, wire or guard': 'Stammverletzung, Bindung, Draht oder Schutz',
    'the soil is compacted': 'der Boden ist verdichtet',
    'the crown is declining': 'die Krone lässt nach',
    'As a result, {listAnd}.': 'Die Folgen: {listAnd}.',
    'Also possible: {list}.': 'Auch möglich: {list}.',
    '{n} waterings': '{n, plural, one {# Wässerung} other {# Wässerungen}}',
    'Lift by {m}.': 'Um {m} anheben.',
    'Planned for {at}.': 'Geplant für {at}.',
    'No work is needed for now.': 'Vorerst ist nichts nötig.',
    'It is {x}.': 'Es ist {x}.',
  },
});

test('messages, their values, lists of messages and sentences are said; a text that is not known is not', () => {
  expect(say('Planted too deep')).toBe('Zu tiefe Pflanzung');
  // Within a sentence small, but for nouns.
  expect(say('Also possible: planted too deep, compacted soil.')).toBe(
    'Auch möglich: zu tiefe Pflanzung, Bodenverdichtung.',
  );
  // An item with a comma of its own.
  expect(say('Also possible: stem injury, tie, wire or guard, compacted soil.')).toBe(
    'Auch möglich: Stammverletzung, Bindung, Draht oder Schutz, Bodenverdichtung.',
  );
  expect(say('As a result, the soil is compacted and the crown is declining.')).toBe(
    'Die Folgen: der Boden ist verdichtet und die Krone lässt nach.',
  );
  expect([say('1 waterings'), say('24 waterings')]).toEqual(['1 Wässerung', '24 Wässerungen']);
  expect(say('Lift by 12.5 cm. No work is needed for now.')).toBe(
    'Um 12.5 cm anheben. Vorerst ist nichts nötig.',
  );
  // What is taken as it is stays within its sentence.
  expect(say('Planned for 2027-03-01. Something else.')).toBeUndefined();
  expect(say('It is something.')).toBeUndefined();
  expect(say('Lift by much.')).toBeUndefined();
});

test('figures of every kind, as German writes them; numbers of reports and versions stay', () => {
  const written = (text: string) => figuresIn(text, 'de-DE').replace(/\s/g, ' ');
  expect(written('€8,980.00 to CHF 1,557.19')).toBe('8.980,00 € to 1.557,19 CHF');
  expect(written('17.8 ± 1.8 cm, 1,234 L, 42% to 67%')).toBe('17,8 ± 1,8 cm, 1.234 L, 42 % to 67 %');
  expect(written('Q-2026-0004 of 2026-05-06, practice-6, 3-1.5')).toBe(
    'Q-2026-0004 of 2026-05-06, practice-6, 3-1.5',
  );
});

test('any amount of money is the same amount in German', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e9 }), (cents) => {
      const english = new Intl.NumberFormat('en', { style: 'currency', currency: 'EUR' }).format(cents / 100);
      const german = figuresIn(english, 'de-DE');
      expect(Number(german.replace(/[^\d,]/g, '').replace(',', '.'))).toBeCloseTo(cents / 100, 6);
    }),
  );
});

test('whatever is given, it ends, and what is said holds no English message', () => {
  const part = fc.constantFrom(
    'Planted too deep',
    'planted too deep',
    ', ',
    ' and ',
    '. ',
    'As a result, ',
    'x',
    '{x}',
    '1',
  );
  fc.assert(
    fc.property(fc.array(part, { maxLength: 14 }), (parts) => {
      const said = say(parts.join(''));
      if (said !== undefined) expect(said).not.toMatch(/too deep|As a result/);
    }),
  );
});
