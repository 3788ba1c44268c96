/** A count with its noun: `1 tree`, `3 trees`. */
export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
