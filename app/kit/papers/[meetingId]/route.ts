import { notFound } from 'next/navigation';
import { slugOf } from '@/core/course/names';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { findMeeting } from '@/server/lessons/meetings';
import { kitPapers } from '@/server/lessons/kit-papers';
import { requireViewer } from '../../../access';
import { pdfFile } from '../../../files';

export const dynamic = 'force-dynamic';

/** The pick list of a meeting, and a label for each bag. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ meetingId: string }> },
): Promise<Response> {
  const viewer = await requireViewer('see-kit');
  const meeting = await findMeeting(database(), viewer, (await params).meetingId);
  if (!meeting) notFound();
  const pdf = await kitPapers(database(), guarded(), meeting, new Date());
  return pdfFile(`${slugOf(meeting.className)}-kit.pdf`, pdf);
}
