import { caseOf } from '@undrel/core/format';
import {
  BASIS_FORMAT,
  BASIS_VERSION,
  codeOf,
  resultOf,
  type Basis,
  numbered,
  type ProofFiles,
  type TreeFiles,
} from '@undrel/core/proof';
import type { ReportSource } from '../tree/source';

/** What an issued report carries so that anybody can work it out anew, and the code that is printed on it. */
export interface Proof<Files extends ProofFiles = ProofFiles> {
  files: Files;
  hash: string;
  code: string;
}

/** The case of a report, what else it was worked out from, and what it came to. */
export function filesProving({
  tree,
  events,
  visit,
  visits,
  schools,
  site,
  table,
  rates,
}: ReportSource): TreeFiles {
  const caseFile = caseOf(tree, events, visits, schools.weather, site);
  const basis: Basis = {
    format: BASIS_FORMAT,
    version: BASIS_VERSION,
    visit,
    house: schools,
    table,
    rates,
  };
  const written = (value: unknown) => JSON.stringify(value, null, 1);
  return {
    'case.json': written(caseFile),
    'basis.json': written(basis),
    'result.json': written(resultOf({ caseFile, basis })),
  };
}

const coded = async <Files extends ProofFiles>(files: Files): Promise<Proof<Files>> => ({
  files,
  ...(await codeOf(files)),
});

/** What proves the report of a tree. */
export const proofOf = (source: ReportSource): Promise<Proof<TreeFiles>> => coded(filesProving(source));

/** What proves the report of a property, from the files of each of its trees. */
export const proofOfTrees = (trees: readonly TreeFiles[]): Promise<Proof> => coded(numbered(trees));
