/** Days from the day a sample goes to the laboratory to its results. */
export const LAB_DAYS = 5;
