import { slugOf } from '@/core/course/names';
import { calendarOf } from '@/core/meeting/calendar';
import { database } from '@/server/database/connection';
import { meetingsOf } from '@/server/lessons/meetings';
import { classAskedFor } from '../../../asked-for';
import { calendarFile } from '../../../files';
import { ownAddress } from '../../../own-address';

export const dynamic = 'force-dynamic';

/** The meetings of a class as iCalendar. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ classId: string }> },
): Promise<Response> {
  const { details } = await classAskedFor('see-classes', (await params).classId);
  const [meetings, address] = await Promise.all([meetingsOf(database(), details.id), ownAddress()]);
  const text = calendarOf(
    details.name,
    meetings.map(({ id, startsAt, endsAt, exercises }) => ({
      id,
      startsAt,
      endsAt,
      title:
        exercises.length === 0
          ? details.name
          : `${details.name}: ${exercises.map(({ title }) => title).join(', ')}`,
      description: 'What is done, by the minute, and what to bring: on the run sheet.',
      address: `${address}/classes/${details.id}/meetings/${id}`,
    })),
    new Date(),
  );
  return calendarFile(`${slugOf(details.name)}.ics`, text);
}
