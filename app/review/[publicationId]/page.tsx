import type { Metadata } from 'next';
import { countVerdicts, latestOf } from '@/core/plan/review';
import { database } from '@/server/database/connection';
import { acceptedCircuits, decisionsOf, knownRemarks } from '@/server/submissions/decisions';
import { recheckOf } from '@/server/submissions/recheck';
import { learnersOf, linesOf } from '@/server/submissions/reports';
import { VerdictBar } from '@/ui/design/Verdict';
import { ReviewDesk } from '@/ui/review/ReviewDesk';
import { publicationAskedFor } from '../../asked-for';
import { View } from '../../shell';
import { stateOf } from '@/server/live';
import { Live } from '@/ui/shell/Live';
import { Words } from '@/ui/words/Words';
import * as actions from './actions';

interface Address {
  readonly params: Promise<{ publicationId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { publication } = await publicationAskedFor('review-class', (await params).publicationId);
  return { title: `${publication.exercise.data.title}, ${publication.className}` };
}

export default async function ReviewPage({ params }: Address) {
  const { viewer, publication } = await publicationAskedFor('review-class', (await params).publicationId);
  // Asked first: what comes in meanwhile is looked for again.
  const live = await stateOf(database(), viewer);
  const [submissions, learners, decisions, accepted, remarks, recheck] = await Promise.all([
    linesOf(database(), [publication.id]),
    learnersOf(database(), publication.classId),
    decisionsOf(database(), [publication.id]),
    acceptedCircuits(database(), publication.exerciseId),
    knownRemarks(database()),
    recheckOf(database(), publication.id),
  ]);
  const latest = latestOf(submissions);
  const counts = countVerdicts(latest);
  const working = (counts['as-drawn'] ?? 0) + (counts['works-differently'] ?? 0);
  const { data } = publication.exercise;
  const without = learners
    .filter((learner) => !submissions.some((submission) => submission.learnerId === learner.id))
    .map((learner) => learner.name);
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: publication.className }, { label: 'Review desk' }]}
      title={data.title}
      facts={`${learners.length} learners, ${submissions.length} hand-ins`}
      actions={
        <div className="flex items-center gap-3">
          <span className="w-56">
            <VerdictBar counts={counts} total={learners.length} />
          </span>
          <span className="font-semibold">
            {working} of {learners.length} work
          </span>
        </div>
      }
    >
      <Live first={live} />
      <Words choice={publication.rules.words}>
        <ReviewDesk
          publicationId={publication.id}
          classId={publication.classId}
          submissions={submissions.map(({ handedInAt, ...line }) => ({
            ...line,
            handedInAt: handedInAt.toISOString(),
          }))}
          decisions={decisions}
          accepted={Object.fromEntries(accepted)}
          knownRemarks={remarks}
          recheck={recheck}
          referenceLayout={data.layout ?? ''}
          referenceProgram={data.program}
          without={without}
          actions={actions}
        />
      </Words>
    </View>
  );
}
