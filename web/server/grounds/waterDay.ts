import { yearOf } from '@undrel/core/vocabulary';

/**
 * The day that an address asks for, or today. A day to come has no weather yet, and one before the record none at all.
 *
 * @returns what is wrong with the day asked for, beside today in its place
 */
export function dayOrToday(asked: string | undefined, today: string): { on: string; problem?: string } {
  if (asked === undefined || asked === '') return { on: today };
  const told = asked.slice(0, 40);
  const isDay = asked.length === 10 && yearOf(asked) !== undefined;
  if (!isDay) return { on: today, problem: `Day: “${told}” is not a day, YYYY-MM-DD; today is shown.` };
  if (asked > today)
    return {
      on: today,
      problem: `Day: ${told} is still to come, the last that can be asked for is ${today}.`,
    };
  if (asked < '2000-01-01')
    return { on: today, problem: `Day: ${told} lies before the weather record; allowed from 2000-01-01.` };
  return { on: asked };
}
