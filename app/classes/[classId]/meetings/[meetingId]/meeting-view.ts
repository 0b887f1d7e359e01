import { notFound } from 'next/navigation';
import { cache } from 'react';
import { benchesOf } from '@/core/meeting/benches';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { draftsFor, findMeeting, runOf } from '@/server/lessons/meetings';
import { calibrationsOfClass } from '@/server/submissions/calibrations';
import { lessonOf } from '@/server/lessons/planning';
import type { Action } from '@/server/permissions';
import type { MeetingView } from '@/ui/run-sheet/meeting';
import { requireViewer } from '../../../../access';

/** The meeting that an address names, of a class of the viewer's; once per request. */
export const meetingAskedFor = cache(async (action: Action, classId: string, meetingId: string) => {
  const viewer = await requireViewer(action);
  const meeting = await findMeeting(database(), viewer, meetingId);
  if (!meeting || meeting.classId !== classId) notFound();
  return { viewer, meeting };
});

/** Everything that follows from the plan of a meeting, as its run sheet and the wall show it. */
export async function planned({ viewer, meeting }: Awaited<ReturnType<typeof meetingAskedFor>>) {
  const [lesson, drafts, run, values] = await Promise.all([
    lessonOf(database(), guarded(), viewer, meeting),
    draftsFor(database(), meeting),
    runOf(database(), meeting.id),
    calibrationsOfClass(
      database(),
      meeting.classId,
      meeting.exercises.map(({ id }) => id),
    ),
  ]);
  const drawings = await Promise.all(
    drafts.map((draft) => guarded().ask('benchDrawing', { exercise: draft.sheet })),
  );
  const view: MeetingView = {
    id: meeting.id,
    classId: meeting.classId,
    className: meeting.className,
    startsAt: meeting.startsAt.toISOString(),
    endsAt: meeting.endsAt.toISOString(),
    exercises: meeting.exercises,
    prepared: meeting.prepared,
    perBench: meeting.perBench,
    benches: benchesOf(
      meeting.learners.map(({ name }) => name),
      meeting.perBench,
    ),
    values: Object.fromEntries(
      meeting.learners.flatMap(({ id, name }) => {
        const own = values.get(id);
        return own ? [[name, own.map((one) => `${one.name} ${one.value}`).join(', ')]] : [];
      }),
    ),
  };
  return { ...lesson, run, drawings, meeting: view };
}
