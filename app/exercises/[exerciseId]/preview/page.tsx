import type { Metadata } from 'next';
import { rulesWith } from '@/core/course/house-rules';
import { exerciseFrom } from '@/core/formats/exercise';
import { givenProgram } from '@/core/generated/given';
import { taskOf } from '@/core/generated/task';
import { studentForm } from '@/server/exercises/student-form';
import { Bench } from '@/ui/bench/Bench';
import { Words } from '@/ui/words/Words';
import { draftAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ exerciseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { draft } = await draftAskedFor((await params).exerciseId);
  return { title: `${draft.sheet.title}, preview` };
}

/** The draft at a learner's bench, without a learner: nothing of it is kept on the server or handed in. */
export default async function PreviewPage({ params }: Address) {
  const { viewer, draft } = await draftAskedFor((await params).exerciseId);
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
          remarks={[]}
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
