/** Every text within a value, changed. */
export const eachText = <T>(value: T, change: (text: string) => string): T =>
  JSON.parse(
    JSON.stringify(value, (_, part: unknown) => (typeof part === 'string' ? change(part) : part)),
  ) as T;
