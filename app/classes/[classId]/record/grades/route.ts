import * as z from 'zod';
import { recordCells } from '@/core/plan/class-record';
import { gradeBook, gradeColumns } from '@/core/plan/grade-book';
import { database } from '@/server/database/connection';
import { can, roleOf } from '@/server/permissions';
import { classTries } from '@/server/submissions/class-record';
import { currentViewer } from '../../../../access';

const columnsSchema = z
  .string()
  .transform((text) => text.split(','))
  .pipe(z.array(z.enum(gradeColumns)).min(1).max(gradeColumns.length))
  .catch(['marks', 'of']);

/** The grade book of a class as CSV, with the columns asked for. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ classId: string }> },
): Promise<Response> {
  const viewer = await currentViewer();
  const record =
    viewer && can(roleOf(viewer), 'see-record')
      ? await classTries(database(), viewer, (await params).classId)
      : undefined;
  if (!record) return new Response(null, { status: 404 });
  const columns = columnsSchema.parse(new URL(request.url).searchParams.get('columns') ?? '');
  // What nobody has begun is no column of a grade book.
  const begun = record.exercises.filter(({ id }) => record.tries.some((one) => one.exerciseId === id));
  const text = gradeBook(record.learners, begun, recordCells(record.tries), columns);
  return new Response(`\uFEFF${text}`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="grade-book.csv"',
      'cache-control': 'no-store',
    },
  });
}
