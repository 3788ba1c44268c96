import { personOfCookie } from '../person';
import { keptPage } from './kept';

/** Whether a page of this application was taken along by whoever is signed in. */
export async function isHere(address: string): Promise<boolean> {
  const person = personOfCookie();
  return person !== undefined && (await keptPage(person, new URL(address, location.href).href)) !== undefined;
}
