'use client';

import { Moon, Search, Sun } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Keys } from '../design/Button';
import { Link } from './Link';
import { Mark } from './Mark';
import { Palette, type Destination } from './Palette';
import { SignOut } from './SignOut';
import { useTheme } from './useTheme';

/** One step of the way to where one is. */
export interface Place {
  readonly label: string;
  readonly href?: string;
}

interface BarProps {
  readonly places: readonly Place[];
  readonly title: string;
  readonly facts?: React.ReactNode;
  readonly actions?: React.ReactNode;
  readonly viewerName: string;
  /** Who is signed in, when it is a learner. */
  readonly learnerId: string | undefined;
  readonly destinations: readonly Destination[];
  readonly signOut: () => Promise<void>;
}

/** The fixed place at the top: the way here, the title, the view's actions, and the way elsewhere. */
export function Bar({
  places,
  title,
  facts,
  actions,
  viewerName,
  learnerId,
  destinations,
  signOut,
}: BarProps) {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen((open) => !open);
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  return (
    <header className="sticky top-0 z-10 border-b border-ink bg-paper">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2 lg:flex-nowrap">
        <Link href="/" aria-label="Today" className="-ml-1 p-1">
          <Mark />
        </Link>
        <div className="mr-auto min-w-0 flex-1 basis-56">
          <nav aria-label="Where you are" className="text-note leading-tight text-soft">
            <ol className="flex flex-wrap">
              {places.map(({ label, href }, index) => (
                <li key={label}>
                  {index > 0 && (
                    <span className="mx-1.5 text-rule-strong" aria-hidden="true">
                      /
                    </span>
                  )}
                  {href ? (
                    <Link href={href} className="underline-offset-3 hover:text-ink hover:underline">
                      {label}
                    </Link>
                  ) : (
                    <span aria-current="page">{label}</span>
                  )}
                </li>
              ))}
            </ol>
          </nav>
          <div className="flex items-baseline gap-x-3">
            <h1 className="-mb-1 line-clamp-2 min-w-0 pb-1 text-title break-words" title={title}>
              {title}
            </h1>
            {facts && <p className="hidden min-w-0 flex-1 truncate text-note text-soft sm:block">{facts}</p>}
          </div>
        </div>
        <div className="flex min-w-0 flex-wrap items-center gap-2 lg:shrink-0">{actions}</div>
        <div className="flex shrink-0 items-center border-rule sm:border-l sm:pl-2">
          <button
            type="button"
            aria-keyshortcuts="Control+K"
            onClick={() => setOpen(true)}
            className="flex min-h-10 items-center gap-1.5 px-2 text-note text-soft hover:text-ink"
          >
            <Search size={16} aria-hidden="true" />
            Go to
            <Keys>Ctrl K</Keys>
          </button>
          <ThemeToggle />
          <SignOut viewerName={viewerName} learnerId={learnerId} signOut={signOut} />
        </div>
      </div>
      <Palette isOpen={isOpen} onOpenChange={setOpen} destinations={destinations} />
    </header>
  );
}

function ThemeToggle() {
  const theme = useTheme();
  const toggle = (): void => {
    const next = theme === 'dark' ? 'light' : 'dark';
    document.cookie = `didaktor-theme=${next}; path=/; max-age=31536000; samesite=lax`;
    document.documentElement.dataset['theme'] = next;
  };
  return (
    <button
      type="button"
      onClick={toggle}
      className="flex min-h-10 min-w-10 items-center justify-center text-soft hover:text-ink"
      aria-label={theme === 'dark' ? 'Light theme' : 'Dark theme'}
    >
      {theme === 'dark' ? <Sun size={17} aria-hidden="true" /> : <Moon size={17} aria-hidden="true" />}
    </button>
  );
}
