import { speciesListed } from './lookup';
import { STRESSES, type Species, type Stress } from './table';

/** How many are named for a place. */
const NAMED = 4;
/** Each stress a species stands poorly puts it back as a tenth in height does. Judgement. */
const MINDS = 0.1;

const ofGenus = (species: Species): string => species.name.split(' ')[0]!;

/**
 * Species for the place of a tree that goes: those that hardly mind what the place asks of them, of another genus, as
 * near to the size wanted as there are; one of each genus. Species alone are named, no genus.
 *
 * @param asks what the place asks to be stood
 * @param height of the tree that is to stand there when grown, m
 * @param not genus that goes; what failed there is not set again, and a place of one genus falls to one disease
 * @param most tallest that a grown tree may be there, m
 * @param own what the firm has judged for itself; stands before the table of the program
 */
export function speciesForPlace(
  asks: readonly Stress[],
  height: number,
  not: string | undefined,
  own: readonly Species[] = [],
  most = Infinity,
): Species[] {
  const minds = (s: Species) => STRESSES.filter((stress) => s.stands[stress] === 'poor').length;
  const fits = speciesListed(own)
    .filter((s) => s.name.includes(' ') && ofGenus(s) !== not && s.height <= most)
    .filter((s) => asks.every((stress) => s.stands[stress] === 'good'))
    .map((species) => ({
      species,
      off: Math.abs(Math.log(species.height / height)) + MINDS * minds(species),
    }))
    .sort((a, b) => a.off - b.off || a.species.name.localeCompare(b.species.name));
  const genera = new Set<string>();
  return fits
    .filter(({ species }) => !genera.has(ofGenus(species)) && genera.add(ofGenus(species)))
    .slice(0, NAMED)
    .map(({ species }) => species);
}
