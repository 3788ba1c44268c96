import * as z from 'zod';
import { LENGTH_LIMITS } from '../units/limits';
import { bare } from '../species/lookup';
import { GROWTH_CLASSES, STRESSES, TOLERANCES, type Species } from '../species/table';

/** A name of a species or a genus, or what it is called. */
const name = z.string().trim().min(2).max(120);
const size = z.number().min(LENGTH_LIMITS.height.min).max(LENGTH_LIMITS.height.max);

/** Most species a firm may have judged for itself. */
export const MOST_OWN = 300;

/** A species as a firm judges it; it stands before the one of the same name that the program ships with. */
export const ownSpeciesSchema = z.strictObject({
  name,
  common: z.array(name).max(8),
  foliage: z.enum(['deciduous', 'evergreen']),
  growth: z.enum(GROWTH_CLASSES),
  height: size,
  spread: size,
  stands: z.record(z.enum(STRESSES), z.enum(TOLERANCES)),
  tender: z.boolean(),
}) satisfies z.ZodType<Species>;

/** What a firm has judged, as it came from a form: every species once, each field in its range. */
export function readOwnSpecies(
  given: unknown,
): { ok: true; species: Species[] } | { ok: false; problem: string } {
  if (!Array.isArray(given) || given.length > MOST_OWN)
    return { ok: false, problem: `Species: at most ${MOST_OWN} of your own.` };
  const seen = new Set<string>();
  const species: Species[] = [];
  for (const [i, one] of given.entries()) {
    const read = ownSpeciesSchema.safeParse(one);
    const called = String((one as Partial<Species> | null)?.name ?? '').trim() || `Species ${i + 1}`;
    if (!read.success) {
      const { path, message } = read.error.issues[0]!;
      return { ok: false, problem: `${called}, ${path.join(' ') || 'as a whole'}: ${message}.` };
    }
    const key = bare(read.data.name);
    if (key === '')
      return { ok: false, problem: `Species: “${called}” is no name; write genus and species.` };
    if (seen.has(key)) return { ok: false, problem: `${called} appears twice.` };
    seen.add(key);
    species.push(read.data);
  }
  return { ok: true, species };
}
