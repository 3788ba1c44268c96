/** How a seal stands in a file: among its keywords, in as many places as the format keeps them. */
const MARK = 'undrel-seal-';
const DIGITS = 64;

/** What a file holds before it is sealed. */
export const BLANK_SEAL = `${MARK}${'0'.repeat(DIGITS)}`;

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

/** SHA-256, hexadecimal. */
export const sha256 = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
  hex(await crypto.subtle.digest('SHA-256', bytes));

/** Where the digits of the seal stand. One byte is one letter in this reading. */
function placesOf(bytes: Uint8Array): { at: number; digits: string }[] {
  const text = new TextDecoder('latin1').decode(bytes);
  return [...text.matchAll(new RegExp(`${MARK}([0-9a-f]{${DIGITS}})`, 'g'))].map((found) => ({
    at: found.index + MARK.length,
    digits: found[1]!,
  }));
}

/** A copy with the digits of the seal set to these. */
function withDigits(
  bytes: Uint8Array,
  places: readonly { at: number }[],
  digits: string,
): Uint8Array<ArrayBuffer> {
  const copy = new Uint8Array(bytes);
  const letters = new TextEncoder().encode(digits);
  for (const { at } of places) copy.set(letters, at);
  return copy;
}

const BLANK = '0'.repeat(DIGITS);

/**
 * Seals a file that holds {@link BLANK_SEAL}: the SHA-256 of the file with a blank seal takes its place.
 *
 * @throws where there is no blank seal in it
 */
export async function sealed(bytes: Uint8Array): Promise<Uint8Array<ArrayBuffer>> {
  const places = placesOf(bytes);
  if (places.length === 0 || places.some((p) => p.digits !== BLANK))
    throw new Error('There is no blank seal in this file.');
  return withDigits(bytes, places, await sha256(new Uint8Array(bytes)));
}

/** Whether a file is as it was sealed: `broken` where a single byte is another one. */
export async function sealOf(bytes: Uint8Array): Promise<'holds' | 'broken' | 'none'> {
  const places = placesOf(bytes);
  if (places.length === 0) return 'none';
  const [first] = places;
  if (places.some((p) => p.digits !== first!.digits)) return 'broken';
  return (await sha256(withDigits(bytes, places, BLANK))) === first!.digits ? 'holds' : 'broken';
}
