import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { isOpen } from '@undrel/core/schedule';
import { dayAfter } from '@undrel/core/vocabulary';
import { USUAL_READINGS } from '../../protocol/heavy';
import { assessBy, KEEP_AWAY } from '../../protocol/mayFall';
import type { LargeRow, TaskRow, WaterRow, WorkRow } from '../../protocol/season';

/** What stands in a calendar that another program reads. */
export interface CalendarGiven {
  name: string;
  tasks: readonly TaskRow[];
  works: readonly WorkRow[];
  water: readonly WaterRow[];
  /** Trees that are not worked out, on the day that it is made. */
  large: readonly LargeRow[];
  on: string;
}

/**
 * Each issue of the calendar is a later word on its events than the one before (RFC 5545, 3.8.7.4): minutes since this day. What
 * was moved twice, planned anew or dropped is taken over by whoever read an earlier one.
 */
const BEGAN = Date.UTC(2026, 0, 1);
const sequenceAt = (moment: Date): number => Math.max(0, Math.floor((moment.getTime() - BEGAN) / 60_000));

const AT = 'undrel';

/** The days of an event: whole days, the last one included; a date of RFC 5545 has no time zone. */
const days = (from: string, to: string) => ({
  start: new Date(from),
  end: new Date(dayAfter(to, 1)),
  allDay: true,
});

/**
 * A calendar in the open format (RFC 5545). Every event keeps its UID for as long as the task is there, so that what was
 * moved is moved and not there twice; what was dropped or done is cancelled.
 *
 * @param address where the application is reached, for the links
 * @param now ISO moment that the events are stamped with
 */
export function icalendarOf(
  { name, tasks, works, water, large, on }: CalendarGiven,
  address: URL,
  now: string,
): string {
  const calendar = ical({
    name,
    prodId: { company: 'undrel', product: 'season' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  const stamp = new Date(now);
  const sequence = sequenceAt(stamp);
  for (const t of tasks)
    calendar.createEvent({
      id: `${t.visitId}.${t.key}@${AT}`,
      sequence,
      stamp,
      ...days(t.from, t.to),
      summary: `${t.label}: ${t.what}`,
      location: t.property,
      description: [`After ${t.because}.`, t.stake, t.told ?? ''].filter((s) => s !== '').join('\n'),
      url: new URL(`/trees/${t.treeId}`, address).href,
      status: isOpen(t) ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
    });
  for (const w of works)
    calendar.createEvent({
      id: `${w.visitId}.work.${w.key}@${AT}`,
      sequence,
      stamp,
      ...days(w.from, w.to),
      summary: `${w.label}: ${w.what}`,
      location: w.property,
      description: [w.because, w.flag ?? '', w.told ?? ''].filter((s) => s !== '').join('\n'),
      url: new URL(`/trees/${w.treeId}/order`, address).href,
      status: w.from === w.to ? ICalEventStatus.CONFIRMED : ICalEventStatus.TENTATIVE,
    });
  for (const { treeId, label, property, propertyId, next } of water)
    if (next.on !== undefined)
      calendar.createEvent({
        id: `${treeId}.water@${AT}`,
        sequence,
        stamp,
        ...days(next.on, next.on),
        summary: `${label}: water, ${Math.round(next.litres)} L. Look with the probe first.`,
        location: property,
        url: new URL(`/grounds/${propertyId}/water`, address).href,
        status: ICalEventStatus.TENTATIVE,
      });
  for (const { id, label, property, mayFall } of large) {
    if (mayFall)
      calendar.createEvent({
        id: `${id}.danger@${AT}`,
        sequence,
        stamp,
        ...days(mayFall, assessBy(mayFall)),
        summary: `${label}: may fall. Have its stability assessed`,
        location: property,
        description: KEEP_AWAY,
        url: new URL(`/trees/${id}`, address).href,
        status: ICalEventStatus.CONFIRMED,
      });
    calendar.createEvent({
      id: `${id}.large@${AT}`,
      sequence,
      stamp,
      ...days(on, on),
      summary: `${label}: its work and water are not in this calendar`,
      location: property,
      description: `A dig of more than ${USUAL_READINGS.toLocaleString('en')} readings is worked out on the page of its tree.`,
      url: new URL(`/trees/${id}`, address).href,
      status: ICalEventStatus.CONFIRMED,
    });
  }
  return calendar.toString();
}
