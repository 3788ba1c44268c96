import { questionFor } from '@undrel/core/questions';
import { schemaOf, type Kind } from '@undrel/core/records';
import { formatPressure, formatValue, inUse, type UnitSystem } from '@undrel/core/units';
import { quantityName } from '@undrel/core/vocabulary';
import * as z from 'zod';

/** Fields whose name in the format is not what a person calls them. */
const NAMES: Readonly<Record<string, string>> = {
  mulch: 'mulch readings',
  fill: 'soil added',
  plantedYear: 'year planted',
  on: 'day',
  leftPot: 'left the old pot',
};

/** What a field is called. */
export const fieldName = (field: string): string =>
  NAMES[field] ?? field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

/** From here on a length is told in metres or feet, m. */
const LONG = 3;

/** A number in the unit that its schema says it is in; without one it is told as it stands. */
function numberTold(value: number, description = '', system: UnitSystem): string {
  if (/\bm$/.test(description))
    return Math.abs(value) < LONG
      ? formatValue(value, 'short length', system, 0.001)
      : formatValue(value, 'long length', system);
  if (/\bPa$/.test(description)) return formatPressure(value, system, 2);
  return description.startsWith('degrees') ? `${value}°` : String(value);
}

function told(schema: unknown, value: unknown, system: UnitSystem): string {
  if (value === undefined || value === null) return '';
  if (schema instanceof z.ZodOptional)
    return typeof value === 'number'
      ? numberTold(value, schema.description ?? (schema.unwrap() as z.ZodType).description, system)
      : told(schema.unwrap(), value, system);
  if (typeof value === 'number')
    return numberTold(value, schema instanceof z.ZodType ? schema.description : undefined, system);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) {
    const element = schema instanceof z.ZodArray ? schema.element : undefined;
    return value.map((one) => told(element, one, system)).join(', ');
  }
  if (typeof value !== 'object') return String(value);
  const shape = schema instanceof z.ZodObject ? schema.shape : {};
  const given = value as Record<string, unknown>;
  // In the order of the schema, whatever the store made of it. A reading by its place, an amount by its quantity: the
  // first names the rest.
  const [first = '', ...rest] = [...new Set([...Object.keys(shape), ...Object.keys(given)])]
    .filter((part) => given[part] !== undefined && given[part] !== null)
    .map((part) =>
      part === 'quantity' ? quantityName(String(given[part])) : told(shape[part], given[part], system),
    );
  return rest.length === 0 ? first : `${first}: ${rest.join(' ')}`;
}

/** What was answered, as its question has it. */
function answerTold(values: Record<string, unknown>, field: string, system: UnitSystem): string | undefined {
  const question = questionFor(String(values.key));
  if (!question) return undefined;
  const value = values[field];
  if (field === 'answer' && 'answers' in question)
    return question.answers.find((a) => a.key === value)?.label;
  if (field !== 'number' || typeof value !== 'number') return undefined;
  switch (question.kind) {
    case 'percent':
      return formatValue(value, 'share', system);
    case 'number':
      return inUse(value, question.unit, system);
    case 'length':
    case 'years':
      return formatValue(value, 'short length', system, 0.0001);
    default:
      return undefined;
  }
}

/**
 * One field of a record as text, in the units it is looked at in: what was written, for those who set two versions
 * beside each other. Empty where it holds nothing.
 */
export const fieldTold = (
  kind: Kind,
  values: Record<string, unknown>,
  field: string,
  system: UnitSystem,
): string =>
  (kind === 'finding' ? answerTold(values, field, system) : undefined) ??
  told(schemaOf(kind).shape[field], values[field], system);
