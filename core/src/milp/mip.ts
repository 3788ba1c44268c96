/** A linear model with whole numbers, for any solver; to be made as large as can be. */
export interface Mip {
  columns: { name: string; worth: number; lower: number; upper: number; whole: boolean }[];
  rows: { name: string; lower: number; upper: number; entries: [column: number, factor: number][] }[];
}
