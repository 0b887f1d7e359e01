import { listText } from '../words/words';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** A stretch of some days in which a room is open. */
interface Stretch {
  /** Of the week, 0 for Monday. */
  readonly days: readonly number[];
  /** Minutes since midnight, from when until when. */
  readonly from: number;
  readonly to: number;
}

/** When learners may work; none for always. */
export type WorkingHours = readonly Stretch[];

/** One stretch as it is written: `Mon-Fri 08:00-18:00`. */
const STRETCH =
  /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?:-(Mon|Tue|Wed|Thu|Fri|Sat|Sun))? (\d{1,2}):(\d{2})-(\d{1,2}):(\d{2})$/;

/**
 * Working hours as they are written, `Mon-Fri 08:00-18:00, Sat 10:00-14:00`; `undefined` for what is none. An empty text
 * is no restriction.
 */
export function readWorkingHours(text: string): WorkingHours | undefined {
  const stretches = text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map(readStretch);
  return stretches.every((stretch) => stretch !== undefined) ? stretches : undefined;
}

function readStretch(text: string): Stretch | undefined {
  const [, first, last, ...times] = STRETCH.exec(text) ?? [];
  if (first === undefined) return undefined;
  const [hour, minute, untilHour, untilMinute] = times.map(Number) as [number, number, number, number];
  const [from, to] = [hour * 60 + minute, untilHour * 60 + untilMinute];
  if (minute > 59 || untilMinute > 59 || to > 24 * 60 || from >= to) return undefined;
  const [begin, end] = [DAYS.indexOf(first as never), DAYS.indexOf((last ?? first) as never)];
  // From Saturday to Monday goes over the end of the week.
  const count = ((end - begin + 7) % 7) + 1;
  return { days: Array.from({ length: count }, (_, step) => (begin + step) % 7), from, to };
}

/** A moment of the week on the wall of the room: the day, 0 for Monday, and the minutes since midnight. */
export interface WallTime {
  readonly day: number;
  readonly minutes: number;
}

/** Minutes for which the room is still open; 0 when it is not, `undefined` when it always is. */
export function minutesOpen(hours: WorkingHours, { day, minutes }: WallTime): number | undefined {
  if (hours.length === 0) return undefined;
  const now = hours.filter(({ days, from, to }) => days.includes(day) && from <= minutes && minutes < to);
  return Math.max(0, ...now.map(({ to }) => to - minutes));
}

/** Working hours as one says them: `Mon to Fri 8:00 to 18:00, and Sat 10:00 to 14:00`. */
export const hoursText = (hours: WorkingHours): string =>
  listText(
    hours.map(({ days, from, to }) => {
      const [first, last] = [DAYS[days[0]!], DAYS[days.at(-1)!]];
      return `${first === last ? first : `${first} to ${last}`} ${clock(from)} to ${clock(to)}`;
    }),
  );

const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
