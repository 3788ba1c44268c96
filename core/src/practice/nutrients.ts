/** A nutrient as a laboratory reports it, mg/kg of soil, and from where on it is no longer low. */
export interface Nutrient {
  key: string;
  label: string;
  /** Names a laboratory gives it. */
  names: RegExp;
  /** Low below the first, ample from the last; mg/kg. */
  enough: number;
  ample?: number;
  source: string;
}

const OREGON =
  // From memory.
  'Marx, Hart & Stevens 1999, Soil Test Interpretation Guide, Oregon State University EC 1478';
// From memory.
const DTPA = 'Lindsay & Norvell 1978, Soil Sci. Soc. Am. J. 42:421, DTPA extract';

/** Ranges were made for crops; a tree makes do with less, so low is a hint and ample a fact. */
export const NUTRIENTS: readonly Nutrient[] = [
  {
    key: 'soil.phosphorus',
    label: 'Phosphorus, Olsen',
    names: /^(p\b|phosphorus)/i,
    enough: 10,
    ample: 40,
    source: OREGON,
  },
  {
    key: 'soil.potassium',
    label: 'Potassium',
    names: /^(k\b|potassium)/i,
    enough: 150,
    ample: 800,
    source: OREGON,
  },
  {
    key: 'soil.magnesium',
    label: 'Magnesium',
    names: /^(mg\b|magnesium)/i,
    enough: 60,
    ample: 180,
    source: OREGON,
  },
  { key: 'soil.iron', label: 'Iron, DTPA', names: /^(fe\b|iron)/i, enough: 4.5, source: DTPA },
  { key: 'soil.manganese', label: 'Manganese, DTPA', names: /^(mn\b|manganese)/i, enough: 1, source: DTPA },
];
