import fc from 'fast-check';
import { GLOSSARY, glossaryFor, withTerms } from './glossary';

test('every term is found in a sentence that uses it, once, and in its own words', () => {
  for (const { name, value } of GLOSSARY) {
    expect(glossaryFor(`The ${name} is here.`).map((t) => t.name)).toContain(name);
    expect(value).toMatch(/^[A-Z].*\.$/);
  }
  expect(new Set(GLOSSARY.map((t) => t.name)).size).toBe(GLOSSARY.length);
});

test('a text in pieces is the same text; a term is explained where it first stands and no more', () => {
  const sentence = fc
    .array(
      fc.oneof(
        fc.constantFrom(...GLOSSARY.map((t) => t.name), 'Girdling roots', 'and', 'the soil, '),
        fc.string(),
      ),
    )
    .map((parts) => parts.join(' '));
  fc.assert(
    fc.property(sentence, sentence, (one, two) => {
      const known = new Set<string>();
      const pieces = [one, two, one].map((text) => withTerms(text, known));
      expect(pieces.map((p) => p.map((x) => x.text).join(''))).toEqual([one, two, one]);
      const explained = pieces.flat().flatMap((p) => (p.means ? [p.means] : []));
      expect(new Set(explained).size).toBe(explained.length);
    }),
  );
  expect(withTerms('Girdling roots compress the stem.', new Set())[0]).toEqual({
    text: 'Girdling roots',
    means: GLOSSARY.find((t) => t.name === 'girdling root')!.value,
  });
});
