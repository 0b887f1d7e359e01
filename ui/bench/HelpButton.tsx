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
      title={open === undefined ? 'Call somebody to your bench' : 'Press if you need no help any more'}
      onClick={() => begin(() => (open ? help.end() : help.call()))}
    >
      <Hand size={17} aria-hidden="true" />
      {open === undefined
        ? 'Help'
        : open.takenBy === null
          ? 'Help called'
          : `${open.takenBy.split(' ')[0]} is coming`}
    </Button>
  );
}
