import type { Browser } from 'playwright-core';

export function launchBrowser(): Promise<Browser>;
