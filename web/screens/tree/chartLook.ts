/** The face of charts: that of the pages. */
export const CHART_FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";

/** A colour of the theme by its name: a canvas knows no style sheet. */
export const inkOf = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** Figures and title of an axis in a colour. */
export const axisText = (color: string) => ({ color, font: { family: CHART_FONT, size: 13 } });
