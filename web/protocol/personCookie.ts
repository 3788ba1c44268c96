/** Names, to the scripts of a device, whoever is signed in on it. */
export const PERSON_COOKIE = 'undrel_person';
