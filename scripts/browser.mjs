// Debian's Chromium through Playwright, started so that it asks nothing of the network.
import { chromium } from 'playwright-core';
import { chromiumProgram } from './machine/packages.mjs';

/** Starts a headless browser. */
export function launchBrowser() {
  return chromium.launch({
    executablePath: chromiumProgram(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}
