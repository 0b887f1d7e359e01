import type { Browser } from 'playwright-core';

export function startBrowser(): Promise<{ readonly endpoint: string; readonly end: () => Promise<void> }>;
export function launchBrowser(): Promise<{ readonly browser: Browser; readonly end: () => Promise<void> }>;
