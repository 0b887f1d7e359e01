import type { Metadata } from 'next';
import { Wall } from '@/ui/run-sheet/Wall';
import { PageAnswers } from '@/ui/shell/PageAnswers';
import { meetingAskedFor, planned } from '../meeting-view';

interface Address {
  readonly params: Promise<{ classId: string; meetingId: string }>;
}

export const metadata: Metadata = { title: 'Wall' };

/** The projected form of a meeting; it has neither names nor bar. */
export default async function WallPage({ params }: Address) {
  const { classId, meetingId } = await params;
  const { meeting, sheet, run, drawings } = await planned(
    await meetingAskedFor('run-meeting', classId, meetingId),
  );
  return (
    <>
      <Wall meeting={{ ...meeting, benches: [], values: {} }} sheet={sheet} run={run} drawings={drawings} />
      <PageAnswers />
    </>
  );
}
