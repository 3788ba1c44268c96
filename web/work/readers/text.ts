/** UTF-8 bytes as text without a byte order mark; undefined where they are none. */
export function decoded(bytes: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return undefined;
  }
}

/** Whether a text can be stored: PostgreSQL keeps no NUL, and half a surrogate pair is no character. */
export const storable = (text: string): boolean =>
  !text.includes('\u0000') &&
  !/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/.test(text);

/** Path of the first text in a value that cannot be stored, or undefined. */
export function unstorableIn(value: unknown, path = ''): string | undefined {
  if (typeof value === 'string') return storable(value) ? undefined : path || 'text';
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, part] of Object.entries(value)) {
    const at = storable(key) ? unstorableIn(part, path === '' ? key : `${path}.${key}`) : path || 'name';
    if (at !== undefined) return at;
  }
  return undefined;
}
