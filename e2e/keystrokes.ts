/**
 * Time a practised hand takes, s, by the keystroke-level model (Card, Moran and Newell 1980, Comm. ACM 23:396; values
 * from memory): a key 0.28, pointing at a place 1.1, a moment of thought 1.35.
 */
export const KEY = 0.28;
export const POINTING = 1.1;
export const THOUGHT = 1.35;
