/** Since when a tree stands where it does, where nobody knows the year; `years` is taken for it. Common practice, no source. */
export const AGE_CLASSES = [
  { key: 'young', label: '3 years or less', years: 2 },
  { key: 'settling', label: '4 to 10 years', years: 7 },
  { key: 'established', label: '11 to 25 years', years: 18 },
  { key: 'old', label: 'longer', years: 40 },
] as const;
