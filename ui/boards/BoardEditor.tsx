'use client';

import { useState, useTransition } from 'react';
import type { BoardProfile } from '@/core/boards';
import { Button } from '../design/Button';

interface BoardEditorProps {
  readonly profile: BoardProfile;
  readonly isOwn: boolean;
  /** Keeps the profile; what contradicts itself, with its place, when it cannot be. */
  readonly onKeep: (text: string) => Promise<readonly string[]>;
  readonly onRemove: () => Promise<void>;
  readonly onClose: () => void;
}

/** A board's profile as text: a copy of a shipped one, or one's own; checked as a whole when it is kept. */
export function BoardEditor({ profile, isOwn, onKeep, onRemove, onClose }: BoardEditorProps) {
  const [text, setText] = useState(() =>
    JSON.stringify(
      isOwn
        ? profile
        : { ...profile, id: `my-${profile.id}`, title: `my ${profile.title}`, short: `my ${profile.short}` },
      null,
      2,
    ),
  );
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [isPending, begin] = useTransition();
  return (
    <form
      className="px-6 py-5"
      onSubmit={(event) => {
        event.preventDefault();
        begin(async () => setProblems(await onKeep(text)));
      }}
    >
      <h2 className="text-title">{isOwn ? profile.short : `A copy of the ${profile.short}`}</h2>
      <p className="mt-1 max-w-prose text-soft">
        Give it an id of its own. Pins, sockets, limits and LEDs are checked against each other when you save
        it. Exercises that use it take it along.
      </p>
      {problems.length > 0 && (
        <ul role="alert" className="mt-3 border-l-4 border-fault bg-fault-wash p-3">
          {problems.map((problem) => (
            <li key={problem} className="font-semibold">
              {problem}
            </li>
          ))}
        </ul>
      )}
      <textarea
        aria-label="Board profile"
        value={text}
        onChange={(event) => setText(event.target.value)}
        spellCheck={false}
        className="mono mt-3 h-[52vh] w-full border border-rule-strong bg-card p-3 text-note"
      />
      <div className="mt-3 flex gap-2">
        <Button type="submit" look="main" disabled={isPending}>
          Keep it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        {isOwn && (
          <Button look="quiet" className="ml-auto" onClick={() => void onRemove()}>
            Take it away
          </Button>
        )}
      </div>
    </form>
  );
}
