/** A share of something that was measured or planned, in whole percent. */
export const percent = (share: number): string => `${Math.round(100 * share)}%`;

/** A range of shares: 25 to 48%. */
export const percents = ({ from, to }: { from: number; to: number }): string =>
  `${Math.round(100 * from)} to ${percent(to)}`;

/** A chance is never told as certain: from here on, and below as much, it is told as over or under. */
const CERTAIN = 0.995;

/** A chance in whole percent, in a sentence; one that is nearly certain either way is told as over or under. */
export const chanceWords = (p: number): string =>
  p >= CERTAIN ? 'over 99%' : p < 1 - CERTAIN ? 'under 1%' : percent(p);

/** The same as a figure that stands by itself. */
export const chanceFigure = (p: number): string =>
  chanceWords(p).replace('over ', '>').replace('under ', '<');

/** A figure with its unit: 12 cm, but 12%. */
export const withUnit = (figure: string | number, unit: string): string =>
  unit === '' ? String(figure) : unit === '%' ? `${figure}%` : `${figure} ${unit}`;
