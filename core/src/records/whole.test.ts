import { kindsBelow, schemaOf, type Kind, type Values } from './index';
import { headOf, partsOf, visitOf } from './whole';

const HEAD: Values['visit'] = { date: '2026-05-06', by: 'T', note: 'Third visit.' };

test.each(kindsBelow('visit'))(
  'the own values of a visit hold no %s of it, and may be written as they are',
  (kind) => {
    const visit = visitOf(HEAD, <K extends Kind>(asked: K) =>
      (asked as Kind) === kind ? [{} as Values[K]] : [],
    );
    expect(visit).not.toEqual(HEAD);
    expect(headOf(visit)).toEqual(HEAD);
    expect(partsOf(visit).head).toEqual(HEAD);
    expect(schemaOf('visit').safeParse(headOf(visit)).success).toBe(true);
  },
);
