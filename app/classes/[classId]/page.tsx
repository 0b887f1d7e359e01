import type { Metadata } from 'next';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { keptClasses } from '@/server/people/class-register';
import { teachingNow } from '@/server/people/colleagues';
import { rosterFor } from '@/server/people/roster';
import { Button } from '@/ui/design/Button';
import { ClassPage as ClassView } from '@/ui/people/ClassPage';
import { Link } from '@/ui/shell/Link';
import { classAskedFor } from '../../asked-for';
import { newSlip } from '../../doors/actions';
import { ownAddress } from '../../own-address';
import { View } from '../../shell';
import * as actions from './actions';

interface Address {
  readonly params: Promise<{ classId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { details } = await classAskedFor('see-classes', (await params).classId);
  return { title: `${details.name}, class` };
}

export default async function ClassPage({ params }: Address) {
  const { viewer, details } = await classAskedFor('see-classes', (await params).classId);
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
      actions={
        <>
          {can(viewer.role, 'review-class') && (
            <Button asChild look="quiet">
              <Link href={`/classes/${details.id}/hand-ins`}>Bring in hand-ins</Link>
            </Button>
          )}
          <Button asChild>
            <Link href={`/classes/${details.id}/record`}>Record</Link>
          </Button>
          <Button asChild>
            <Link href={`/classes/${details.id}/room`}>Room</Link>
          </Button>
        </>
      }
    >
      <ClassView
        key={details.id}
        details={details}
        learners={learners}
        others={classes.filter(({ id, state }) => id !== details.id && state !== 'archived')}
        teaching={teaching}
        mayKeep={can(viewer.role, 'keep-class')}
        address={await ownAddress()}
        actions={{ ...actions, newSlip }}
      />
    </View>
  );
}
