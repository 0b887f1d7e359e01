import type { Metadata } from 'next';
import { courseOverview } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { CourseShelf } from '@/ui/course/CourseShelf';
import { requireViewer } from '../access';
import { View } from '../shell';
import * as actions from './actions';

export const metadata: Metadata = { title: 'Courses' };

export default async function CoursesPage() {
  const viewer = await requireViewer('see-course');
  return (
    <View viewer={viewer} places={[{ label: 'Today', href: '/' }, { label: 'Courses' }]} title="Courses">
      <CourseShelf
        courses={await courseOverview(database(), viewer)}
        mayMake={can(viewer.role, 'edit-course')}
        actions={actions}
      />
    </View>
  );
}
