/** Names who made what is sent, where it may be sent by whatever session there is then: it is taken from nobody else. */
export const PERSON_HEADER = 'x-undrel-person';
