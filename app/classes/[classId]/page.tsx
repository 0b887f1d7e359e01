import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { keptClass, keptClasses } from '@/server/people/class-register';
import { teachingNow } from '@/server/people/colleagues';
import { rosterFor } from '@/server/people/roster';
import { ClassPage as ClassView } from '@/ui/people/ClassPage';
import { requireViewer } from '../../access';
import { ownAddress } from '../../own-address';
import { View } from '../../shell';
import * as actions from './actions';

interface Address {
  readonly params: Promise<{ classId: string }>;
}

const classAskedFor = cache(async (classId: string) => {
  const viewer = await requireViewer('see-classes');
  const details = await keptClass(database(), viewer, classId);
  if (!details) notFound();
  return { viewer, details };
});

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { details } = await classAskedFor((await params).classId);
  return { title: `${details.name}, class` };
}

export default async function ClassPage({ params }: Address) {
  const { viewer, details } = await classAskedFor((await params).classId);
  const [learners, classes, teaching] = await Promise.all([
    rosterFor(database(), viewer, details.id),
    keptClasses(database(), viewer),
    teachingNow(database()),
  ]);
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Classes', href: '/classes' }, { label: 'Class' }]}
      title={details.name}
      facts={details.term}
    >
      <ClassView
        key={details.id}
        details={details}
        learners={learners}
        others={classes.filter(({ id, state }) => id !== details.id && state !== 'archived')}
        teaching={teaching}
        mayKeep={can(viewer.role, 'keep-class')}
        address={await ownAddress()}
        actions={actions}
      />
    </View>
  );
}
