import type { Knex } from 'knex';
import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:net';
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { inject } from 'vitest';
import { openDatabase } from '@/server/database/connection';

/** The product with the demo world on a server of its own, and a real browser. */
export interface World {
  readonly base: string;
  /** Address of its database. */
  readonly url: string;
  readonly database: Knex;
  readonly browser: Browser;
  readonly startServer: () => Promise<void>;
  readonly stopServer: () => Promise<void>;
  /** A page of a fresh visitor; errors on its console fail the test that asks for them. */
  readonly visit: (size?: Size) => Promise<Visitor>;
  readonly query: <Row>(sql: string, values?: readonly string[]) => Promise<readonly Row[]>;
  readonly end: () => Promise<void>;
}

export interface Visitor {
  readonly page: Page;
  readonly context: BrowserContext;
  /** What the browser complained about, such as breaches of the security policy. */
  readonly complaints: readonly string[];
}

export interface Size {
  readonly width: number;
  readonly height: number;
  readonly isTouch?: boolean;
}

export const LAPTOP: Size = { width: 1280, height: 800 };
export const TABLET: Size = { width: 1024, height: 768, isTouch: true };

/** Milliseconds that one step of making or ending a world may take: one that hangs says which it is. */
const LONGEST_STEP = 300_000;

async function step<Value>(name: string, work: Promise<Value>): Promise<Value> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`too long: ${name}`)), LONGEST_STEP);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** Builds the world; the application has been built before. */
export async function createWorld(): Promise<World> {
  const url = process.env['TEST_DATABASE_URL']!;
  const name = `e2e_${randomBytes(5).toString('hex')}`;
  const admin = openDatabase(url);
  await step(
    'copy the demo world',
    admin.raw('create database ?? template ??', [name, inject('demoDatabase')]),
  );
  const own = new URL(url);
  own.pathname = `/${name}`;
  const db = openDatabase(own.href);
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const browser = await step('connect to the browser', chromium.connect(inject('browserEndpoint')));
  let server: ChildProcess | undefined;
  let worker: ChildProcess | undefined;

  const isRunning = (): boolean =>
    server !== undefined && server.exitCode === null && server.signalCode === null;
  const startServer = async (): Promise<void> => {
    if (isRunning()) return;
    const environment = { ...process.env, NODE_ENV: 'production' as const, DATABASE_URL: own.href };
    const options = { env: environment, stdio: 'ignore' as const, detached: true };
    server = spawn(process.execPath, ['scripts/web.mjs', '--port', String(port)], options);
    worker ??= spawn(process.execPath, ['.didaktor/worker/main.mjs'], options);
    const deadline = Date.now() + LONGEST_STEP;
    while (!(await isUp(base))) if (Date.now() > deadline) throw new Error('the server does not start');
  };
  const stopServer = async (): Promise<void> => {
    if (!isRunning()) return;
    const ended = new Promise((resolve) => server!.once('exit', resolve));
    process.kill(-server!.pid!, 'SIGKILL');
    await step('end the server', ended);
  };

  await step('start the server', startServer());
  return {
    base,
    url: own.href,
    database: db,
    browser,
    startServer,
    stopServer,
    visit: (size = LAPTOP) => visit(browser, base, size),
    query: async <Row>(sql: string, values: readonly string[] = []) =>
      ((await db.raw(sql, [...values])) as { rows: Row[] }).rows,
    end: async () => {
      await step('leave the browser', browser.close());
      await stopServer();
      // Its guarded process is in its group.
      if (worker) process.kill(-worker.pid!, 'SIGKILL');
      await step('close the database', db.destroy());
      await step('drop the database', admin.raw('drop database ?? with (force)', [name]));
      await step('close the server’s database', admin.destroy());
    },
  };
}

async function visit(
  browser: Browser,
  base: string,
  { width, height, isTouch = false }: Size,
): Promise<Visitor> {
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width, height },
    hasTouch: isTouch,
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  // A machine that stands still for a while is no fault of the page.
  page.setDefaultTimeout(180_000);
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text());
  });
  return { page, context, complaints };
}

const isUp = (base: string): Promise<boolean> =>
  fetch(`${base}/api/health`, { signal: AbortSignal.timeout(5000) }).then(
    (answer) => answer.ok,
    () => false,
  );

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
