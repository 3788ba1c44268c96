import type { Picture, PictureCards } from '../records';
import type { DigReading } from '../roots';
import { lackingFor } from './lacking';
import { onPlan, type PictureOnPlan } from './onPlan';
import { planeOfCards, type CardPlane } from './plane';

const planes = new WeakMap<PictureCards, CardPlane | { problem: string }>();

/** The plane of the cards of a picture; undefined where it has none. Worked out once for each record. */
export function planeIn(
  picture: Pick<Picture, 'width' | 'height' | 'cards'>,
): CardPlane | { problem: string } | undefined {
  const { cards } = picture;
  if (!cards) return undefined;
  const known = planes.get(cards) ?? planeOfCards(picture, cards.found, cards.side);
  planes.set(cards, known);
  return known;
}

/**
 * A picture with cards on the plan of its dig.
 *
 * @returns undefined where it has no cards, or something is lacking; what is wrong, in words, where it cannot be
 */
export function tiedToDig(
  picture: Pick<Picture, 'width' | 'height' | 'cards'>,
  { outline, turn }: Pick<DigReading, 'outline' | 'turn'>,
): PictureOnPlan | { problem: string } | undefined {
  const plane = planeIn(picture);
  if (!plane || !picture.cards) return undefined;
  if ('problem' in plane) return plane;
  const { bark, towards, level } = picture.cards;
  if (lackingFor(picture.cards, outline.from !== 'nothing').length > 0) return undefined;
  return onPlan(plane, outline, { bark: bark!, towards: towards! + turn, level: level! });
}
