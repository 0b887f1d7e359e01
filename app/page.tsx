import type { Metadata } from 'next';
import { countVerdicts, groupByTrouble, latestOf } from '@/core/plan/review';
import { courseList } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { exerciseList } from '@/server/exercises/drafts';
import { classesOf, publicationsFor } from '@/server/exercises/publications';
import { attemptsOf, learnersOf, submissionsOf } from '@/server/submissions/reports';
import { StaffToday, type ClassToday } from '@/ui/today/StaffToday';
import { StudentToday, type ExerciseToday } from '@/ui/today/StudentToday';
import type { Viewer } from '@/server/permissions';
import { requireViewer } from './access';
import { View } from './shell';

export const metadata: Metadata = { title: 'Today' };

export default async function TodayPage() {
  const viewer = await requireViewer('see-today');
  if (viewer.role === 'student')
    return (
      <View viewer={viewer} places={[{ label: viewer.className }]} title={`Good to see you, ${viewer.name}`}>
        <StudentToday exercises={await studentExercises(viewer)} />
      </View>
    );
  return (
    <View viewer={viewer} places={[{ label: 'Home' }]} title="Today">
      <StaffToday
        classes={await classesToday(viewer)}
        exercises={await exerciseList(database())}
        courses={await courseList(database())}
      />
    </View>
  );
}

async function studentExercises(viewer: Viewer): Promise<readonly ExerciseToday[]> {
  const publications = await publicationsFor(database(), viewer);
  return Promise.all(
    publications.map(async ({ id, exercise, isOpen }) => {
      const attempts = await attemptsOf(database(), id, viewer.id);
      const { title, aim, concepts } = exercise.data;
      return {
        id,
        title,
        aim,
        isOpen,
        introduces: concepts.introduces,
        attempts: attempts.map((attempt) => ({
          id: attempt.id,
          attempt: attempt.attempt,
          verdict: attempt.report.verdict,
          handedInAt: attempt.handedInAt.toISOString(),
        })),
      };
    }),
  );
}

async function classesToday(viewer: Viewer): Promise<readonly ClassToday[]> {
  const [classes, publications] = await Promise.all([
    classesOf(database(), viewer),
    publicationsFor(database(), viewer),
  ]);
  return Promise.all(
    classes.map(async ({ id, name, code }) => {
      const learners = await learnersOf(database(), id);
      const exercises = await Promise.all(
        publications
          .filter((publication) => publication.classId === id)
          .map(async (publication) => {
            const submissions = await submissionsOf(database(), publication.id);
            const latest = latestOf(submissions);
            return {
              publicationId: publication.id,
              exerciseId: publication.exerciseId,
              title: publication.exercise.data.title,
              isOpen: publication.isOpen,
              tries: submissions.length,
              counts: countVerdicts(latest),
              handedIn: latest.length,
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
          }),
      );
      return { id, name, code, size: learners.length, exercises };
    }),
  );
}
