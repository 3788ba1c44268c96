import { count } from '../../ui/count';
import type { Task, WhoDoes } from '@undrel/core/schedule';
import { dayOfYearWords, daysBetween, monthName } from '@undrel/core/vocabulary';

export const WHO_WORDS: Record<WhoDoes, string> = {
  consultant: 'Consultant',
  crew: 'Crew',
  owner: 'Owner',
  contractor: 'Contractor',
};

/** A stretch of days in the largest unit that tells it. */
export function lengthOf(days: number): string {
  if (days < 14) return count(days, 'day');
  if (days < 60) return count(Math.round(days / 7), 'week');
  return days < 720 ? count(Math.round(days / 30.4), 'month') : count(Math.round(days / 365), 'year');
}

/** When a task has its time, seen from a day. */
export function whenOf({ from, to, state }: Pick<Task, 'from' | 'to' | 'state'>, today: string): string {
  if (state === 'late') return `${lengthOf(daysBetween(to, today))} late`;
  if (state === 'ahead') return `in ${lengthOf(daysBetween(today, from))}`;
  const left = daysBetween(today, to);
  return left === 0 ? 'today' : `${lengthOf(left)} left`;
}

/** `14 March` of 2026-03-14. */
export const dayWords = (day: string): string => dayOfYearWords(day.slice(5));

export const monthWords = (month: string): string =>
  `${monthName(Number(month.slice(5, 7)))} ${month.slice(0, 4)}`;
