import { format } from 'date-fns';
import type { Knex } from 'knex';
import { listText } from '@/core/words/words';
import type { Guard } from '../guard/processes';
import { calibrationsOfClass } from '../submissions/calibrations';
import { boardNames } from './kit-store';
import type { PlannedMeeting } from './meetings';
import { outlook } from './planning';

/** The pick list and the bag labels of a meeting, as PDF. */
export async function kitPapers(
  db: Knex,
  guarded: Guard,
  meeting: PlannedMeeting,
  now: Date,
): Promise<Uint8Array> {
  const [{ meetings }, boards, found] = await Promise.all([
    outlook(db, guarded, now),
    boardNames(db),
    calibrationsOfClass(
      db,
      meeting.classId,
      meeting.exercises.map(({ id }) => id),
    ),
  ]);
  const values = new Map(
    meeting.learners.flatMap(({ id, name }) => {
      const own = found.get(id);
      return own ? [[name, own.map((one) => `${one.name} ${one.value}`).join(', ')] as const] : [];
    }),
  );
  const supplies = meetings.find((one) => one.meeting.id === meeting.id)?.supplies ?? [];
  const printed = await guarded.ask('kitPapers', {
    supplies,
    wish: {
      title: listText(meeting.exercises.map(({ title }) => title)) || 'Nothing planned',
      subtitle: `${meeting.className}, ${format(meeting.startsAt, 'd MMMM yyyy, HH:mm')}`,
      names: meeting.learners.map(({ name }) => name),
      perBench: meeting.perBench,
      boards,
      values,
    },
  });
  return Buffer.from(printed, 'base64');
}
