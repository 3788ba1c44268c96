import type { Locator } from '@playwright/test';

export interface Point {
  x: number;
  y: number;
}

export interface Box extends Point {
  width: number;
  height: number;
}

/**
 * Where all that a locator finds stands, px, once it has stood there for a quarter of a second.
 * Boxes asked for one after the other, or at once after a page opened, may lie on either side of a scroll.
 */
export async function boxesAtRest(locator: Locator): Promise<Box[]> {
  await locator.first().waitFor();
  return locator.evaluateAll(async (elements) => {
    const boxes = () =>
      elements.map((element) => {
        const { x, y, width, height } = element.getBoundingClientRect();
        return { x, y, width, height };
      });
    let [last, same] = [boxes(), 0];
    for (let i = 0; i < 400 && same < 5; i++) {
      await new Promise((go) => setTimeout(go, 50));
      const now = boxes();
      same = JSON.stringify(now) === JSON.stringify(last) ? same + 1 : 0;
      last = now;
    }
    if (same < 5) throw new Error('It does not come to rest within 20 s.');
    return last;
  });
}

/** Where the one thing that a locator finds stands, px, once it has stood there for a quarter of a second. */
export async function boxAtRest(locator: Locator): Promise<Box> {
  const boxes = await boxesAtRest(locator);
  if (boxes.length !== 1) throw new Error(`One was asked for, ${boxes.length} are there.`);
  return boxes[0]!;
}

/** The middle of a box, px. */
export const middleOf = ({ x, y, width, height }: Box): Point => ({ x: x + width / 2, y: y + height / 2 });
