import type { Metadata } from 'next';
import { knownBoards } from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { can } from '@/server/permissions';
import { sharingOf } from '@/server/sharing';
import { BoardsPage } from '@/ui/boards/BoardsPage';
import { requireViewer } from '../access';
import { View } from '../shell';
import { keepBoard, removeBoard, shareBoard } from './actions';

export const metadata: Metadata = { title: 'Boards and parts' };

export default async function Page() {
  const viewer = await requireViewer('see-boards');
  const boards = await knownBoards(database(), viewer);
  const sharings = await Promise.all(
    boards.map(async ({ made }) => made && (await sharingOf(database(), 'board', viewer, made.id))),
  );
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Boards and parts' }]}
      title="Boards and parts"
    >
      <BoardsPage
        boards={boards.map((board, index) => ({ ...board, sharing: sharings[index] }))}
        mayEdit={can(viewer.role, 'edit-boards')}
        keepBoard={keepBoard}
        removeBoard={removeBoard}
        shareBoard={shareBoard}
      />
    </View>
  );
}
