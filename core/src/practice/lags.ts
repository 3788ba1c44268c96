import type { EventKind } from '../vocabulary/events';

/** From how soon to how late the shoots fall after an event, years; judgement. Common practice, no source. */
export interface Lag {
  kind: EventKind;
  least: number;
  most: number;
  why: string;
}

export const LAGS: readonly Lag[] = [
  {
    kind: 'planted',
    least: 1,
    most: 20,
    why: 'Deep planting and pot-bound roots hide behind young vigour for up to twenty years.',
  },
  {
    kind: 'soil added',
    least: 0,
    most: 15,
    why: 'Roots short of air fail over years; wet and buried, within one.',
  },
  {
    kind: 'mulch contract',
    least: 3,
    most: 20,
    why: 'A cone takes ten to twenty years, less where it stays wet.',
  },
  { kind: 'paving', least: 0, most: 10, why: 'Cut and sealed roots show in a few years.' },
  { kind: 'trenching', least: 0, most: 5, why: 'Cut roots show within five years.' },
  { kind: 'irrigation', least: 0, most: 5, why: 'Drowned roots show in one to five years.' },
  { kind: 'drought', least: 0, most: 2, why: 'In that year or the two after.' },
  { kind: 'flood', least: 0, most: 2, why: 'In that year or the two after.' },
  { kind: 'staking', least: 1, most: 10, why: 'A tie cuts in as the stem thickens.' },
  { kind: 'guard', least: 2, most: 15, why: 'A guard cuts in as the stem thickens.' },
  { kind: 'planting ring', least: 5, most: 20, why: 'Roots turn at the ring first, and tighten later.' },
  { kind: 'fertiliser', least: 0, most: 2, why: 'Salt burns at once.' },
];

/** How long bark has been covered, by the look of it; years. Judgement; common practice, no source. */
export interface BuriedBark {
  answer: 'sound' | 'dark' | 'soft' | 'loose';
  least: number;
  most: number;
  why: string;
}

export const BURIED_BARK: readonly BuriedBark[] = [
  { answer: 'sound', least: 0, most: 5, why: 'Bark covered for long does not stay sound.' },
  { answer: 'dark', least: 1, most: 15, why: 'Bark darkens within a year or two of being covered.' },
  { answer: 'soft', least: 3, most: 40, why: 'Covered bark takes some years to soften.' },
  { answer: 'loose', least: 5, most: 40, why: 'Covered bark takes longer still to die and come away.' },
];
