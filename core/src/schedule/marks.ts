/** The day to come back of a visit, and the look at a filled hole, as they are marked. */
export const LOOK_TASK = 'look';
export const DRAIN_TASK = 'drain';

/** What follows a step of an order, as it is marked; `year` where it comes again every year. */
export const taskKey = (step: string, followUp: string, year?: number): string =>
  `${step}.${followUp}${year === undefined ? '' : `.${year}`}`;
