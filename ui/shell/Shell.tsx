import { Suspense } from 'react';
import { Bar, type Place } from './Bar';
import { FocusKeeper } from './FocusKeeper';
import { Opening } from './Opening';
import { PageAnswers } from './PageAnswers';
import type { Destination } from './Palette';

interface ShellProps {
  readonly places: readonly Place[];
  readonly title: string;
  readonly facts?: React.ReactNode;
  readonly actions?: React.ReactNode;
  readonly viewerName: string;
  readonly learnerId: string | undefined;
  readonly destinations: readonly Destination[];
  readonly signOut: () => Promise<void>;
  readonly children: React.ReactNode;
}

/** Every view for signed-in people: where one is, what it is, what can be done, and the sheet below. */
export function Shell({ children, ...bar }: ShellProps) {
  return (
    <div className="flex min-h-dvh flex-col">
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-card focus:p-3"
      >
        Skip to the content
      </a>
      <FocusKeeper />
      <Suspense>
        <Opening />
      </Suspense>
      <Bar {...bar} />
      <main id="sheet" className="flex-1" tabIndex={-1}>
        {children}
      </main>
      <PageAnswers />
    </div>
  );
}
