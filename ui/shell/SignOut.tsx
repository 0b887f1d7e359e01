'use client';

import { LogOut } from 'lucide-react';
import { useTransition } from 'react';
import { forgetPages } from '../connection/offline';
import { handOverDrafts } from '../bench/storage';

interface SignOutProps {
  readonly viewerName: string;
  /** The learner whose drafts are on this tablet; staff have none. */
  readonly learnerId: string | undefined;
  readonly signOut: () => Promise<void>;
}

/** Signs out; a learner's drafts go along to the server, for the tablet is somebody else's next. */
export function SignOut({ viewerName, learnerId, signOut }: SignOutProps) {
  const [isLeaving, start] = useTransition();
  const leave = (): void =>
    start(async () => {
      const isClean = learnerId === undefined || (await handOverDrafts(learnerId).catch(() => false));
      if (
        !isClean &&
        !window.confirm(
          `${viewerName}, the server can’t be reached. What you haven’t handed in stays on this tablet. Sign out anyway?`,
        )
      )
        return;
      await forgetPages().catch(() => undefined);
      await signOut();
    });
  return (
    <button
      type="button"
      onClick={leave}
      disabled={isLeaving}
      className="flex min-h-10 items-center gap-1.5 px-2 text-note text-soft hover:text-ink"
      title={`Sign out ${viewerName}`}
    >
      <span className="max-w-36 truncate">{learnerId === undefined ? viewerName : `Not ${viewerName}?`}</span>
      <LogOut size={16} aria-hidden="true" />
      <span className="sr-only">Sign out</span>
    </button>
  );
}
