'use client';

import { useEffect, useEffectEvent } from 'react';

/** Undo and redo from anywhere on the page, the program's own editor excepted. */
export function useUndoKeys(step: (way: 'undo' | 'redo') => void, mayEdit: boolean): void {
  const act = useEffectEvent((event: KeyboardEvent) => {
    const key = event.key.toLowerCase();
    const isUndo = key === 'z' && !event.shiftKey;
    const isRedo = key === 'y' || (key === 'z' && event.shiftKey);
    if (!mayEdit || !(event.ctrlKey || event.metaKey) || !(isUndo || isRedo)) return;
    if ((event.target as HTMLElement | null)?.closest('.cm-editor, [role="dialog"]')) return;
    event.preventDefault();
    step(isUndo ? 'undo' : 'redo');
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => act(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
