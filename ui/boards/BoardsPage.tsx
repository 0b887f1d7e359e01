'use client';

import { Tabs } from 'radix-ui';
import { useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import type { SharingChange, SharingState } from '@/core/course/sharing';
import { BoardEditor } from './BoardEditor';
import { BoardTour } from './BoardTour';
import { Sharing } from '../sharing/Sharing';
import { PartCards } from './PartCards';

interface ShownBoard {
  readonly profile: BoardProfile;
  /** Whether a user made it. */
  readonly isOwn: boolean;
  readonly made?: { readonly id: string; readonly may: 'own' | 'edit' | 'look' };
  /** How it is shared, for its owner. */
  readonly sharing?: SharingState | undefined;
}

interface BoardsPageProps {
  readonly boards: readonly ShownBoard[];
  readonly mayEdit: boolean;
  readonly keepBoard: (
    text: string,
  ) => Promise<{ readonly id: string } | { readonly problems: readonly string[] }>;
  readonly removeBoard: (id: string) => Promise<void>;
  readonly shareBoard: (id: string, change: SharingChange) => Promise<string | undefined>;
}

/** Every board as a tour, and every part with how to know its legs. */
export function BoardsPage({ boards, mayEdit, keepBoard, removeBoard, shareBoard }: BoardsPageProps) {
  const [id, setId] = useState(boards[0]!.profile.id);
  const [isEditing, setEditing] = useState(false);
  const known = boards.find(({ profile }) => profile.id === id) ?? boards[0]!;
  const tab =
    'min-h-11 border-b-4 border-transparent px-1 font-semibold data-[state=active]:border-ink text-soft data-[state=active]:text-ink';
  return (
    <Tabs.Root defaultValue="boards">
      <Tabs.List aria-label="What to look at" className="flex gap-6 border-b border-rule px-6">
        <Tabs.Trigger value="boards" className={tab}>
          Boards
        </Tabs.Trigger>
        <Tabs.Trigger value="parts" className={tab}>
          Parts
        </Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="boards" className="grid grid-cols-1 lg:grid-cols-[15rem_minmax(0,1fr)]">
        <nav aria-label="Boards" className="border-ink pb-6 lg:border-r">
          <ul>
            {boards.map(({ profile, isOwn, made }) => (
              <li key={profile.id} className="border-b border-rule">
                <button
                  type="button"
                  aria-current={profile.id === known.profile.id}
                  onClick={() => {
                    setId(profile.id);
                    setEditing(false);
                  }}
                  className="block w-full px-6 py-3 text-left hover:bg-card aria-[current=true]:bg-card aria-[current=true]:font-semibold aria-[current=true]:shadow-[inset_4px_0_0_var(--ink)]"
                >
                  {profile.short}
                  <span className="block text-note font-normal text-soft">
                    {profile.pins.length} pins, {profile.logicVolts} V
                    {isOwn && (made?.may === 'own' ? ', your own' : ', made here')}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </nav>
        {isEditing ? (
          <BoardEditor
            key={known.profile.id}
            profile={known.profile}
            isOwn={known.made !== undefined && known.made.may !== 'look'}
            onKeep={async (text) => {
              const kept = await keepBoard(text);
              if ('problems' in kept) return kept.problems;
              setId(kept.id);
              setEditing(false);
              return [];
            }}
            onRemove={async () => {
              await removeBoard(known.profile.id);
              setId(boards[0]!.profile.id);
              setEditing(false);
            }}
            onClose={() => setEditing(false)}
          />
        ) : (
          <div>
            <BoardTour
              profile={known.profile}
              isOwn={known.isOwn}
              onEdit={mayEdit ? () => setEditing(true) : undefined}
            />
            {known.made && known.sharing && (
              <div className="max-w-xl px-6 pb-8">
                <Sharing
                  what="this board"
                  sharing={known.sharing}
                  onChange={(change) => shareBoard(known.made!.id, change)}
                />
              </div>
            )}
          </div>
        )}
      </Tabs.Content>
      <Tabs.Content value="parts">
        <PartCards />
      </Tabs.Content>
    </Tabs.Root>
  );
}
