import { readCase } from '../format';
import { attachmentsOf } from './attachments';
import { BASIS_FORMAT, BASIS_VERSION, type Basis } from './basis';
import { differencesOf } from './differences';
import { resultOf, sameEngines, type Result } from './result';
import { sealOf, sha256 } from './seal';

/** The files that prove the report of a tree, in this order in its code. */
export const PROOF_FILES = ['case.json', 'basis.json', 'result.json'] as const;
export type TreeFiles = Record<(typeof PROOF_FILES)[number], string>;

/** The files of a report by name: those of one tree, or those of every tree of a property, numbered. */
export type ProofFiles = Readonly<Record<string, string>>;

/** The files of all trees of a property, each under the number of its tree: `001-case.json`. */
export const numbered = (trees: readonly TreeFiles[]): ProofFiles =>
  Object.fromEntries(
    trees.flatMap((files, i) =>
      PROOF_FILES.map((name) => [`${String(i + 1).padStart(3, '0')}-${name}`, files[name]]),
    ),
  );

const NUMBERED = /^(\d{3,}-)?(?:case|basis|result)\.json$/;

/** What stands before the names of the files of each tree, in order. */
const treesIn = (names: Iterable<string>): string[] => {
  const found = [...names].flatMap((name) => {
    const match = NUMBERED.exec(name);
    return match ? [match[1] ?? ''] : [];
  });
  return [...new Set(found)].sort((a, b) => parseInt(a, 10) - parseInt(b, 10));
};

/** Groups of a code, and letters in each. */
const [GROUPS, LETTERS] = [4, 4];

/** The SHA-256 of all that a report was worked out from and came to, and its beginning as people compare it. */
export async function codeOf(files: ProofFiles): Promise<{ hash: string; code: string }> {
  const texts = treesIn(Object.keys(files)).flatMap((n) => PROOF_FILES.map((name) => files[n + name]));
  const hash = await sha256(new TextEncoder().encode(texts.join('\n')));
  const code = Array.from({ length: GROUPS }, (_, i) => hash.slice(LETTERS * i, LETTERS * (i + 1))).join('-');
  return { hash, code: code.toUpperCase() };
}

/** What an installation says of a file that it issued. */
export interface IssuedHere {
  number: string;
  firm: string;
  /** ISO day. */
  on: string;
}

export interface Verified {
  /** Whether the file is as it was issued. */
  seal: 'holds' | 'broken';
  /** SHA-256 of the file: by it an installation knows what it issued. */
  sha256: string;
  code: string;
  /** The tree of the report, or those of the property, and the day of the visit of each. */
  trees: { tree: string; visit: string }[];
  then: Result['engines'];
  now: Result['engines'];
  /** Where what was computed anew is not what the report holds; none where all of it is the same. */
  differences: string[];
  /** How much was compared. */
  compared: { chances: number; work: number; amounts: number; costs: number };
}

const UNREADABLE = 'What is attached to the report cannot be computed: the file is damaged or was changed.';
const NONE = 'This PDF is no full record that Undrel issued: there is no seal in it.';

/** What the report says of a tree, and what it comes to now. */
interface Anew {
  tree: string;
  visit: string;
  was: Result;
  is: Result;
  differences: string[];
}

/** Works one tree of a report out anew. @returns what is wrong, in words, where it cannot be */
function workedAnew(files: TreeFiles, today: string): Anew | { problem: string } {
  let read: ReturnType<typeof readCase>, basis: Basis, was: Result;
  try {
    read = readCase(files['case.json'], today);
    basis = JSON.parse(files['basis.json']) as Basis;
    was = JSON.parse(files['result.json']) as Result;
  } catch {
    return { problem: UNREADABLE };
  }
  if (!read.ok) {
    const [first] = read.problems;
    return { problem: `The case in the report: ${first!.path}: ${first!.message}` };
  }
  if (basis?.format !== BASIS_FORMAT || basis.version !== BASIS_VERSION)
    return {
      problem: 'The report was issued by a newer version of Undrel; use that or a later one to verify it.',
    };
  const { caseFile } = read;
  try {
    const is = resultOf({ caseFile, basis });
    const differences = differencesOf(was, is);
    return { tree: caseFile.tree.label, visit: basis.visit.date, was, is, differences };
  } catch {
    return { problem: UNREADABLE };
  }
}

/**
 * Takes the case of every tree out of an issued report, works all of it out anew, and compares.
 *
 * @param today ISO day; a case of a day to come is refused
 * @returns what is wrong, in words, where it is no such report
 */
export async function verifyReport(pdf: Uint8Array, today: string): Promise<Verified | { problem: string }> {
  const seal = await sealOf(pdf);
  if (seal === 'none') return { problem: NONE };
  const attached = await attachmentsOf(pdf).catch(() => undefined);
  if (!attached) return { problem: 'The file is damaged: it cannot be read.' };
  const files: Record<string, string> = {};
  const anew: Anew[] = [];
  // Without any, it is told what a report of a tree would have.
  const trees = treesIn(attached.keys());
  for (const number of trees.length > 0 ? trees : ['']) {
    const own = {} as TreeFiles;
    for (const name of PROOF_FILES) {
      const bytes = attached.get(number + name);
      if (!bytes)
        return {
          problem: `The report has no ${number}${name} attached: it was taken out, or the file is damaged.`,
        };
      files[number + name] = own[name] = new TextDecoder().decode(bytes);
    }
    const worked = workedAnew(own, today);
    if ('problem' in worked) return worked;
    anew.push(worked);
  }
  const sum = (of: (is: Result) => number) => anew.reduce((all, { is }) => all + of(is), 0);
  const engines = anew.find(({ was, is }) => !sameEngines(was.engines, is.engines)) ?? anew[0]!;
  return {
    seal,
    sha256: await sha256(new Uint8Array(pdf)),
    code: (await codeOf(files)).code,
    trees: anew.map(({ tree, visit }) => ({ tree, visit })),
    then: engines.was.engines,
    now: engines.is.engines,
    differences: anew.flatMap(({ tree, differences }) =>
      differences.map((d) => (anew.length > 1 ? `${tree}: ${d}` : d)),
    ),
    compared: {
      chances: sum((is) => is.causes.length + is.conditions.length),
      work: sum((is) => is.work.length),
      amounts: sum((is) => is.work.reduce((n, w) => n + w.amounts.length, 0)),
      costs: sum((is) => is.costs?.options.length ?? 0),
    },
  };
}
