import type { PictureCards } from '../records';

/** Touches of the bark that are asked for at least: two meet any stem. */
export const LEAST_BARK = 3;

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
