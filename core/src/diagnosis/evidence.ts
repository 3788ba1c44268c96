import { answersTo, answerTo, SECTORS } from '../base/question';
import type { EventKind, Finding, Tree, TreeEvent, Visit } from '../casefile/model';
import { vigourFrom } from '../crown/vigour';
import { normalBelow } from '../geometry/normal';
import { yearOf } from '../history/events';
import { LIMITS, type LimitKey } from '../practice/limits';
import type { Profile } from '../profile';
import { readDig, type DigReading } from '../roots';
import { loggedGround, penetrationOf } from '../soil/verdict';
import { DENSITY_ERROR, sampleOf } from '../soil/sample';
import { shortMark } from '../units/marks';
import type { Circumstance, JudgementTable } from './judgement';
import type { Seen } from './posterior';

/** A finding of the network as this visit holds it. */
export interface Evidence extends Seen {
  /** The answer that agrees best. */
  answer: string;
  /** What was seen or measured, as a report may say it. Lengths are marks, see units/marks. */
  says: string;
  /** Whoever noted it was not sure. */
  unsure: boolean;
}

/** How far an answer that was noted as unsure is trusted; the rest is shared by the answers beside it. Judgement. */
const UNSURE = 0.7;
/** 90 % of a normal distribution lies within this many standard deviations. */
const IN_90 = 1.645;
/** Years for which a dry or flooded year counts, and a young and an old tree in years since planting. Common practice, no source. */
const RECENT_YEARS = 3;
const YOUNG_YEARS = 3;
const OLD_YEARS = 25;

interface Case {
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  profile: Profile;
  dig: DigReading | undefined;
  year: number;
}

/** What a reader returns: an answer, or how well each answer agrees with a measurement. */
type Read = { answer: string; says?: string; unsure?: boolean } | { agrees: number[]; says: string };
type Reader = (given: Case) => Read | undefined;

/** How well a measured value agrees with each interval between rising cuts: the share of its error that lies there. */
function intervals(value: number, error: number, cuts: readonly LimitKey[]): number[] {
  return between(cuts.map((cut) => normalBelow((LIMITS[cut].value - value) / error)));
}

/** The shares between what lies below each of rising cuts. */
const between = (below: readonly number[]): number[] =>
  [...below, 1].map((upTo, i) => Math.max(1e-6, upTo - (below[i - 1] ?? 0)));

const falling = (agrees: number[]): number[] => [...agrees].reverse();

/** A graded answer as it stands in the case. */
const asked =
  (key: string, also: Record<string, string> = {}): Reader =>
  ({ visit }) => {
    const finding = answerTo(visit.findings, key);
    return finding?.answer === undefined
      ? undefined
      : { answer: also[finding.answer] ?? finding.answer, unsure: finding.unsure };
  };

const told =
  (kind: EventKind, answer: string, says: (when: string) => string): Reader =>
  ({ events }) => {
    const event = events.find((e) => e.kind === kind);
    return event && { answer, says: says(event.when) };
  };

const lately =
  (kind: EventKind, says: (when: string) => string): Reader =>
  ({ events, year }) => {
    const event = events.find((e) => {
      const past = year - (yearOf(e.when) ?? -Infinity);
      return e.kind === kind && past >= 0 && past <= RECENT_YEARS;
    });
    return event && { answer: 'yes', says: says(event.when) };
  };

const first =
  (...readers: Reader[]): Reader =>
  (given) => {
    for (const read of readers) {
      const found = read(given);
      if (found) return found;
    }
    return undefined;
  };

/** A share that was estimated, full first. */
const share =
  (key: string, says: string, cuts: readonly LimitKey[], falls: boolean): Reader =>
  ({ visit }) => {
    const number = answerTo(visit.findings, key)?.number;
    if (number === undefined) return undefined;
    const agrees = intervals(number, LIMITS.shareError.value, cuts);
    return { agrees: falls ? falling(agrees) : agrees, says: `${says} ${Math.round(100 * number)} %` };
  };

const depth =
  (key: string, says: string, cuts: readonly LimitKey[]): Reader =>
  ({ visit }) => {
    const number = answerTo(visit.findings, key)?.number;
    return number === undefined
      ? undefined
      : {
          agrees: falling(intervals(number, LIMITS.rodError.value, cuts)),
          says: `${says} ${shortMark(number)}`,
        };
  };

/** A depth that the holes of the soil probe about the tree come to. */
const logged =
  (key: 'topsoil' | 'refusal', says: string, cuts: readonly LimitKey[]): Reader =>
  ({ visit }) => {
    const number = loggedGround(visit.soilLogs ?? [])[key];
    return number === undefined
      ? undefined
      : {
          agrees: falling(intervals(number, LIMITS.rodError.value, cuts)),
          says: `${says} ${shortMark(number)}`,
        };
  };

const sides = (findings: readonly Finding[]): string => findings.map((f) => SECTORS[f.part!]).join(', ');

const dug =
  (read: (dig: DigReading, given: Case) => Read | undefined): Reader =>
  (given) =>
    given.dig && read(given.dig, given);

/** How each finding of the network is read from a case; those that are not here are asked under their own key. */
const READERS: Record<string, Reader> = {
  'history.soil': first(
    asked('history.soil'),
    told('soil added', 'yes', (when) => `soil was added in ${when}`),
  ),
  'history.works': first(
    asked('history.works'),
    told('trenching', 'near', (when) => `something was dug near it in ${when}`),
  ),
  'history.traffic': first(
    asked('history.traffic'),
    told('paving', 'much', (when) => `the ground was paved in ${when}`),
  ),
  'event.irrigation': told('irrigation', 'yes', (when) => `irrigated since ${when}`),
  'event.drought': lately('drought', (when) => `drought in ${when}`),
  'event.flood': lately('flood', (when) => `flood in ${when}`),
  'event.ring': told('planting ring', 'yes', (when) => `a root-control ring was set in ${when}`),
  'crown.density': first(
    share('crown.density', 'crown density', ['densityHalf', 'densityFull'], true),
    asked('look.density'),
  ),
  'crown.dieback': first(
    share('crown.dieback', 'dieback', ['diebackSome', 'diebackMuch'], false),
    asked('look.dieback'),
  ),
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
  'base.entry': first(({ profile: { flare } }) => {
    if (flare.looked === 0) return undefined;
    const hidden = (flare.looked - flare.seen) / flare.looked;
    return {
      answer: hidden >= LIMITS.flareHiddenShare.value ? 'straight' : hidden > 0.15 ? 'part' : 'flared',
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
  'base.push': ({ visit, tree, year }) => {
    const finding = answerTo(visit.findings, 'base.push');
    if (!finding?.answer) return undefined;
    const age = tree.plantedYear === undefined ? undefined : year - tree.plantedYear;
    // A tree just planted still gives; that says nothing of its roots yet.
    const young = age !== undefined && age < LIMITS.pushYears.value;
    if (young && finding.answer === 'slight') return undefined;
    return {
      answer: finding.answer,
      unsure: finding.unsure,
      says:
        finding.answer === 'none'
          ? 'base firm when pushed'
          : `base ${finding.answer === 'rocks' ? 'rocks' : 'gives'} when pushed${age === undefined ? '' : `, ${age} years after planting`}`,
    };
  },
  'mulch.onBark': first(
    ({ profile: { mulch } }) =>
      mulch && {
        agrees: intervals(mulch.onBark.value, spreadOf(mulch.onBark), ['mulchOnBarkMatters', 'mulchDeep']),
        says:
          mulch.onBark.value < LIMITS.mulchOnBarkMatters.value
            ? 'mulch clear of the bark'
            : `mulch stands ${shortMark(mulch.onBark.value)} up the bark`,
      },
    asked('look.mulch'),
  ),
  'mulch.cone': ({ profile: { mulch } }) => {
    if (!mulch) return undefined;
    const cone =
      mulch.onBark.value >= LIMITS.mulchDeep.value &&
      mulch.onBark.value > LIMITS.mulchCone.value * mulch.halfwayDepth;
    return {
      answer: cone ? 'cone' : 'blanket',
      says: cone
        ? `mulch rises to a cone, ${shortMark(mulch.onBark.value)} at the bark and ${shortMark(mulch.halfwayDepth)} halfway out`
        : 'mulch lies as a blanket, not a cone',
    };
  },
  'mulch.renewed': ({ visit }) => {
    const answer = answerTo(visit.findings, 'mulch.renewed')?.answer;
    return answer === 'none' || answer === 'yearly' ? { answer } : undefined;
  },
  'probe.collar': ({ profile: { collar } }) =>
    collar && {
      agrees: intervals(collar.depth.value, spreadOf(collar.depth), ['collarNormalMax', 'collarVeryDeep']),
      says: `first roots ${shortMark(collar.depth.value)} below grade${collar.depth.value > LIMITS.collarNormalMax.value ? '' : ', where they belong'}`,
    },
  'probe.planted': ({ profile: { collar, fill } }) => {
    if (!collar || !fill) return undefined;
    const below = collar.depth.value - fill.atStem.value;
    return {
      agrees: intervals(below, Math.hypot(spreadOf(collar.depth), LIMITS.rodError.value), [
        'collarNormalMax',
        'collarVeryDeep',
      ]),
      says: `first roots ${shortMark(below)} below the original grade: planted ${below > LIMITS.collarNormalMax.value ? 'deep' : 'at a fair height'}`,
    };
  },
  'probe.fill': ({ profile: { fill } }) =>
    fill && {
      agrees: intervals(fill.atStem.value, spreadOf(fill.atStem), ['fillMatters', 'fillMuch']),
      says:
        fill.atStem.value < LIMITS.fillMatters.value
          ? 'no soil added over the original grade'
          : `${shortMark(fill.atStem.value)} of soil added over the original grade`,
    },
  'probe.topsoil': first(
    depth('probe.topsoil', 'topsoil', ['topsoilNone', 'topsoilGood']),
    logged('topsoil', 'topsoil', ['topsoilNone', 'topsoilGood']),
  ),
  'probe.colour': first(asked('probe.colour'), ({ visit }) => {
    const { colour } = loggedGround(visit.soilLogs ?? []);
    return colour && { answer: colour };
  }),
  'probe.moisture': first(asked('probe.moisture'), ({ visit }) => {
    const { moisture } = loggedGround(visit.soilLogs ?? []);
    return moisture && { answer: moisture };
  }),
  'probe.oldGrade': first(asked('probe.oldGrade'), ({ visit }) => {
    const { oldGrade } = loggedGround(visit.soilLogs ?? []);
    return oldGrade === undefined
      ? undefined
      : { answer: 'seen', says: `the original grade lies ${shortMark(oldGrade)} down in the soil probe` };
  }),
  // What the penetrometer meets on both sides of the edge stands in for the rod.
  'probe.wall': first(asked('probe.wall'), ({ tree, visit }) =>
    penetrationOf(tree, visit)?.tightness === 'hole'
      ? { answer: 'felt', says: 'soil loose inside the planting hole and tight beyond it' }
      : undefined,
  ),
  // The look a day later is what the test is for; a rate that was timed stands in for it.
  'probe.drain': first(asked('probe.drain'), ({ visit }) => {
    const rate = answerTo(visit.findings, 'soil.percolation')?.number;
    if (rate === undefined) return undefined;
    const error = Math.max(LIMITS.percolationStands.value, rate) * LIMITS.percolationError.value;
    return {
      agrees: falling(intervals(rate, error, ['percolationStands', 'percolationPoor'])),
      says: `water in the hole falls ${shortMark(rate / 100)} an hour`,
    };
  }),
  'probe.refusal': first(
    ({ tree, visit }) => {
      const read = penetrationOf(tree, visit);
      if (!read || read.tightness === 'few') return undefined;
      const { median, low, high } = read.depth;
      // The middle 80 % of a normal distribution spans 2.56 standard deviations.
      const dry = 1 + (LIMITS.dryPush.value - 1) * (read.dry / read.pushes);
      const error = dry * Math.max(LIMITS.rodError.value, (high - low) / 2.56 / Math.sqrt(read.pushes));
      return {
        agrees: falling(intervals(median, error, ['soilVeryTight', 'soilOpen'])),
        says: `2 MPa is reached at ${shortMark(median)}, the middle of ${read.pushes} pushes${read.dry > 0 ? `, ${read.dry} of them in dry soil` : ''}`,
      };
    },
    depth('soil.cone', '2 MPa is reached at', ['soilVeryTight', 'soilOpen']),
    depth('probe.refusal', 'the rod stops at', ['soilVeryTight', 'soilOpen']),
    logged('refusal', 'the soil probe stops at', ['soilVeryTight', 'soilOpen']),
  ),
  'soil.density': ({ visit }) => {
    const { density, limits, texture } = sampleOf(visit.findings);
    if (!density || !limits) return undefined;
    const below = [limits.affected, limits.stopped].map((limit) =>
      normalBelow((limit - density.value) / DENSITY_ERROR),
    );
    return {
      agrees: between(below),
      says: `bulk density ${(density.value / 1000).toFixed(2)} g/cm³ in ${texture}; roots are stopped from ${(limits.stopped / 1000).toFixed(2)}`,
    };
  },
  'dig.girdled': dug(({ share: squeezed }) => ({
    agrees: intervals(squeezed, 0.02, ['girdledSome', 'girdledMuch', 'girdleBeyondPruning']),
    says: `roots squeeze ${Math.round(100 * squeezed)} % of the bark`,
  })),
  'dig.inAnchor': dug(({ roots, pressings }) => {
    const pressed = pressings.find(
      (p) => p.length > 0 && [p.a, p.b].some((i) => roots[i]!.root.kind === 'structural'),
    );
    return pressed
      ? {
          answer: 'some',
          says: `${roots[pressed.a]!.root.label} and ${roots[pressed.b]!.root.label} press on each other`,
        }
      : { answer: 'none' };
  }),
  'dig.mat': dug(({ roots }) => {
    const count = roots.filter((r) => r.root.kind === 'adventitious').length;
    return {
      answer: count >= 3 ? 'mat' : count > 0 ? 'few' : 'none',
      ...(count > 0 && { says: `${count} adventitious ${count === 1 ? 'root' : 'roots'} above the collar` }),
    };
  }),
  'dig.shape': first(
    asked('dig.shape'),
    dug(({ pot }) => {
      if (!pot) return undefined;
      const wholly = pot.never.length > 0 && pot.left.length === 0;
      return {
        answer: wholly ? 'wholly' : pot.never.length > 0 ? 'partly' : 'none',
        says: wholly ? 'no root has left the old pot' : `${pot.never.length} roots never left the old pot`,
      };
    }),
  ),
  'dig.anchors': dug(({ anchorage }) => {
    const gap = anchorage.largestGap?.degrees ?? 360;
    return {
      answer:
        anchorage.sound < LIMITS.anchorsFew.value ? 'few' : gap > LIMITS.anchorGap.value ? 'gap' : 'round',
      says: `${anchorage.sound} sound anchors, largest gap ${Math.round(gap)}°`,
    };
  }),
  'dig.decay': dug(({ roots }, { visit }) => {
    const sectors = visit.dig!.decay ?? [];
    const rotten = roots.filter((r) => r.root.condition === 'decayed' || r.root.condition === 'dead').length;
    const wide = sectors.reduce((sum, s) => sum + ((s.to - s.from + 360) % 360), 0);
    if (wide === 0 && rotten === 0) return { answer: 'none' };
    return {
      answer: wide >= 90 || rotten > roots.length / 3 ? 'much' : 'some',
      says: `decay over ${Math.round(wide)}° of the collar, ${rotten} roots decayed or dead`,
    };
  }),
  'dig.ring': first(({ visit }) => {
    const ring = visit.dig?.barriers?.find((b) => b.kind === 'root-control ring' || b.kind === 'grate');
    return ring && { answer: 'there', says: `a ${ring.kind}, ${shortMark(ring.diameter)} inside` };
  }),
};

function spreadOf({ plusMinus }: { plusMinus?: number }): number {
  return Math.max(
    LIMITS.rodError.value,
    plusMinus === undefined ? LIMITS.collarError.value : plusMinus / IN_90,
  );
}

/** How well each answer agrees with one that was given: all of it, or most of it when whoever gave it was not sure. */
function agreement(answers: readonly string[], answer: string, unsure: boolean): number[] {
  const at = answers.indexOf(answer);
  if (!unsure) return answers.map((_, i) => (i === at ? 1 : 0));
  const beside = answers.flatMap((_, i) => (Math.abs(i - at) === 1 ? [i] : []));
  return answers.map((_, i) => (i === at ? UNSURE : beside.includes(i) ? (1 - UNSURE) / beside.length : 0));
}

/** Evidence of a visit, in the order of the table. An answer that the table does not know is passed over. */
export function evidenceOf(
  table: JudgementTable,
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  profile: Profile,
): Evidence[] {
  const hasDig = visit.dig?.roots.some((r) => r.points.length > 0) ?? false;
  const given: Case = {
    tree,
    events,
    visit,
    profile,
    dig: hasDig ? readDig(tree, visit.dig!) : undefined,
    year: Number(visit.date.slice(0, 4)),
  };
  return table.findings.flatMap((finding): Evidence[] => {
    const read = (READERS[finding.key] ?? asked(finding.key))(given);
    if (!read) return [];
    const answers = finding.answers.map(([answer]) => answer);
    if ('answer' in read && !answers.includes(read.answer)) return [];
    const unsure = 'unsure' in read && read.unsure === true;
    const agrees = 'agrees' in read ? read.agrees : agreement(answers, read.answer, unsure);
    const best = agrees.indexOf(Math.max(...agrees));
    return [
      {
        key: finding.key,
        agrees,
        answer: answers[best]!,
        says: read.says ?? finding.answers[best]![1],
        unsure,
      },
    ];
  });
}

/** What of the history the priors depend on. */
export function circumstancesOf(
  tree: Pick<Tree, 'plantedYear' | 'stock'>,
  events: readonly Pick<TreeEvent, 'kind' | 'when'>[],
  visit: Pick<Visit, 'date' | 'findings'>,
): Set<Circumstance> {
  const age = tree.plantedYear === undefined ? undefined : Number(visit.date.slice(0, 4)) - tree.plantedYear;
  const site = answerTo(visit.findings, 'history.site')?.answer;
  const all: Record<Circumstance, boolean> = {
    container: tree.stock === 'container',
    balled: tree.stock === 'balled-and-burlapped' || tree.stock === 'field-grown',
    bareRoot: tree.stock === 'bare-root',
    young: age !== undefined && age <= YOUNG_YEARS,
    old: age !== undefined && age >= OLD_YEARS,
    mulchContract: events.some((e) => e.kind === 'mulch contract' && e.when <= visit.date),
    street: site === 'street',
    paved: site === 'paved',
    built: site === 'built',
  };
  return new Set((Object.keys(all) as Circumstance[]).filter((key) => all[key]));
}
