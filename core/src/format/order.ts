import * as z from 'zod';
import { byLabel } from '../labels';
import {
  partsOf,
  rulesOf,
  schemaOf,
  visitOf,
  type Kind,
  type Site,
  type Tree,
  type TreeEvent,
  type Values,
  type Visit,
  type WeatherRecord,
} from '../records';
import { siteSchema } from '../records/site';
import { weatherSchema } from '../records/weather';
import { CASE_FORMAT, CASE_VERSION, type CaseFile } from './case';

/** Members in the order of the schema, whatever the store did to them; absent ones stay away. */
function ordered(schema: unknown, value: unknown): unknown {
  if (schema instanceof z.ZodOptional) return ordered(schema.unwrap(), value);
  if (schema instanceof z.ZodArray && Array.isArray(value))
    return value.map((one) => ordered(schema.element, one));
  if (!(schema instanceof z.ZodObject) || typeof value !== 'object' || value === null) return value;
  const given = value as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(schema.shape)
      .filter(([member]) => given[member] !== undefined && given[member] !== null)
      .map(([member, part]) => [member, ordered(part, given[member])]),
  );
}

const inOrder = <T>(schema: z.ZodType, value: T): T => ordered(schema, value) as T;

function compare(a: readonly (string | number)[], b: readonly (string | number)[]): number {
  for (const [i, one] of a.entries()) {
    const other = b[i]!;
    const by =
      typeof one === 'number' && typeof other === 'number'
        ? one - other
        : byLabel(String(one), String(other));
    if (by !== 0) return by;
  }
  return 0;
}

/** Records of one kind as a file holds them. */
function listed<K extends Kind>(kind: K, records: readonly Values[K][]): Values[K][] {
  const { order } = rulesOf(kind);
  const schema = schemaOf(kind);
  const list = records.map((values) => inOrder(schema, values));
  return order ? list.sort((a, b) => compare(order(a), order(b))) : list;
}

function visitInOrder(visit: Visit): Visit {
  const { head, records } = partsOf(visit);
  const [inHead] = listed('visit', [head]);
  return visitOf(inHead!, <K extends Kind>(kind: K) =>
    listed(kind, records.filter((r) => r.kind === kind).map((r) => r.values) as Values[K][]),
  );
}

/** The case in its canonical order, so that one from the database and one from a file compare equal. */
export function caseOf(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  weather?: WeatherRecord,
  site?: Site,
): CaseFile {
  const { order } = rulesOf('visit');
  return {
    format: CASE_FORMAT,
    version: CASE_VERSION,
    tree: listed('tree', [tree])[0]!,
    events: listed('event', events),
    visits: visits.map(visitInOrder).sort((a, b) => compare(order!(a), order!(b))),
    ...(weather && { weather: inOrder(weatherSchema, weather) }),
    ...(site && { site: inOrder(siteSchema, site) }),
  };
}
