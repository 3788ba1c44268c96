import { answersTo, answerTo, SECTORS } from '../../questions/question';
import type { Finding } from '../../records';
import { LIMITS, type LimitKey } from '../../practice/limits';
import { ageAt, ageSays } from '../../history/age';
import { shortMark } from '../../units/marks';
import { asked, first, intervals, type Reader, type Readers } from './reader';

const sides = (findings: readonly Finding[]): string => findings.map((f) => SECTORS[f.part!]).join(', ');

/** A length that was measured at the stem, longest last. */
const measured =
  (key: string, says: string, where: string, cuts: readonly LimitKey[]): Reader =>
  ({ visit }) => {
    const number = answerTo(visit.findings, key)?.number;
    return number === undefined
      ? undefined
      : {
          agrees: intervals(number, LIMITS.tapeError.value, cuts),
          says: `${says} ${shortMark(number)} ${where}`,
        };
  };

const PUSHED: Readonly<Record<string, string>> = {
  slight: 'base gives when pushed',
  rocks: 'base rocks when pushed',
  lifts: 'it lifts out by hand',
};

/** Where the stem enters the ground. */
export const BASE_READERS: Readers = {
  'base.entry': first(({ profile: { flare } }) => {
    if (flare.looked === 0) return undefined;
    const hidden = (flare.looked - flare.seen) / flare.looked;
    // A flare seen on the sides that were looked at says nothing of the others; one that is hidden is hidden there.
    if (hidden === 0 && flare.looked < LIMITS.flareAllRound.value) return undefined;
    const straight = hidden >= LIMITS.flareHiddenShare.value && flare.looked >= LIMITS.flareMostSides.value;
    return {
      answer: straight ? 'straight' : hidden > 0.15 ? 'part' : 'flared',
      says:
        hidden > 0
          ? `flare hidden on ${flare.looked - flare.seen} of ${flare.looked} sides`
          : `flare seen on ${flare.seen} of ${flare.looked} sides`,
    };
  }, asked('look.flare')),
  'base.oneSided': ({ profile: { flare } }) => {
    if (flare.looked < 4) return undefined;
    const hidden = flare.looked - flare.seen;
    return { answer: hidden > 0 && flare.seen > 0 && hidden <= 3 ? 'some' : 'alike' };
  },
  'base.bark': ({ visit }) => {
    const bark = answersTo(visit.findings, 'base.bark').filter((f) => f.answer !== undefined);
    if (bark.length === 0) return undefined;
    const soft = bark.filter((f) => f.answer === 'soft' || f.answer === 'loose');
    const dark = bark.filter((f) => f.answer === 'dark');
    if (soft.length > 0)
      return { answer: 'soft', says: `bark soft or loose at the soil line on ${sides(soft)}` };
    if (dark.length > 0)
      return { answer: 'dark', says: `bark dark or damp at the soil line on ${sides(dark)}` };
    return { answer: 'sound' };
  },
  'base.push': ({ visit, tree }) => {
    const finding = answerTo(visit.findings, 'base.push');
    if (!finding?.answer) return undefined;
    const age = ageAt(tree, visit);
    // A tree just planted still gives; that says nothing of its roots yet.
    const young = age !== undefined && age.years < LIMITS.pushYears.value;
    if (young && finding.answer === 'slight') return undefined;
    return {
      answer: finding.answer,
      unsure: finding.unsure,
      says:
        finding.answer === 'none'
          ? 'base firm when pushed'
          : `${PUSHED[finding.answer] ?? PUSHED.rocks}${age === undefined ? '' : `, ${ageSays(age)} after planting`}`,
    };
  },
  'base.line': measured('base.line', 'dark line on the bark', 'above the first roots', [
    'collarNormalMax',
    'collarVeryDeep',
  ]),
  'base.sinks': measured('base.sinks', 'a probe sinks', 'into the base', ['decaySinks', 'decayDeep']),
  'base.graft': ({ visit }) => {
    const answer = answerTo(visit.findings, 'base.graft')?.answer;
    return answer === 'above' || answer === 'buried' ? { answer } : undefined;
  },
};
