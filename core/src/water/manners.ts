import { balance, easyWater, litresOf, type RootZone } from './balance';
import type { StationPlace, WeatherDay } from './evapotranspiration';

/** A way of watering, as the schools have it. */
export type Manner = 'balance' | 'often' | 'weekly' | 'feel';

/** What a way of watering comes to in a growing season, on average over the years tried. */
export interface MannerSeason {
  manner: Manner;
  litres: number;
  waterings: number;
  /** Days on which the tree draws less than it needs. */
  stressed: number;
  /** Of the water given, the share that drained below the roots. */
  wasted: number;
}

/** Days of the week on which water is given without a look, 0 to 6. */
const ROUNDS: Record<'often' | 'weekly', readonly number[]> = { often: [1, 3, 5], weekly: [1] };
/** By feel water is given once half of what is easily drawn is gone, and not on two days of three. Judgement. */
const FELT = { share: 0.5, every: 3 };

/**
 * Ways of watering side by side over the growing seasons of a weather record.
 *
 * @param rule litres of one watering by the rule of the stem
 * @param months of the growing season
 */
export function mannersOver(
  zone: RootZone,
  place: StationPlace,
  known: readonly WeatherDay[],
  rule: number,
  months: readonly number[],
): MannerSeason[] {
  const grows = ({ date }: WeatherDay) => months.includes(Number(date.slice(5, 7)));
  const years = Math.max(1, new Set(known.map((d) => d.date.slice(0, 4))).size);
  const easy = easyWater(zone);
  const mm = (litres: number) => litres / zone.area;
  const weekday = (date: string) => new Date(Date.parse(date)).getUTCDay();
  const waters: Record<Manner, (day: WeatherDay, missing: number) => number> = {
    balance: (_, missing) => (missing >= easy ? missing : 0),
    often: ({ date }) => (ROUNDS.often.includes(weekday(date)) ? mm(rule) : 0),
    weekly: ({ date }) => (ROUNDS.weekly.includes(weekday(date)) ? mm(2 * rule) : 0),
    feel: ({ date }, missing) =>
      missing >= FELT.share * easy && (Date.parse(date) / 86_400_000) % FELT.every === 0 ? mm(rule) : 0,
  };
  return (Object.keys(waters) as Manner[]).map((manner) => {
    const days = balance(zone, place, known, 0, (day, missing) =>
      grows(day) ? waters[manner](day, missing) : 0,
    );
    const season = days.filter((_, i) => grows(known[i]!));
    const given = season.reduce((sum, d) => sum + d.given, 0);
    const wasted = season.reduce((sum, d) => sum + Math.min(d.given, d.drained), 0);
    return {
      manner,
      litres: litresOf(zone, given) / years,
      waterings: season.filter((d) => d.given > 0).length / years,
      stressed: season.filter((d) => d.stress < 1 - 1e-9).length / years,
      wasted: given > 0 ? wasted / given : 0,
    };
  });
}
