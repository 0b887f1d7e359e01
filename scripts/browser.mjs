// Debian's Chromium through Playwright, started so that it asks nothing of the network.
import { chromium } from 'playwright-core';
import { chromiumProgram } from './machine/packages.mjs';

/** Starts a headless browser; `end` kills it, since one that is asked to close can take minutes over it. */
export async function launchBrowser() {
  const server = await chromium.launchServer({
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
  return { browser: await chromium.connect(server.wsEndpoint()), end: () => server.kill() };
}
