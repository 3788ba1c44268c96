import * as z from 'zod';
import { kindsBelow, rulesOf, schemaOf, type Kind, type Tree, type TreeEvent, type Visit } from '../records';
import { siteSchema, type Site } from '../records/site';
import { weatherSchema, type WeatherRecord } from '../records/weather';

export const CASE_FORMAT = 'undrel-case';
export const CASE_VERSION = 4;

/** The case of one tree as a file holds it. SI units; bearings in degrees clockwise from north. */
export interface CaseFile {
  format: typeof CASE_FORMAT;
  version: typeof CASE_VERSION;
  tree: Tree;
  events: TreeEvent[];
  visits: Visit[];
  /** Rain where it stands, where a record was read. */
  weather?: WeatherRecord;
  /** What stands and lies about it, where a plan was made. */
  site?: Site;
}

const wholeOf = (kind: Kind): z.ZodObject =>
  schemaOf(kind).extend({
    ...membersOf(kindsBelow('visit').filter((k) => rulesOf(k).within === kind)),
    ...(kind === 'visit' && membersOf(kindsBelow('visit').filter((k) => rulesOf(k).within === undefined))),
  });

/** Two records that are about the same thing would be one where they are stored: the second is named. */
const eachOnce = (kind: Kind) => (list: readonly unknown[], ctx: z.RefinementCtx) => {
  const { name } = rulesOf(kind);
  if (!name) return;
  const seen = new Map<string, number>();
  for (const [i, values] of list.entries()) {
    const own = name(values as never);
    const first = seen.get(own);
    if (first === undefined) seen.set(own, i);
    else
      ctx.addIssue({
        code: 'custom',
        path: [i],
        message: `${own} appears twice, first at [${first}]; allowed: once in a visit`,
      });
  }
};

function membersOf(kinds: readonly Kind[]): Record<string, z.ZodType> {
  return Object.fromEntries(
    kinds.map((kind) => {
      const { member, most, always } = rulesOf(kind);
      const whole = wholeOf(kind);
      if (most === 'one') return [member, whole.optional()];
      const list = z.array(whole).max(most).superRefine(eachOnce(kind));
      return [member, always ? list : list.min(1).optional()];
    }),
  );
}

/** Made of the schemas of the kinds of records; CaseFile says the same to the compiler. */
export const caseSchema = z
  .strictObject({
    format: z.literal(CASE_FORMAT),
    version: z.literal(CASE_VERSION),
    tree: schemaOf('tree'),
    ...membersOf(kindsBelow('tree')),
    weather: weatherSchema.optional(),
    site: siteSchema.optional(),
  })
  .describe('One tree with its history and visits. SI units; bearings in degrees clockwise from north.');

/** The open format as JSON Schema (draft 2020-12). */
export const caseJsonSchema = (): unknown => z.toJSONSchema(caseSchema, { io: 'input' });
