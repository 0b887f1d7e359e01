import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { forTheWall } from '@/core/messages/room';
import { database } from '@/server/database/connection';
import { roomOf } from '@/server/room/board';
import { Button } from '@/ui/design/Button';
import { RoomBoard } from '@/ui/room/RoomBoard';
import { classAskedFor } from '../../../asked-for';
import { View } from '../../../shell';
import { answerCall } from './actions';

interface Address {
  readonly params: Promise<{ classId: string }>;
  readonly searchParams: Promise<{ readonly names?: unknown }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { details } = await classAskedFor('see-room', (await params).classId);
  return { title: `${details.name}, room` };
}

export default async function RoomPage({ params, searchParams }: Address) {
  const { viewer, details } = await classAskedFor('see-room', (await params).classId);
  const benches = await roomOf(database(), viewer, details.id);
  if (!benches) notFound();
  const isForWall = (await searchParams).names === 'no';
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: details.name, href: `/classes/${details.id}` },
        { label: 'Room' },
      ]}
      title={isForWall ? details.name : `Room, ${details.name}`}
      actions={
        <Button asChild>
          {/* Loaded anew, so that nothing of the page with the names is left in the one on the wall. */}
          <a href={isForWall ? `/classes/${details.id}/room` : `/classes/${details.id}/room?names=no`}>
            {isForWall ? 'With names' : 'For the wall'}
          </a>
        </Button>
      }
    >
      <RoomBoard
        classId={details.id}
        benches={isForWall ? forTheWall(benches) : benches}
        isForWall={isForWall}
        viewerName={viewer.name}
        answerCall={answerCall}
      />
    </View>
  );
}
