import { ICalCalendarMethod, ICalCalendar } from 'ical-generator';

/** A meeting as a calendar has it. */
export interface CalendarMeeting {
  readonly id: string;
  readonly startsAt: Date;
  readonly endsAt: Date;
  readonly title: string;
  /** What is done, and what to bring. */
  readonly description: string;
  /** Where it is looked at. */
  readonly address?: string;
}

/** Meetings as iCalendar (RFC 5545), in universal time: they are at the same hour whatever zone reads them. */
export function calendarOf(name: string, meetings: readonly CalendarMeeting[], now: Date): string {
  const calendar = new ICalCalendar({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'didaktor', product: 'run sheet', language: 'EN' },
  });
  for (const { id, startsAt, endsAt, title, description, address } of meetings)
    calendar.createEvent({
      id,
      stamp: now,
      start: startsAt,
      end: endsAt,
      summary: title,
      description,
      ...(address === undefined ? {} : { url: address }),
    });
  return calendar.toString();
}
