import { SPECIES, STRESS_WORDS, STRESSES, type Species, type Tolerance } from './table';

/** All species that are known, by name; what the firm has judged stands in place of what ships. */
export function speciesListed(own: readonly Species[] = []): Species[] {
  const named = new Set(own.map((s) => bare(s.name)));
  return [...own, ...SPECIES.filter((s) => !named.has(bare(s.name)))]
    .map((species) => ({ species, by: bare(species.name) }))
    .sort((a, b) => (a.by < b.by ? -1 : a.by > b.by ? 1 : 0))
    .map(({ species }) => species);
}

/** A species that was found by what somebody wrote. */
export interface FoundSpecies {
  species: Species;
  /** `genus`: the species itself is not in the table, its genus speaks for it. */
  by: 'species' | 'genus';
  /** Judged by the firm itself. */
  own: boolean;
}

/** What is left of a name without cultivar, rank, authority in brackets, and the sign of a hybrid. */
export function bare(typed: string): string {
  return typed
    .toLowerCase()
    .replace(/[‘'"“”][^‘’'"“”]*[’'"“”]|\([^)]*\)/g, ' ')
    .replace(/\b(cv|var|subsp|ssp|f|forma|x)\b\.?|[×.,]/g, ' ')
    .replace(/\b(spp?|species)\b/g, ' ')
    .replace(/-/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

interface Index {
  byName: Map<string, Species>;
  byGenus: Map<string, Species>;
}

const genusIn = (name: string): string => bare(name).split(' ')[0]!;

/**
 * Whether two trees are of one genus, by whatever name each goes.
 *
 * @example sameGenus('small-leaved lime', "Tilia cordata 'Greenspire'") // true
 */
export function sameGenus(one: string, other: string): boolean {
  const names = (typed: string) =>
    [typed, speciesFor(typed)?.species.name ?? ''].map(genusIn).filter((genus) => genus !== '');
  const ofOther = names(other);
  return names(one).some((genus) => ofOther.includes(genus));
}

/** The first that has a name keeps it. A genus is spoken for by its own row, else by its only species. */
function indexed(list: readonly Species[]): Index {
  const byName = new Map<string, Species>();
  const byGenus = new Map<string, Species>();
  const of = new Map<string, Species[]>();
  for (const species of list) {
    const genus = genusIn(species.name);
    of.set(genus, [...(of.get(genus) ?? []), species]);
    for (const name of [species.name, ...species.common])
      if (!byName.has(bare(name))) byName.set(bare(name), species);
  }
  for (const [genus, all] of of) {
    const speaks = all.find((s) => bare(s.name) === genus) ?? (all.length === 1 ? all[0] : undefined);
    if (speaks) byGenus.set(genus, speaks);
  }
  return { byName, byGenus };
}

const indexes = new WeakMap<readonly Species[], Index>();

function indexOf(own: readonly Species[]): Index {
  const known = indexes.get(own) ?? indexed(own);
  indexes.set(own, known);
  return known;
}

/**
 * The species that is meant by a name: genus and species, with or without cultivar, or what it is called; else the genus
 * that speaks for it.
 *
 * @param typed as it was written
 * @param own what the firm has judged for itself; stands before the table of the program
 * @returns undefined for a name that nobody knows, and for none
 * @example speciesFor("Tilia cordata 'Greenspire'")?.species.name // 'Tilia cordata'
 */
export function speciesFor(typed: string, own: readonly Species[] = []): FoundSpecies | undefined {
  const name = bare(typed);
  if (name === '') return undefined;
  const firm = own.length > 0 ? indexOf(own) : undefined;
  const shipped = indexOf(SPECIES);
  const [genus, epithet] = name.split(' ');
  const named = [...new Set([name, `${genus} ${epithet ?? ''}`.trim()])];
  const looks: [Species | undefined, own: boolean][] = [
    ...named.flatMap((key): [Species | undefined, boolean][] => [
      [firm?.byName.get(key), true],
      [shipped.byName.get(key), false],
    ]),
    [firm?.byGenus.get(genus!), true],
    [shipped.byGenus.get(genus!), false],
  ];
  const at = looks.findIndex(([species]) => species !== undefined);
  if (at < 0) return undefined;
  const [species, isOwn] = looks[at]!;
  const speaksForAll = at >= looks.length - 2 || !bare(species!.name).includes(' ');
  return { species: species!, by: speaksForAll ? 'genus' : 'species', own: isOwn };
}

/** What it stands poorly and well, in words. */
export function standsWords({ stands, tender }: Species): string {
  const said = (how: Tolerance) => STRESSES.filter((s) => stands[s] === how).map((s) => STRESS_WORDS[s]);
  const [poor, good] = [said('poor'), said('good')];
  return [
    ...(poor.length > 0 ? [`stands ${poor.join(', ')} poorly`] : []),
    ...(good.length > 0 ? [`stands ${good.join(', ')} well`] : []),
    ...(poor.length + good.length === 0 ? ['average in all tolerances'] : []),
    ...(tender ? ['roots slowly once moved'] : []),
  ].join('; ');
}

/** What is told of a name that was typed; a sentence without an end. */
export function speciesSays(typed: string, own: readonly Species[] = []): string {
  if (typed.trim() === '') return 'no species noted; its growth and what it tolerates count as average';
  const found = speciesFor(typed, own);
  if (!found)
    return `${typed.trim().replace(/\s+/g, ' ')} is in no list; its growth and what it tolerates count as average`;
  const { species, by } = found;
  const called = species.common[0] ? ` (${species.common[0]})` : '';
  const growth = `${species.foliage}, ${species.growth} growing; ${standsWords(species)}`;
  return by === 'genus'
    ? `judged as ${species.name}${called}: ${growth}`
    : `${species.name}${called}: ${growth}`;
}
