import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  impact: string;
  nodes: { target: string[] }[];
}

/** Serious and critical findings of the page as it stands, by all rules or those named. */
export async function findings(page: Page, rules?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  const violations = await page.evaluate(async (runOnly) => {
    const run = (window as unknown as { axe: { run: (o: unknown) => Promise<{ violations: Violation[] }> } })
      .axe.run;
    return (await run({ resultTypes: ['violations'], ...(runOnly && { runOnly }) })).violations;
  }, rules);
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
