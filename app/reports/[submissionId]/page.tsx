import type { Metadata } from 'next';
import { asksForProgram } from '@/core/formats/exercise';
import { marksAfter } from '@/core/plan/review-marks';
import { howMany } from '@/core/words/words';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { acceptedCircuits, decisionsOn } from '@/server/submissions/decisions';
import { Button } from '@/ui/design/Button';
import { Clock } from '@/ui/design/Clock';
import { BeingJudged } from '@/ui/report/BeingJudged';
import { FromInstructor } from '@/ui/report/FromInstructor';
import { ReportView } from '@/ui/report/ReportView';
import { Link } from '@/ui/shell/Link';
import { reportAskedFor } from '../../asked-for';
import { View } from '../../shell';
import { Words } from '@/ui/words/Words';

interface Address {
  readonly params: Promise<{ submissionId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { submission, publication } = await reportAskedFor((await params).submissionId);
  return { title: `${publication.exercise.data.title}, ${submission.learnerName}` };
}

export default async function ReportPage({ params }: Address) {
  const { viewer, submission, publication } = await reportAskedFor((await params).submissionId);
  const isStaff = can(viewer.role, 'review-class');
  const [decisions, accepted] = await Promise.all([
    decisionsOn(database(), submission.id),
    acceptedCircuits(database(), publication.exerciseId),
  ]);
  const isAccepted =
    submission.verdict === 'works-differently' && submission.shape !== null && accepted.has(submission.shape);
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        isStaff
          ? { label: `Review desk, ${publication.className}`, href: `/review/${publication.id}` }
          : { label: publication.exercise.data.title, href: `/bench/${publication.id}` },
        { label: 'Report' },
      ]}
      title={`${publication.exercise.data.title}, ${submission.learnerName}`}
      facts={
        <>
          try {submission.attempt} · <Clock at={submission.handedInAt.toISOString()} />
          {submission.late > 0 && ` · ${howMany(submission.late, 'day')} late`}
          {submission.hintsTaken > 0 && ` · ${submission.hintsTaken} hints taken`}
        </>
      }
      actions={
        <>
          <Button asChild>
            <Link href={`/reports/${submission.id}/run`}>See it run</Link>
          </Button>
          <Button asChild>
            <Link href={isStaff ? `/review/${publication.id}` : `/bench/${publication.id}`}>
              {isStaff ? 'Review desk' : 'Back to the bench'}
            </Link>
          </Button>
        </>
      }
    >
      <FromInstructor decisions={decisions} />
      {submission.report ? (
        <Words choice={publication.rules.words}>
          <ReportView
            report={submission.report}
            wiring={submission.wiring}
            program={submission.program}
            asksForProgram={asksForProgram(publication.exercise)}
            marks={marksAfter(submission.marks, decisions, isAccepted, submission.deductions)}
          />
        </Words>
      ) : (
        <BeingJudged submissionId={submission.id} first={submission.waiting} />
      )}
    </View>
  );
}
