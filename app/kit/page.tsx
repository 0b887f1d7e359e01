import type { Metadata } from 'next';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { boardNames, bookings, kitLines } from '@/server/lessons/kit-store';
import { outlook } from '@/server/lessons/planning';
import { can, sameClass } from '@/server/permissions';
import { KitStore } from '@/ui/kit/KitStore';
import { requireViewer } from '../access';
import { View } from '../shell';
import * as actions from './actions';
import { storeMeetings, toBuyLines } from './store-view';

export const metadata: Metadata = { title: 'Kit store' };

interface Address {
  readonly searchParams: Promise<{ readonly meeting?: unknown }>;
}

export default async function KitPage({ searchParams }: Address) {
  const viewer = await requireViewer('see-kit');
  const [lines, history, boards, planned] = await Promise.all([
    kitLines(database()),
    bookings(database()),
    boardNames(database()),
    outlook(database(), guarded(), new Date()),
  ]);
  const { meeting } = await searchParams;
  const meetings = storeMeetings(planned, lines, boards).filter(({ classId }) => sameClass(viewer, classId));
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Kit store' }]}
      title="Kit store"
      facts="shared by all who teach here"
    >
      <KitStore
        lines={lines}
        meetings={meetings}
        toBuy={toBuyLines(planned, lines, boards)}
        history={history}
        mayKeep={can(viewer.role, 'keep-kit')}
        firstMeeting={typeof meeting === 'string' ? meeting : undefined}
        actions={actions}
      />
    </View>
  );
}
