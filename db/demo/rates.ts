import type { Rates } from '@undrel/core/costing';
import type { ClosedSeason } from '@undrel/core/prescription';

/** What the demo firm charges; invented. */
export const RATES: Rates = {
  currency: 'EUR',
  prices: {
    consultant: '95',
    crew: '68.50',
    airTool: '42',
    trip: '38',
    mulch: '36.80',
    compost: '44.50',
    topsoil: '33.40',
    inoculant: '6.90',
    disposal: '29.90',
    drain: '14.20',
    wall: '118',
    stakes: '31.50',
    guard: '12.80',
    youngTree: '340',
    assessor: '280',
  },
  tax: { name: 'VAT', percent: '19' },
};

/** Seasons closed where the demo firm works; invented. */
export const CLOSED: ClosedSeason[] = [
  {
    why: 'Nesting season of the town: no trees are taken down.',
    from: '03-01',
    to: '09-30',
    operations: ['remove'],
  },
  {
    why: 'Flight of the hornbeam beetle: no fresh cuts on hornbeams.',
    from: '04-15',
    to: '07-15',
    genus: 'Carpinus',
    operations: ['prune'],
  },
];
