import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { enterDemo } from './enter';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const STATIONS = [
  'history',
  'crown',
  'base',
  'mulch',
  'probe',
  'dig',
  'soil',
  'trenches',
  'verdict',
  'cuts',
  'prescription',
];
const VIEWS = [
  '/grounds',
  '/grounds/kelpworth',
  '/grounds/kelpworth/walk',
  '/grounds/kelpworth/materials',
  '/grounds/kelpworth/work',
  '/practice',
  '/practice/judgements',
  '/practice/rates',
  '/account',
  '/firm',
  '/trees/sable-katsura-14/report',
  '/trees/sable-katsura-14/record',
  '/trees/sable-katsura-14/crew',
  '/trees/sable-katsura-14/options',
  '/trees/sable-katsura-14/order',
  '/trees/sable-katsura-14/schools',
  '/grounds/lanternfield/schools',
  '/trees/kelpworth-4/crew/trenches',
  '/trees/kelpworth-2',
  ...STATIONS.map((s) => `/trees/sable-katsura-14?station=${s}`),
];

interface Violation {
  id: string;
  impact: string;
  nodes: { target: string[] }[];
}

/** Serious and critical findings of the page as it stands. Another theme changes colours alone: only they are looked at. */
async function findings(page: Page, coloursAlone: boolean): Promise<string[]> {
  await page.evaluate(axe);
  const violations = await page.evaluate(async (alone) => {
    const run = (window as unknown as { axe: { run: (o: unknown) => Promise<{ violations: Violation[] }> } })
      .axe.run;
    const rules = alone ? { runOnly: ['color-contrast'] } : {};
    return (await run({ resultTypes: ['violations'], ...rules })).violations;
  }, coloursAlone);
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => n.target.join(' '))
          .join(' | ')}`,
    );
}

/** Views that between them show every part the interface is made of: drawings, charts, forms, tables, marks of state. */
const COLOURFUL = [
  '/sign-in',
  '/grounds/kelpworth',
  '/practice/rates',
  '/trees/sable-katsura-14/report',
  '/trees/sable-katsura-14/crew',
  '/trees/sable-katsura-14/options',
  '/trees/sable-katsura-14/order',
  '/trees/kelpworth-2',
  ...['history', 'mulch', 'dig', 'soil', 'trenches', 'verdict', 'cuts', 'prescription'].map(
    (s) => `/trees/sable-katsura-14?station=${s}`,
  ),
];

/** Themes differ in colours alone, which are the same at every width. */
const themesOf = (view: string, screen: 'desk' | 'phone') =>
  screen === 'desk' && COLOURFUL.includes(view) ? ['paper', 'dark', 'sun'] : ['paper'];

for (const [name, viewport] of [
  ['desk', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
] as const) {
  test(`no serious finding: ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    const check = async (view: string) => {
      for (const theme of themesOf(view, name)) {
        await page.evaluate((t) => (document.documentElement.dataset.theme = t), theme);
        expect([view, theme, await findings(page, theme !== 'paper')]).toEqual([view, theme, []]);
      }
      const overflow = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect([view, overflow]).toEqual([view, 0]);
    };
    await page.goto('/sign-in');
    await check('/sign-in');
    await enterDemo(page);
    for (const view of VIEWS) {
      await page.goto(view);
      await expect(page.locator('main')).toBeVisible();
      // Once it listens: until then nothing takes a press, or the focus.
      for (const find of await page.getByRole('button', { name: /^Find/ }).all())
        await expect(find).toBeEnabled();
      await check(view);
    }
  });
}
