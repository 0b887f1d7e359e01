// Debian's Chromium through Playwright, started so that it asks nothing of the network.
import { chromium } from 'playwright-core';
import { chromiumProgram } from './machine/packages.mjs';

/** Starts a headless browser to connect to; `end` kills it, since one that is asked to close can take minutes over it. */
export async function startBrowser() {
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
      // Letters as wide as in a browser with windows.
      '--font-render-hinting=none',
    ],
  });
  return { endpoint: server.wsEndpoint(), end: () => server.kill() };
}

/** A headless browser of one's own. */
export async function launchBrowser() {
  const { endpoint, end } = await startBrowser();
  return { browser: await chromium.connect(endpoint), end };
}
