import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { nextMeeting } from '@/server/lessons/next-meeting';
import type { Viewer } from '@/server/permissions';
import { NextMeetingBlock } from '@/ui/today/NextMeetingBlock';

/** The next meeting of a viewer, which takes a moment to work out: the rest of the page does not wait for it. */
export async function NextMeeting({ viewer }: { readonly viewer: Viewer }) {
  const next = await nextMeeting(database(), guarded(), viewer, new Date());
  if (!next) return <NextMeetingBlock next={undefined} />;
  const { meeting, suggestion, fit, ...rest } = next;
  return (
    <NextMeetingBlock
      next={{
        ...rest,
        id: meeting.id,
        classId: meeting.classId,
        className: meeting.className,
        startsAt: meeting.startsAt.toISOString(),
        endsAt: meeting.endsAt.toISOString(),
        exercises: meeting.exercises,
        suggested: suggestion?.exercises.map(({ title }) => title) ?? [],
        overMinutes: fit?.over ?? 0,
      }}
    />
  );
}
