import { answerTo } from '../questions/question';
import { ageAt } from '../history/age';
import { movedLately } from '../history/moved';
import { LIMITS } from '../practice/limits';
import type { Tree, TreeEvent, Visit } from '../records';
import type { Profile } from '../profile';
import { climateOf, type House } from '../house';
import { speciesFor, STRESSES, type Stress } from '../species';
import { isMapped, readDig } from '../roots';
import type { Circumstance, JudgementTable } from './judgement';
import type { Seen } from './posterior';
import { BASE_READERS } from './readers/base';
import { CROWN_READERS } from './readers/crown';
import { DIG_READERS } from './readers/dig';
import { GROUND_READERS } from './readers/ground';
import { HISTORY_READERS } from './readers/history';
import { asked, type Case, type Readers } from './readers/reader';

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
/** A young and an old tree, in years since planting. Common practice, no source. */
const YOUNG_YEARS = 3;
const OLD_YEARS = 25;

/** How each finding of the network is read from a case; those that are not here are asked under their own key. */
const READERS: Readers = {
  ...HISTORY_READERS,
  ...CROWN_READERS,
  ...BASE_READERS,
  ...GROUND_READERS,
  ...DIG_READERS,
};

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
  const given: Case = {
    tree,
    events,
    visit,
    profile,
    dig: visit.dig && isMapped(visit.dig) ? readDig(tree, visit.dig) : undefined,
    year: Number(visit.date.slice(0, 4)),
  };
  return table.findings.flatMap((finding): Evidence[] => {
    const read = (READERS[finding.key] ?? asked(finding.key))(given);
    if (!read) return [];
    const answers = finding.answers.map(([answer]) => answer);
    if (read.answer !== undefined && !answers.includes(read.answer)) return [];
    const unsure = 'unsure' in read && read.unsure === true;
    const agrees = 'agrees' in read ? read.agrees : agreement(answers, read.answer, unsure);
    const best = agrees.indexOf(Math.max(...agrees));
    return [
      {
        key: finding.key,
        agrees,
        answer: read.answer ?? answers[best]!,
        says: read.says ?? finding.answers[best]![1],
        unsure,
      },
    ];
  });
}

/** What is told of a tree beside its species. */
type Told = Exclude<Circumstance, `${Stress} ${string}`>;

/**
 * What of history and species the priors depend on.
 *
 * @param recovering a cause was treated so lately that the crown may still show it
 */
export function circumstancesOf(
  tree: Pick<Tree, 'plantedYear' | 'stock' | 'species' | 'stemDiameter' | 'dbh'>,
  events: readonly Pick<TreeEvent, 'kind' | 'when'>[],
  visit: Pick<Visit, 'date' | 'findings'>,
  house: House = {},
  recovering = false,
): Set<Circumstance> {
  const age = ageAt(tree, visit)?.years;
  const site = answerTo(visit.findings, 'history.site')?.answer;
  const species = speciesFor(tree.species, house.species)?.species;
  const moved = movedLately(tree, events, visit, climateOf(house.weather).south);
  const stem = tree.stemDiameter ?? tree.dbh;
  const all: Record<Told, boolean> = {
    container: tree.stock === 'container',
    balled: tree.stock === 'balled-and-burlapped' || tree.stock === 'field-grown',
    bareRoot: tree.stock === 'bare-root',
    young: age !== undefined && age <= YOUNG_YEARS,
    old: age !== undefined && age >= OLD_YEARS,
    mulchContract: events.some((e) => e.kind === 'mulch contract' && e.when <= visit.date),
    street: site === 'street',
    paved: site === 'paved',
    built: site === 'built',
    transplanted: moved !== undefined,
    inLeaf: moved?.inLeaf === true,
    largeStock: moved !== undefined && stem !== undefined && stem >= LIMITS.largeStock.value,
    tender: moved !== undefined && species?.tender === true,
    recovering,
  };
  return new Set([
    ...(Object.keys(all) as Told[]).filter((key) => all[key]),
    ...STRESSES.flatMap((stress): Circumstance[] => {
      const how = species?.stands[stress];
      return how === undefined || how === 'fair' ? [] : [`${stress} ${how}`];
    }),
  ]);
}
