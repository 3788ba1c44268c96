/** A random id; also where the page is not served over a secure connection. */
export function newId(): string {
  if ('randomUUID' in crypto) return crypto.randomUUID();
  return [...(crypto as Crypto).getRandomValues(new Uint8Array(16))]
    .map((b) => b.toString(16).padStart(2, '0'))
    .join('');
}
