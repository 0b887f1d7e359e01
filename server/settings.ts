import { hoursText, minutesOpen, readWorkingHours } from '@/core/people/working-hours';

/** Megabytes of an archive that is brought in, where nothing else is set; as in docs/operations.md. */
const USUAL_UPLOAD_MB = 20;

/** Most bytes of an archive that is brought in; the setting is checked when the server is started. */
export const largestUpload = (): number =>
  Number(process.env['DIDAKTOR_UPLOAD_MB'] ?? USUAL_UPLOAD_MB) * 1_000_000;

/** How the room is open for learners at a moment, by the clock of this machine. */
export interface RoomHours {
  /** Minutes for which it still is; 0 when it is not, `undefined` when it always is. */
  readonly minutesOpen: number | undefined;
  /** When it is, in words. */
  readonly text: string;
}

/** The working hours of the room as they are set; none for always. */
export function roomHours(now = new Date()): RoomHours {
  const hours = readWorkingHours(process.env['DIDAKTOR_HOURS'] ?? '') ?? [];
  const wall = { day: (now.getDay() + 6) % 7, minutes: now.getHours() * 60 + now.getMinutes() };
  return { minutesOpen: minutesOpen(hours, wall), text: hoursText(hours) };
}
