import { PRACTICE } from '../practice/limit';
import { sameGenus } from './lookup';

/** Months in which insects carry a disease from tree to tree and are drawn by fresh cuts. */
export interface Vector {
  genus: string;
  carries: string;
  /** First and last month, of the northern half of the world. */
  from: number;
  to: number;
}

// From memory.
export const VECTOR_SOURCE = `${PRACTICE}`;

/** Only where the disease occurs; local rules, which a firm enters as closed seasons, come before it. */
export const VECTORS: readonly Vector[] = [
  { genus: 'Quercus', carries: 'sap beetles carry oak wilt', from: 4, to: 7 },
  { genus: 'Ulmus', carries: 'bark beetles carry Dutch elm disease', from: 4, to: 9 },
  { genus: 'Juglans', carries: 'twig beetles carry thousand cankers disease', from: 4, to: 10 },
  { genus: 'Pinus', carries: 'longhorn beetles carry pine wilt', from: 5, to: 9 },
];

/** What carries a disease to trees of the genus that a species is of, by whatever name it goes; undefined where nothing is known. */
export const vectorOf = (species: string): Vector | undefined =>
  VECTORS.find(({ genus }) => sameGenus(species, genus));
