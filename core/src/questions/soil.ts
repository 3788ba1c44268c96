import type { Question } from './question';

/** A sample from beside the tree: texture by the laboratory, and a core of known volume. */
export const SOIL_QUESTIONS: readonly Question[] = [
  {
    key: 'soil.cone',
    station: 'soil',
    kind: 'length',
    field: 'refusal',
    ask: 'Penetrometer: 2 MPa (300 psi) reached at',
    hint: 'Depth at field moisture; a dry soil reads denser than it is.',
    more: true,
  },
  { key: 'soil.sand', station: 'soil', kind: 'percent', ask: 'Sand, of the fine earth', more: true },
  { key: 'soil.clay', station: 'soil', kind: 'percent', ask: 'Clay, of the fine earth', more: true },
  { key: 'soil.organic', station: 'soil', kind: 'percent', ask: 'Organic matter', more: true },
  {
    key: 'soil.coreVolume',
    station: 'soil',
    kind: 'number',
    unit: 'cm³',
    min: 10,
    max: 5000,
    ask: 'Core, volume',
    more: true,
  },
  {
    key: 'soil.coreMass',
    station: 'soil',
    kind: 'number',
    unit: 'g',
    min: 5,
    max: 13000,
    ask: 'Core, oven-dry mass',
    more: true,
  },
  {
    key: 'soil.stones',
    station: 'soil',
    kind: 'number',
    unit: 'g',
    min: 0,
    max: 12000,
    ask: 'Of it stones over 2 mm',
    more: true,
  },
];

/** How fast water goes in; the tests that are timed on site write here. */
export const WATER_QUESTIONS: readonly Question[] = [
  {
    key: 'soil.infiltration',
    station: 'soil',
    kind: 'number',
    unit: 'mm/h',
    min: 0,
    max: 5000,
    ask: 'Infiltration, ring on the surface',
    more: true,
  },
  {
    key: 'soil.percolation',
    station: 'soil',
    kind: 'number',
    unit: 'cm/h',
    min: 0,
    max: 500,
    ask: 'Percolation, filled hole',
    more: true,
  },
];
