import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { rulesWith } from '@/core/course/house-rules';
import { exerciseFrom } from '@/core/formats/exercise';
import { givenProgram } from '@/core/generated/given';
import { taskOf } from '@/core/generated/task';
import { database } from '@/server/database/connection';
import { findDraft } from '@/server/exercises/drafts';
import { studentForm } from '@/server/exercises/student-form';
import { courseOfExercise, mayWith } from '@/server/sharing';
import { Bench } from '@/ui/bench/Bench';
import { Words } from '@/ui/words/Words';
import { requireViewer } from '../../../access';
import { View } from '../../../shell';

export const metadata: Metadata = { title: 'Preview' };

/** The draft at a learner's bench, without a learner: nothing of it is kept on the server or handed in. */
export default async function PreviewPage({ params }: { readonly params: Promise<{ exerciseId: string }> }) {
  const viewer = await requireViewer('see-worksheet');
  const { exerciseId } = await params;
  const courseId = await courseOfExercise(database(), exerciseId);
  const may = courseId === undefined ? undefined : await mayWith(database(), 'course', viewer, courseId);
  const draft = may && (await findDraft(database(), exerciseId));
  if (!draft) notFound();
  const places = [
    { label: 'Today', href: '/' },
    { label: draft.courseTitle, href: `/courses/${draft.courseId}` },
    { label: 'Worksheet', href: `/exercises/${draft.id}` },
    { label: 'Preview' },
  ];
  const exercise = exerciseFrom(draft.sheet);
  const own = rulesWith(draft.courseRules, draft.sheet.rules);
  const problem = exercise.ok ? (own.ok ? undefined : own.problems[0]) : exercise.problems[0];
  if (!exercise.ok || !own.ok)
    return (
      <View viewer={viewer} places={places} title={draft.sheet.title} facts="nothing to show yet">
        <p className="px-6 py-4 text-lead">
          A learner could not open it as it is: {problem?.message ?? 'it cannot be read'}.
        </p>
      </View>
    );
  const rules = own.value;
  return (
    <View
      viewer={viewer}
      places={places}
      title={draft.sheet.title}
      facts="as a learner sees it; nothing is kept or handed in"
    >
      <Words choice={rules.words}>
        <Bench
          learnerId={`preview by ${viewer.id}`}
          publicationId={draft.id}
          earlier={[]}
          kept={undefined}
          exercise={studentForm(exercise.value, rules.solution)}
          preview={exercise.value.data}
          task={taskOf(exercise.value, rules, false)}
          given={givenProgram(exercise.value, rules)}
          way={rules.screenOrBench}
          checkedBy="tablet"
        />
      </Words>
    </View>
  );
}
