import { useSyncExternalStore } from 'react';

const NAME = 'didaktor-single-keys';
const CHANGED = 'didaktor-single-keys-changed';

/**
 * Whether single letters act on a view. Who speaks to the computer, or rests a hand on the keys, turns them off; what
 * they do can be done without them.
 */
export function singleKeysAreOn(): boolean {
  try {
    return window.localStorage.getItem(NAME) !== 'off';
  } catch {
    // A browser that keeps nothing has them on.
    return true;
  }
}

export function setSingleKeys(on: boolean): void {
  try {
    window.localStorage.setItem(NAME, on ? 'on' : 'off');
  } catch {
    return;
  }
  window.dispatchEvent(new Event(CHANGED));
}

function onChange(tell: () => void): () => void {
  window.addEventListener(CHANGED, tell);
  window.addEventListener('storage', tell);
  return () => {
    window.removeEventListener(CHANGED, tell);
    window.removeEventListener('storage', tell);
  };
}

/** Whether single letters act just now. */
export const useSingleKeys = (): boolean => useSyncExternalStore(onChange, singleKeysAreOn, () => true);
