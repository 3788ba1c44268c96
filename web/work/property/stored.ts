/** Kinds of readings below a visit that a property reads. */
export const READ_KINDS = ['finding', 'profile', 'probe', 'dig', 'root', 'work', 'followUp'] as const;

/** A record as a list: its id, its parent's, its version, then its columns in their order. */
export type StoredList = unknown[];

/** A visit of a property with its readings, and the events of its tree. */
export type StoredVisit = { visit: StoredList } & Record<(typeof READ_KINDS)[number] | 'event', StoredList[]>;
