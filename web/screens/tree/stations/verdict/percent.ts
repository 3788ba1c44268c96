/** A chance as shown: never quite none, never quite certain. */
export const percent = (share: number): string =>
  share > 0.995 ? '> 99 %' : share < 0.01 ? '< 1 %' : `${Math.round(100 * share)} %`;
