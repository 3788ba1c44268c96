import { readFileSync } from 'node:fs';

const css = readFileSync(new URL('globals.css', import.meta.url), 'utf8');

/** Colours of a theme by their names; what it does not name is as on paper. */
function colours(selector: string): Record<string, string> {
  const block = css.slice(css.indexOf(`${selector} {`)).split('}')[0]!;
  return Object.fromEntries(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]),
  );
}

/** Relative luminance and contrast, WCAG 2.2, “contrast ratio” and “relative luminance”. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
};

const GROUNDS = ['paper', 'sheet', 'wash'];
const TEXTS = ['ink', 'muted', 'todo', 'harm'];
/** What letters of the drawing stand on. */
const SOILS = ['fill', 'topsoil', 'loam', 'clay', 'mulch', 'squeeze'];

// WCAG 2.2, 1.4.3 (AA, 4.5) indoors; 1.4.6 (AAA, 7) for what is read in the sun.
test.each([
  [':root', 4.5],
  ["[data-theme='dark']", 4.5],
  ["[data-theme='sun']", 7],
])('%s: every text on every ground has a contrast of %s at least', (selector, least) => {
  const theme = colours(selector);
  for (const text of TEXTS)
    for (const ground of GROUNDS) {
      const is = contrast(theme[text]!, theme[ground]!);
      expect([text, ground, is >= least || is]).toEqual([text, ground, true]);
    }
  for (const soil of SOILS) {
    const is = contrast(theme.ink!, theme[soil]!);
    expect([soil, is >= least || is]).toEqual([soil, true]);
  }
});

test('black on white is 21', () => expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 6));
