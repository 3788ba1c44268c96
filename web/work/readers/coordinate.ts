const COORDINATES = {
  Latitude: { most: 90, below: 'south' },
  Longitude: { most: 180, below: 'west' },
} as const;

/** Degrees of a coordinate as they were typed, or what is wrong with them. */
export function coordinate(
  name: keyof typeof COORDINATES,
  typed: unknown,
): { degrees: number } | { problem: string } {
  const text = String(typed ?? '').trim();
  const degrees = Number(text.replace(',', '.'));
  const { most, below } = COORDINATES[name];
  return text !== '' && Math.abs(degrees) <= most
    ? { degrees }
    : { problem: `${name}: “${text}” is not -${most} to ${most} degrees; ${below} is below zero.` };
}
