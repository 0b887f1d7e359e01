import type { Browser } from 'playwright-core';

export function launchBrowser(): Promise<{ readonly browser: Browser; readonly end: () => Promise<void> }>;
