/** What was done of one step of a prescription, as the crew recorded it. */
export interface WorkDone {
  /** Key of the step in the order of work: an operation, a later stage or season of it (`prune-2`, `trench-2`), or a point to sign (`hold-dry`). */
  step: string;
  how: 'done' | 'changed' | 'not done';
  /** ISO date. */
  on: string;
  by?: string;
  /** What it came to on site, by the name of the quantity; SI. */
  amounts?: { name: string; amount: number }[];
  note?: string;
}
