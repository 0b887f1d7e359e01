'use client';

import { X } from 'lucide-react';

interface SentenceProps {
  readonly text: string;
  readonly takeAway: { readonly label: string; readonly act: () => void } | undefined;
}

/** A sentence of a scenario, with a way to take it out. */
export function Sentence({ text, takeAway }: SentenceProps) {
  return (
    <li className="flex items-center gap-1">
      {text}.
      {takeAway && (
        <button
          type="button"
          aria-label={`${takeAway.label}: ${text}`}
          onClick={takeAway.act}
          className="flex h-6 w-6 shrink-0 items-center justify-center text-soft hover:text-ink"
        >
          <X size={14} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}
