import type { Metadata } from 'next';
import type { KeptClass } from '@/core/messages/class-change';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { keptClasses } from '@/server/people/class-register';
import { colleaguesOf } from '@/server/people/colleagues';
import { ClassList } from '@/ui/people/ClassList';
import { requireViewer } from '../access';
import { View } from '../shell';
import * as actions from './actions';

export const metadata: Metadata = { title: 'Classes and people' };

export default async function ClassesPage() {
  const viewer = await requireViewer('see-classes');
  const [classes, colleagues] = await Promise.all([
    keptClasses(database(), viewer),
    can(viewer.role, 'keep-colleagues') ? colleaguesOf(database()) : undefined,
  ]);
  const now = new Date();
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Classes' }]}
      title="Classes and people"
    >
      <ClassList
        classes={classes.map((kept) => ({
          ...kept,
          nextMeeting: nextMeeting(kept, now),
          staff: kept.staff.map(({ name }) => name),
        }))}
        colleagues={colleagues}
        viewerId={viewer.id}
        mayKeep={can(viewer.role, 'keep-class')}
        actions={actions}
      />
    </View>
  );
}

const nextMeeting = ({ meetings }: KeptClass, now: Date): string | null =>
  meetings.find(({ endsAt }) => new Date(endsAt) > now)?.startsAt ?? null;
