import { readCase, type CaseFile } from '../format';
import { attachmentsOf } from './attachments';
import { BASIS_FORMAT, BASIS_VERSION, type Basis } from './basis';
import { differencesOf } from './differences';
import { resultOf, type Result } from './result';
import { sealOf, sha256 } from './seal';

/** The files in a report that proves itself, in this order in its code. */
export const PROOF_FILES = ['case.json', 'basis.json', 'result.json'] as const;
export type ProofFiles = Record<(typeof PROOF_FILES)[number], string>;

/** Groups of a code, and letters in each. */
const [GROUPS, LETTERS] = [4, 4];

/** The SHA-256 of all that a report was worked out from and came to, and its beginning as people compare it. */
export async function codeOf(files: ProofFiles): Promise<{ hash: string; code: string }> {
  const hash = await sha256(new TextEncoder().encode(PROOF_FILES.map((name) => files[name]).join('\n')));
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
  tree: string;
  visit: string;
  then: Result['engines'];
  now: Result['engines'];
  /** Where what was computed anew is not what the report holds; none where all of it is the same. */
  differences: string[];
  /** How much was compared. */
  compared: { chances: number; work: number; amounts: number; costs: number };
}

const UNREADABLE = 'What is attached to the report cannot be worked out: the file is damaged or was changed.';
const NONE = 'This PDF is no full record that Undrel issued: there is no seal in it.';

/**
 * Takes the case out of an issued report, works all of it out anew, and compares.
 *
 * @param today ISO day; a case of a day to come is refused
 * @returns what is wrong, in words, where it is no such report
 */
export async function verifyReport(pdf: Uint8Array, today: string): Promise<Verified | { problem: string }> {
  const seal = await sealOf(pdf);
  if (seal === 'none') return { problem: NONE };
  const attached = await attachmentsOf(pdf).catch(() => undefined);
  if (!attached) return { problem: 'The file is damaged: it cannot be read.' };
  const files = {} as ProofFiles;
  for (const name of PROOF_FILES) {
    const bytes = attached.get(name);
    if (!bytes)
      return { problem: `The report has no ${name} attached: it was taken out, or the file is damaged.` };
    files[name] = new TextDecoder().decode(bytes);
  }
  let read: ReturnType<typeof readCase>, basis: Basis, result: Result;
  try {
    read = readCase(files['case.json'], today);
    basis = JSON.parse(files['basis.json']) as Basis;
    result = JSON.parse(files['result.json']) as Result;
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
  const caseFile: CaseFile = read.caseFile;
  let anew: Result, differences: string[];
  try {
    anew = resultOf({ caseFile, basis });
    differences = differencesOf(result, anew);
  } catch {
    return { problem: UNREADABLE };
  }
  return {
    seal,
    sha256: await sha256(new Uint8Array(pdf)),
    code: (await codeOf(files)).code,
    tree: caseFile.tree.label,
    visit: basis.visit.date,
    then: result.engines,
    now: anew.engines,
    differences,
    compared: {
      chances: anew.causes.length + anew.conditions.length,
      work: anew.work.length,
      amounts: anew.work.reduce((sum, w) => sum + w.amounts.length, 0),
      costs: anew.costs?.options.length ?? 0,
    },
  };
}
