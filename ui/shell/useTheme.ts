import { useSyncExternalStore } from 'react';

export type Theme = 'light' | 'dark';

/** Tells whoever asks when the theme of the document changes. */
function onThemeChange(tell: () => void): () => void {
  const observer = new MutationObserver(tell);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

const themeNow = (): Theme => (document.documentElement.dataset['theme'] === 'dark' ? 'dark' : 'light');

/** The theme that the document has just now. */
export const useTheme = (): Theme => useSyncExternalStore(onThemeChange, themeNow, () => 'light');
