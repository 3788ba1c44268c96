import type { Picture, PictureCards } from '../records';
import type { DigReading } from '../roots';
import { LEAST_BARK, onPlan, type PictureOnPlan } from './onPlan';
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

/** What a picture with cards still lacks before a root can be traced on it, in words; none where it lacks nothing. */
export function lackingFor({ bark, towards, level }: PictureCards, drawn: boolean): string[] {
  const touched = bark?.length ?? 0;
  return [
    ...(level === undefined ? ['the depth of the cards below grade'] : []),
    ...(towards === undefined ? ['where the arrow of the card points'] : []),
    ...(touched < LEAST_BARK ? [`the bark touched in ${LEAST_BARK} places or more (${touched} so far)`] : []),
    ...(drawn ? [] : ['the diameter of the stem']),
  ];
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
