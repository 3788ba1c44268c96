import { caseOf } from '@undrel/core/format';
import {
  BASIS_FORMAT,
  BASIS_VERSION,
  codeOf,
  resultOf,
  type Basis,
  type ProofFiles,
} from '@undrel/core/proof';
import type { ReportSource } from './source';

/** What an issued report carries so that anybody can work it out anew, and the code that is printed on it. */
export interface Proof {
  files: ProofFiles;
  hash: string;
  code: string;
}

/** The case of a report, what else it was worked out from, and what it came to. */
export async function proofOf({
  tree,
  events,
  visit,
  visits,
  schools,
  site,
  table,
  rates,
}: ReportSource): Promise<Proof> {
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
  const files: ProofFiles = {
    'case.json': written(caseFile),
    'basis.json': written(basis),
    'result.json': written(resultOf({ caseFile, basis })),
  };
  return { files, ...(await codeOf(files)) };
}
