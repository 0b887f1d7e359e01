'use client';

import { Hand } from 'lucide-react';
import { useTransition } from 'react';
import { Button } from '../design/Button';
import { useBench } from './useBench';

/** Calls somebody to the bench, and says who is coming. */
export function HelpButton() {
  const { help } = useBench();
  const [isBusy, begin] = useTransition();
  if (!help) return null;
  const { open } = help;
  return (
    <Button
      className="min-h-11"
      disabled={isBusy}
      aria-pressed={open !== undefined}
      onClick={() => begin(() => (open ? help.end() : help.call()))}
    >
      <Hand size={17} aria-hidden="true" />
      {open === undefined
        ? 'Ask for help'
        : open.takenBy === null
          ? 'Help is called: not needed?'
          : `${open.takenBy} is coming`}
    </Button>
  );
}
