import type { Metadata } from 'next';
import { database } from '@/server/database/connection';
import { exerciseList } from '@/server/exercises/drafts';
import { guarded } from '@/server/guard/processes';
import { suggestionFor, ticksOf } from '@/server/lessons/meetings';
import { outlook } from '@/server/lessons/planning';
import { can } from '@/server/permissions';
import { Button } from '@/ui/design/Button';
import { RunSheetView } from '@/ui/run-sheet/RunSheetView';
import { Link } from '@/ui/shell/Link';
import { View } from '../../../../shell';
import * as actions from './actions';
import { meetingAskedFor, planned } from './meeting-view';

interface Address {
  readonly params: Promise<{ classId: string; meetingId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { classId, meetingId } = await params;
  const { meeting } = await meetingAskedFor('see-run-sheet', classId, meetingId);
  return { title: `${meeting.className}, run sheet` };
}

export default async function RunSheetPage({ params }: Address) {
  const { classId, meetingId } = await params;
  const asked = await meetingAskedFor('see-run-sheet', classId, meetingId);
  const { viewer, meeting } = asked;
  const [plan, ticked, suggestion, exercises, store] = await Promise.all([
    planned(asked),
    ticksOf(database(), meeting.id),
    suggestionFor(database(), viewer, meeting),
    exerciseList(database(), viewer),
    outlook(database(), guarded(), new Date()),
  ]);
  const supplies = store.meetings.find((one) => one.meeting.id === meeting.id)?.supplies ?? [];
  const courses = [...new Set(exercises.map(({ courseTitle }) => courseTitle))];
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: meeting.className, href: `/classes/${meeting.classId}` },
        { label: 'Run sheet' },
      ]}
      title="Run sheet"
      facts={meeting.className}
      actions={
        <>
          <Button asChild>
            <Link href={`/kit?meeting=${meeting.id}`}>Kit</Link>
          </Button>
          <Button asChild>
            <a
              href={`/classes/${meeting.classId}/meetings/${meeting.id}/wall`}
              target="_blank"
              rel="noreferrer"
            >
              Wall
            </a>
          </Button>
          <Button asChild>
            <Link href={`/classes/${meeting.classId}/room`}>Room</Link>
          </Button>
        </>
      }
    >
      <RunSheetView
        key={meeting.id}
        {...plan}
        ticked={ticked}
        suggestion={suggestion}
        choice={courses.map((course) => ({
          course,
          exercises: exercises
            .filter(({ courseTitle }) => courseTitle === course)
            .map(({ id, title }) => ({ id, title, minutes: null })),
        }))}
        short={supplies.filter(({ short }) => short > 0).length}
        mayPlan={can(viewer.role, 'plan-meeting')}
        actions={actions}
      />
    </View>
  );
}
