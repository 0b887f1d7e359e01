import type { Metadata } from 'next';
import { writeTable } from '@/core/wiring/table';
import { studentForm } from '@/server/exercises/student-form';
import { can } from '@/server/permissions';
import { Button } from '@/ui/design/Button';
import { Rehearsal } from '@/ui/rehearsal/Rehearsal';
import { Link } from '@/ui/shell/Link';
import { Words } from '@/ui/words/Words';
import { reportAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ submissionId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { submission, publication } = await reportAskedFor((await params).submissionId);
  return { title: `${publication.exercise.data.title}, ${submission.learnerName}, rehearsal` };
}

/** A hand-in seen running: beside the reference for who reviews it, alone for who made it. */
export default async function ReportRunPage({ params }: Address) {
  const { viewer, submission, publication } = await reportAskedFor((await params).submissionId);
  const isStaff = can(viewer.role, 'review-class');
  const { exercise, rules } = publication;
  const data = isStaff ? exercise.data : studentForm(exercise, rules.solution);
  const { wiring, program, learnerName } = submission;
  const built = {
    title: isStaff ? `What ${learnerName} built` : 'What you built',
    wiring,
    program,
    exercise: data,
    fault: isStaff ? submission.report?.findings.find(({ cause }) => cause) : undefined,
  };
  const reference = {
    title: 'The exercise',
    wiring: writeTable(exercise.reference),
    program: exercise.data.program,
    exercise: data,
  };
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        isStaff
          ? { label: `Review desk, ${publication.className}`, href: `/review/${publication.id}` }
          : { label: exercise.data.title, href: `/bench/${publication.id}` },
        { label: 'Report', href: `/reports/${submission.id}` },
        { label: 'Rehearsal' },
      ]}
      title={`${exercise.data.title}, ${learnerName}`}
      facts={`try ${submission.attempt}`}
      actions={
        <Button asChild>
          <Link href={`/reports/${submission.id}`}>Report</Link>
        </Button>
      }
    >
      <Words choice={rules.words}>
        <Rehearsal performers={isStaff ? [reference, built] : [built]} scenarios={data.scenarios} />
      </Words>
    </View>
  );
}
