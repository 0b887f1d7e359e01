import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { houseQuestionIds, questionOf } from '@/core/course/house-rules';
import { findCourse } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { draftsOf } from '@/server/exercises/drafts';
import { can } from '@/server/permissions';
import { mayWith } from '@/server/sharing';
import { HouseRulesPage } from '@/ui/course/HouseRulesPage';
import { requireViewer } from '../../../access';
import { View } from '../../../shell';
import { setRule } from './actions';

export const metadata: Metadata = { title: 'House rules' };

export default async function RulesPage({ params }: { readonly params: Promise<{ courseId: string }> }) {
  const viewer = await requireViewer('see-course');
  const { courseId } = await params;
  const may = await mayWith(database(), 'course', viewer, courseId);
  const course = may && (await findCourse(database(), courseId));
  if (!course) notFound();
  const drafts = await draftsOf(database(), course.id);
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: course.title, href: `/courses/${course.id}` },
        { label: 'House rules' },
      ]}
      title="House rules"
      facts={course.title}
    >
      <HouseRulesPage
        courseId={course.id}
        rules={course.rules}
        ownRules={course.ownRules}
        exceptions={Object.fromEntries(
          houseQuestionIds.map((id) => [
            id,
            drafts
              .filter(({ sheet }) => id in sheet.rules)
              .map(({ id: exerciseId, sheet }) => ({
                exerciseId,
                title: sheet.title,
                school:
                  questionOf(id).schools.find((school) => school.id === sheet.rules[id])?.title ??
                  'otherwise',
              })),
          ]),
        )}
        mayEdit={can(viewer.role, 'edit-course') && may !== 'look'}
        setRule={setRule}
      />
    </View>
  );
}
