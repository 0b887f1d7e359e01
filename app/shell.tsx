import { format } from 'date-fns';
import { comingMeetings } from '@/server/lessons/meetings';
import { courseList } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { exerciseList } from '@/server/exercises/drafts';
import { classesOf, publicationsFor } from '@/server/exercises/publications';
import { can, roleOf, type Viewer } from '@/server/permissions';
import type { Place } from '@/ui/shell/Bar';
import type { Destination } from '@/ui/shell/Palette';
import { Shell } from '@/ui/shell/Shell';
import { signOut } from './sign-in/actions';

interface ViewProps {
  readonly viewer: Viewer;
  readonly places: readonly Place[];
  readonly title: string;
  readonly facts?: React.ReactNode;
  readonly actions?: React.ReactNode;
  readonly children: React.ReactNode;
}

/** The shell around a view, with everything this viewer can go to. */
export async function View({ viewer, ...rest }: ViewProps) {
  return (
    <Shell
      {...rest}
      viewerName={viewer.name}
      learnerId={viewer.role === 'student' ? viewer.id : undefined}
      destinations={await destinationsFor(viewer)}
      signOut={signOut}
    />
  );
}

async function destinationsFor(viewer: Viewer): Promise<readonly Destination[]> {
  const role = roleOf(viewer);
  const publications = await publicationsFor(database(), viewer);
  const destinations: Destination[] = [{ label: 'Today', href: '/', group: 'Home' }];
  for (const { id, title, className, isComing } of publications) {
    if (can(role, 'see-bench') && !isComing)
      destinations.push({ label: title, href: `/bench/${id}`, group: 'Bench' });
    if (can(role, 'review-class'))
      destinations.push({
        label: `${title}, ${className}`,
        href: `/review/${id}`,
        group: 'Review desk',
      });
  }
  if (can(role, 'see-course')) destinations.push({ label: 'Courses', href: '/courses', group: 'Course' });
  if (can(role, 'see-course'))
    for (const { id, title } of await courseList(database(), viewer))
      destinations.push(
        { label: title, href: `/courses/${id}`, group: 'Course' },
        { label: `House rules, ${title}`, href: `/courses/${id}/rules`, group: 'Course' },
      );
  if (can(role, 'see-classes')) {
    destinations.push({ label: 'Classes and people', href: '/classes', group: 'Classes' });
    for (const { id, name } of await classesOf(database(), viewer))
      destinations.push(
        { label: name, href: `/classes/${id}`, group: 'Classes' },
        { label: `Room, ${name}`, href: `/classes/${id}/room`, group: 'Classes' },
        { label: `Record, ${name}`, href: `/classes/${id}/record`, group: 'Classes' },
      );
  }
  if (can(role, 'see-kit')) destinations.push({ label: 'Kit store', href: '/kit', group: 'Tools' });
  if (can(role, 'see-run-sheet'))
    for (const { id, classId, className, startsAt } of await comingMeetings(
      database(),
      viewer.classIds,
      new Date(),
      6,
    ))
      destinations.push({
        label: `Run sheet, ${className}, ${format(startsAt, 'd MMM')}`,
        href: `/classes/${classId}/meetings/${id}`,
        group: 'Classes',
      });
  if (can(role, 'keep-own-account'))
    destinations.push({ label: 'Your account', href: '/account', group: 'Classes' });
  if (can(role, 'see-trail'))
    destinations.push({ label: 'Who did what: the trail', href: '/trail', group: 'Classes' });
  if (can(role, 'see-values')) destinations.push({ label: 'Value bench', href: '/values', group: 'Tools' });
  if (can(role, 'see-boards'))
    destinations.push({ label: 'Boards and parts', href: '/boards', group: 'Tools' });
  if (can(role, 'see-worksheet'))
    for (const { id, title } of await exerciseList(database(), viewer))
      destinations.push({ label: title, href: `/exercises/${id}`, group: 'Worksheet' });
  return destinations;
}
