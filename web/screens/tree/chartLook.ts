/** A colour of the theme by its name: a canvas knows no style sheet. */
export const inkOf = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** Figures and title of an axis in a colour, in the face of the page. */
export const axisText = (color: string) => ({
  color,
  font: { family: getComputedStyle(document.body).fontFamily, size: 13 },
});

const decimals = (figure: number): number => String(Number(figure.toFixed(6))).split('.')[1]?.length ?? 0;

/**
 * An axis of plain figures, all with as many decimals as the step between them has: to ask the browser how a language writes them takes a slow
 * phone a sixth of a second.
 */
export const axisTicks = (color: string) => ({
  ...axisText(color),
  callback: (value: string | number, _: number, all: readonly { value: number }[]) =>
    Number(value).toFixed(decimals((all[1]?.value ?? 0) - (all[0]?.value ?? 0))),
});
