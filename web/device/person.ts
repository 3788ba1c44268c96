import { PERSON_COOKIE } from '../protocol/personCookie';

/** Who is signed in on this device, as the server said when they signed in. */
export const personOfCookie = (cookies = document.cookie): string | undefined =>
  new RegExp(`(?:^|; )${PERSON_COOKIE}=([^;]+)`).exec(cookies)?.[1];

/** Nobody is signed in any more: the session ended, or is about to. */
export const forgetPerson = (): void => {
  document.cookie = `${PERSON_COOKIE}=; path=/; max-age=0`;
};
