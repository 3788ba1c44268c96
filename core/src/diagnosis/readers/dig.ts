import { percent } from '../../units/share';
import { LIMITS } from '../../practice/limits';
import { shortMark } from '../../units/marks';
import { wrapBearing } from '../../geometry';
import type { DigReading } from '../../roots';
import { asked, dug, first, intervals, type Case, type Read, type Reader, type Readers } from './reader';

/** Standard error of the share by tape and compass; common practice, no source. */
const TAPE = 0.02;
/** Standard errors to either side within which 90 % lies. */
const NINETY = 1.645;

/** Whether roots were drawn round so much of the base that one not drawn is one not there. */
const coversBase = ({ roots }: DigReading): boolean =>
  new Set(roots.flatMap(({ root }) => root.points.map((p) => Math.floor(wrapBearing(p.bearing) / 90))))
    .size >= LIMITS.dugQuarters.value;

/** What a dig lays open: what was found counts at once, what was not found once the whole base was looked at. */
const found = (read: (dig: DigReading, given: Case) => Read | undefined, nothing: string): Reader =>
  dug((dig, given) => {
    const seen = read(dig, given);
    return seen ?? (coversBase(dig) ? { answer: nothing } : undefined);
  });

/** What was dug up. */
export const DIG_READERS: Readers = {
  'dig.girdled': dug((dig) => {
    const { share: squeezed, spread } = dig;
    if (squeezed < LIMITS.girdledSome.value && !coversBase(dig)) return undefined;
    return {
      agrees: intervals(squeezed, Math.hypot(TAPE, spread / NINETY), [
        'girdledSome',
        'girdledMuch',
        'girdleBeyondPruning',
      ]),
      says: `roots compress ${percent(squeezed)} of the bark`,
    };
  }),
  'dig.inAnchor': found(({ roots, pressings }) => {
    const pressed = pressings.find(
      (p) => p.length > 0 && [p.a, p.b].some((i) => roots[i]!.root.kind === 'structural'),
    );
    return pressed
      ? {
          answer: 'some',
          says: `${roots[pressed.a]!.root.label} and ${roots[pressed.b]!.root.label} press on each other`,
        }
      : undefined;
  }, 'none'),
  'dig.mat': found(({ roots }) => {
    const count = roots.filter((r) => r.root.kind === 'adventitious').length;
    return count === 0
      ? undefined
      : {
          answer: count >= 3 ? 'mat' : 'few',
          says: `${count} adventitious ${count === 1 ? 'root' : 'roots'} above the collar`,
        };
  }, 'none'),
  'dig.shape': first(
    asked('dig.shape'),
    dug(({ pot }) => {
      if (!pot || pot.never.length + pot.left.length === 0) return undefined;
      const within = pot.never.length;
      if (within === 0) return { answer: 'none', says: 'every root has left the old pot' };
      if (pot.left.length === 0) return { answer: 'wholly', says: 'no root has left the old pot' };
      return {
        answer: 'partly',
        says: `${within} ${within === 1 ? 'root' : 'roots'} never left the old pot`,
      };
    }),
  ),
  'dig.anchors': dug((dig) => {
    if (!coversBase(dig)) return undefined;
    const { anchorage } = dig;
    const gap = anchorage.largestGap?.degrees ?? 360;
    return {
      answer:
        anchorage.sound < LIMITS.anchorsFew.value ? 'few' : gap > LIMITS.anchorGap.value ? 'gap' : 'round',
      says: `${anchorage.sound} sound anchors, largest gap ${Math.round(gap)}°`,
    };
  }),
  'dig.decay': found(({ roots }, { visit }) => {
    const sectors = visit.dig!.decay ?? [];
    const rotten = roots.filter((r) => r.root.condition === 'decayed' || r.root.condition === 'dead').length;
    const wide = sectors.reduce((sum, s) => sum + ((s.to - s.from + 360) % 360), 0);
    if (wide === 0 && rotten === 0) return undefined;
    return {
      answer: wide >= 90 || rotten > roots.length / 3 ? 'much' : 'some',
      says: `decay over ${Math.round(wide)}° of the collar, ${rotten} roots decayed or dead`,
    };
  }, 'none'),
  'dig.ring': first(
    ({ visit }) => {
      const ring = visit.dig?.barriers?.find((b) => b.kind === 'root-control ring' || b.kind === 'grate');
      return ring && { answer: 'there', says: `a ${ring.kind}, ${shortMark(ring.diameter)} inside` };
    },
    asked('base.ring', { clear: 'there', over: 'there', reached: 'there' }),
  ),
};
