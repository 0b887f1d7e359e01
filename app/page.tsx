import type { Metadata } from 'next';
import { Suspense } from 'react';
import { countVerdicts, groupByTrouble, latestOf } from '@/core/plan/review';
import { courseList } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { exerciseList } from '@/server/exercises/drafts';
import { classesOf, publicationsFor } from '@/server/exercises/publications';
import { doorsOf } from '@/server/people/classes';
import { troubleAtTheDoor } from '@/server/people/tries';
import { decisionsOf } from '@/server/submissions/decisions';
import { learnersOf, linesOf } from '@/server/submissions/reports';
import { StaffToday, type ClassToday } from '@/ui/today/StaffToday';
import { StudentToday, type ExerciseToday } from '@/ui/today/StudentToday';
import { stateOf } from '@/server/live';
import type { Viewer } from '@/server/permissions';
import { Live } from '@/ui/shell/Live';
import { NextMeetingComing } from '@/ui/today/NextMeetingBlock';
import { requireViewer } from './access';
import * as doorActions from './doors/actions';
import { NextMeeting } from './next-meeting';
import { View } from './shell';

export const metadata: Metadata = { title: 'Today' };

export default async function TodayPage() {
  const viewer = await requireViewer('see-today');
  // Asked first: what comes in meanwhile is looked for again.
  const live = await stateOf(database(), viewer);
  if (viewer.role === 'student')
    return (
      <View viewer={viewer} places={[{ label: viewer.className }]} title={`Good to see you, ${viewer.name}`}>
        <Live first={live} />
        <StudentToday exercises={await studentExercises(viewer)} />
      </View>
    );
  const [classes, exercises, courses] = await Promise.all([
    classesToday(viewer),
    exerciseList(database(), viewer),
    courseList(database(), viewer),
  ]);
  return (
    <View viewer={viewer} places={[{ label: 'Home' }]} title="Today">
      <Live first={live} />
      <StaffToday
        classes={classes}
        exercises={exercises}
        courses={courses}
        doors={doorActions}
        next={
          <Suspense fallback={<NextMeetingComing />}>
            <NextMeeting viewer={viewer} />
          </Suspense>
        }
      />
    </View>
  );
}

async function studentExercises(viewer: Viewer): Promise<readonly ExerciseToday[]> {
  const publications = await publicationsFor(database(), viewer);
  const ids = publications.map(({ id }) => id);
  const [lines, decisions] = await Promise.all([
    linesOf(database(), ids, viewer.id),
    decisionsOf(database(), ids, viewer.id),
  ]);
  return publications.map(({ id, title, aim, introduces, isOpen, isComing, opensAt, dueAt, closesAt }) => ({
    id,
    title,
    aim,
    isOpen,
    opensAt: isComing ? (opensAt?.toISOString() ?? null) : null,
    dueAt: dueAt?.toISOString() ?? null,
    closesAt: closesAt?.toISOString() ?? null,
    introduces,
    attempts: lines
      .filter(({ publicationId }) => publicationId === id)
      .map((line) => ({
        id: line.id,
        attempt: line.attempt,
        verdict: line.verdict,
        outcome: decisions.findLast(({ submissionId }) => submissionId === line.id)?.outcome ?? null,
        handedInAt: line.handedInAt.toISOString(),
      })),
  }));
}

async function classesToday(viewer: Viewer): Promise<readonly ClassToday[]> {
  const [classes, publications] = await Promise.all([
    classesOf(database(), viewer),
    publicationsFor(database(), viewer),
  ]);
  const [lines, doors, troubles] = await Promise.all([
    linesOf(
      database(),
      publications.map(({ id }) => id),
    ),
    doorsOf(database(), viewer.classIds),
    troubleAtTheDoor(database(), viewer.classIds),
  ]);
  return Promise.all(
    classes.map(async ({ id, name, code, keptDays }) => {
      const learners = await learnersOf(database(), id);
      const exercises = publications
        .filter((publication) => publication.classId === id)
        .map((publication) => {
          const own = lines.filter(({ publicationId }) => publicationId === publication.id);
          const latest = latestOf(own);
          return {
            publicationId: publication.id,
            exerciseId: publication.exerciseId,
            title: publication.title,
            isOpen: publication.isOpen,
            opensAt: publication.isComing ? (publication.opensAt?.toISOString() ?? null) : null,
            dueAt: publication.dueAt?.toISOString() ?? null,
            closesAt: publication.closesAt?.toISOString() ?? null,
            tries: own.length,
            counts: countVerdicts(latest),
            handedIn: latest.length,
            waiting: latest.filter(({ verdict }) => verdict === null).length,
            troubles: groupByTrouble(latest)
              .filter((group) => group.codes.length > 0)
              .sort((a, b) => b.items.length - a.items.length)
              .slice(0, 8)
              .map((group) => ({
                title: group.title,
                verdict: group.verdict,
                count: group.items.length,
                names: group.items.map((item) => item.learnerName),
              })),
          };
        });
      const door = doors.get(id);
      return {
        id,
        name,
        code,
        size: learners.length,
        keptDays,
        exercises,
        signedIn: door?.signedIn ?? 0,
        joiningUntil: door?.joiningUntil ?? null,
        troubleAtTheDoor: troubles.filter(({ classId }) => classId === id),
      };
    }),
  );
}
