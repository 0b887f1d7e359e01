import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { rulesWith } from '@/core/course/house-rules';
import { exerciseFrom } from '@/core/formats/exercise';
import { buildSteps } from '@/core/plan/build-steps';
import { writeTable } from '@/core/wiring/table';
import { Projection } from '@/ui/rehearsal/Projection';
import { PageAnswers } from '@/ui/shell/PageAnswers';
import { Words } from '@/ui/words/Words';
import { draftAskedFor } from '../../../asked-for';

interface Address {
  readonly params: Promise<{ exerciseId: string }>;
}

export const metadata: Metadata = { title: 'Wall' };

/** The projected form of an exercise; it has no bar. */
export default async function ExerciseWallPage({ params }: Address) {
  const { draft } = await draftAskedFor((await params).exerciseId);
  const exercise = exerciseFrom(draft.sheet);
  if (!exercise.ok) notFound();
  const { data, reference } = exercise.value;
  const own = rulesWith(draft.courseRules, draft.sheet.rules);
  const rules = own.ok ? own.value : draft.courseRules;
  return (
    <Words choice={rules.words}>
      <Projection
        title={data.title}
        aim={data.aim}
        performer={{
          title: data.title,
          wiring: writeTable(reference),
          program: data.program,
          exercise: data,
        }}
        scenarios={data.scenarios}
        steps={buildSteps(reference, rules.wiringOrder)}
      />
      <PageAnswers />
    </Words>
  );
}
