import type { Metadata } from 'next';
import { bringUpOf } from '@/server/room/bring-up';
import { roomForBoards } from '@/server/people/class-register';
import { database } from '@/server/database/connection';
import { BringUp } from '@/ui/bench/BringUp';
import { Words } from '@/ui/words/Words';
import { publicationAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ publicationId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { publication } = await publicationAskedFor('see-bench', (await params).publicationId);
  return { title: `${publication.exercise.board.short}, getting it ready` };
}

/** Getting a board ready, step by step, before anything is wired. */
export default async function BringUpPage({ params }: Address) {
  const { viewer, publication } = await publicationAskedFor('see-bench', (await params).publicationId);
  const { board, data } = publication.exercise;
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: data.title, href: `/bench/${publication.id}` },
        { label: 'Getting the board ready' },
      ]}
      title="Getting the board ready"
      facts={board.short}
    >
      <Words choice={publication.rules.words}>
        <BringUp
          publicationId={publication.id}
          board={board}
          language={data.language ?? board.language.default}
          room={await roomForBoards(database(), publication.classId)}
          first={await bringUpOf(database(), viewer.id, board.id)}
        />
      </Words>
    </View>
  );
}
