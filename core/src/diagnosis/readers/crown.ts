import { measuredLeaves } from '../../crown/leafColour';
import { vigourFrom } from '../../crown/vigour';
import { LIMITS } from '../../practice/limits';
import { shortMark } from '../../units/marks';
import { asked, first, intervals, share, type Reader, type Readers } from './reader';

/**
 * Leaf colour as it was measured on pictures of the same visit, beside leaves of the reference tree: paler or not, evenly or
 * between green veins. Scorched margins are for the eye, and what it saw of them stands.
 */
const measuredColour: Reader = ({ visit }) => {
  const measured = measuredLeaves(visit);
  if (!measured) return undefined;
  const { tree, reference } = measured;
  const paler = reference.index - tree.index;
  const error = Math.max(0.005, Math.hypot(tree.error, reference.error));
  const [good, pale] = intervals(paler, error, ['leafPaler']) as [number, number];
  const says = `leaf colour index ${tree.index.toFixed(2)}, ${reference.index.toFixed(2)} on the reference tree`;
  // Where veins were not measured, a paler index may be either.
  if (!tree.veins) return { agrees: [good, pale, pale, good], says };
  const { index, error: off } = tree.veins;
  const [even, veined] = intervals(index, Math.max(0.005, off), ['veinsGreener']) as [number, number];
  return {
    agrees: [good, pale * even, pale * veined, good].map((a) => Math.max(1e-6, a)),
    says: `${says}, its veins ${index < 0 ? 'paler' : 'greener'} by ${Math.abs(index).toFixed(2)}`,
  };
};

/** The crown and its shoots. */
export const CROWN_READERS: Readers = {
  'crown.colour': first(measuredColour, asked('crown.colour')),
  'crown.density': first(
    share('crown.density', 'crown density', ['densityHalf', 'densityFull'], true),
    asked('look.density'),
  ),
  'crown.dieback': first(
    share('crown.dieback', 'dieback', ['diebackSome', 'diebackMuch'], false),
    asked('look.dieback'),
  ),
  'crown.shoots': ({ visit }) => {
    const years = visit.findings.filter((f) => f.key === 'crown.extension' && f.number !== undefined);
    if (years.length < 2) return undefined;
    const longest = Math.max(...years.map((f) => f.number!));
    const short = longest < LIMITS.shootsShort.value;
    return {
      answer: short ? 'short' : 'fair',
      says: short
        ? `no shoot over ${shortMark(longest)} in ${years.length} years`
        : `shoots up to ${shortMark(longest)} a year`,
    };
  },
  'crown.extension': ({ visit }) => {
    const vigour = vigourFrom(visit.findings);
    if (!vigour) return undefined;
    const { ratio, before, recent } = vigour;
    const between = (ratio - LIMITS.vigourDrop.value) / (LIMITS.vigourHeld.value - LIMITS.vigourDrop.value);
    const held = Math.min(1, Math.max(0, between));
    const collapsed = ratio <= LIMITS.extensionHalf.value ? 1 : 0;
    return {
      agrees: [held, (1 - held) * (1 - collapsed), collapsed].map((a) => Math.max(1e-6, a)),
      says:
        held > 0.5
          ? `shoots as long as before, ${shortMark(recent)} a year`
          : `shoots fell from ${shortMark(before)} to ${shortMark(recent)} a year`,
    };
  },
};
