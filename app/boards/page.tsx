import type { Metadata } from 'next';
import { knownBoards } from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { BoardsPage } from '@/ui/boards/BoardsPage';
import { requireViewer } from '../access';
import { View } from '../shell';
import { keepBoard, removeBoard } from './actions';

export const metadata: Metadata = { title: 'Boards and parts' };

export default async function Page() {
  const viewer = await requireViewer('see-boards');
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Boards and parts' }]}
      title="Boards and parts"
    >
      <BoardsPage
        boards={await knownBoards(database())}
        mayEdit={can(viewer.role, 'edit-boards')}
        keepBoard={keepBoard}
        removeBoard={removeBoard}
      />
    </View>
  );
}
