/** What the database refuses, in words: by the code of its error, else by the class of it. */
const BY_CODE: Record<string, string> = {
  '23503': 'What it belongs to is not there.',
  '23514': 'A value is outside what is allowed.',
  '23505': 'It is already there.',
  '22001': 'A text is longer than is allowed.',
  '22003': 'A number is larger than can be kept.',
  '22007': 'A date is not one.',
  '22008': 'A date is not one.',
  '22021': 'A text holds a character that cannot be kept.',
  '22P02': 'A value is not of its kind.',
  '22P05': 'A text holds a character that cannot be kept.',
};
/** Errors of data (22) and of integrity (23) come from what was sent; everything else is a fault. */
const BY_CLASS: Record<string, string> = {
  '22': 'A value cannot be kept as it is.',
  '23': 'It does not fit what is there.',
};
/** Serialisation failures and deadlocks: the same work again may well go through. */
const RETRYABLE = ['40001', '40P01'];

const codeOf = (error: unknown): string => {
  const { code } = (error ?? {}) as { code?: unknown };
  return typeof code === 'string' ? code : '';
};

export const isRetryable = (error: unknown): boolean => RETRYABLE.includes(codeOf(error));

/** Why the database refuses what was sent; undefined where the error is a fault of another kind. */
export function refusalOf(error: unknown): { status: number; problem: string } | undefined {
  const code = codeOf(error);
  if (!/^[0-9A-Z]{5}$/.test(code)) return undefined;
  const problem = BY_CODE[code] ?? BY_CLASS[code.slice(0, 2)];
  return problem === undefined ? undefined : { status: code.startsWith('23') ? 409 : 400, problem };
}
