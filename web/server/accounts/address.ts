import { headers } from 'next/headers';
import { isSecure } from './session';

/**
 * Where this application is reached: UNDREL_URL, otherwise as the request names it. Whoever forges the name of a request
 * would choose where a link leads, so mail beyond the demo is sent only with UNDREL_URL.
 */
export async function ownAddress(): Promise<URL> {
  const given = process.env.UNDREL_URL;
  if (given) return new URL(given);
  const list = await headers();
  return new URL(`${isSecure(list) ? 'https' : 'http'}://${list.get('host') ?? 'localhost'}`);
}
