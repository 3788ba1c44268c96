/** One write to a tree or what belongs to it, with what it replaced. */
export interface RecordEntry {
  id: string;
  at: string;
  by: string | null;
  what: string;
  from: string;
  to: string;
}
