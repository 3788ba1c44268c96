import { CASE_VERSION } from './case';

/** A case of an older version, as far as it is known. */
export type Old = { visit?: Record<string, unknown> & { probes?: Record<string, unknown>[] } } & Record<
  string,
  unknown
>;

/**
 * Version 1 held a single visit, and its rod was always read from grade.
 */
function fromVersion1(old: Old): unknown {
  const { visit, ...rest } = old;
  const probes = visit?.probes?.map((probe) => ({ from: 'grade', ...probe }));
  return { ...rest, version: 2, visits: visit ? [{ ...visit, ...(probes ? { probes } : {}) }] : [] };
}

/** Version 2 had no places on the stem and no dig; what it held is unchanged. */
const fromVersion2 = (old: object): unknown => ({ ...old, version: CASE_VERSION });

/** A case of any version as this one holds it. */
export function brought(raw: Old): unknown {
  if (raw.version === 1) return fromVersion2(fromVersion1(raw) as object);
  return raw.version === 2 ? fromVersion2(raw) : raw;
}
