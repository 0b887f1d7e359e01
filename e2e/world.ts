import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:net';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { openDatabase } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo } from '@/server/demo';
import { launchBrowser } from '@/scripts/browser.mjs';

/** The product with the demo world on a server of its own, and a real browser. */
export interface World {
  readonly base: string;
  /** Address of its database. */
  readonly url: string;
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

/** Builds the world; the application has been built before. */
export async function createWorld(): Promise<World> {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run npm test');
  const name = `e2e_${randomBytes(5).toString('hex')}`;
  const admin = openDatabase(url);
  await admin.raw('create database ??', [name]);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const db = openDatabase(own.href);
  await migrate(db);
  await loadDemo(db, 'demo', new Date());
  await addTestClass(db);
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const { browser, end: endBrowser } = await launchBrowser();
  let server: ChildProcess | undefined;
  let worker: ChildProcess | undefined;

  const startServer = async (): Promise<void> => {
    const environment = { ...process.env, NODE_ENV: 'production' as const, DATABASE_URL: own.href };
    const options = { env: environment, stdio: 'ignore' as const, detached: true };
    server = spawn(process.execPath, ['scripts/web.mjs', '--port', String(port)], options);
    worker ??= spawn('node_modules/.bin/tsx', ['workers/jobs/main.ts'], options);
    const deadline = Date.now() + 30_000;
    while (!(await isUp(base))) if (Date.now() > deadline) throw new Error('the server does not start');
  };
  const stopServer = async (): Promise<void> => {
    if (!server || server.exitCode !== null) return;
    const ended = new Promise((resolve) => server!.once('exit', resolve));
    process.kill(-server.pid!, 'SIGKILL');
    await ended;
  };

  await startServer();
  return {
    base,
    url: own.href,
    browser,
    startServer,
    stopServer,
    visit: (size = LAPTOP) => visit(browser, base, size),
    query: async <Row>(sql: string, values: readonly string[] = []) =>
      ((await db.raw(sql, [...values])) as { rows: Row[] }).rows,
    end: async () => {
      await endBrowser();
      await stopServer();
      // The loader of the worker runs it as a child; the group holds both.
      if (worker) process.kill(-worker.pid!, 'SIGKILL');
      await db.destroy();
      await admin.raw('drop database ?? with (force)', [name]);
      await admin.destroy();
    },
  };
}

/** A second class whose learners have not joined yet, with the beacon open. */
async function addTestClass(db: ReturnType<typeof openDatabase>): Promise<void> {
  const [group] = await db('class')
    .insert({ name: 'Friday morning', code: 'LANTERN', joining_until: db.raw("now() + interval '1 day'") })
    .returning<{ id: string }[]>('id');
  const staff = await db('staff').where({ login: 'marit' }).first<{ id: string }>('id');
  await db('class_staff').insert({ class_id: group!.id, staff_id: staff.id });
  await db('learner').insert(
    ['Yrsa', 'Zeno', 'Ebba', 'Finn', 'Gaia'].map((learner) => ({ class_id: group!.id, name: learner })),
  );
  const revision = await db('revision').first<{ id: string }>('id');
  await db('publication').insert({ revision_id: revision.id, class_id: group!.id });
}

async function visit(
  browser: Browser,
  base: string,
  { width, height, isTouch = false }: Size,
): Promise<Visitor> {
  const context = await browser.newContext({ baseURL: base, viewport: { width, height }, hasTouch: isTouch });
  const page = await context.newPage();
  page.setDefaultTimeout(15_000);
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text());
  });
  return { page, context, complaints };
}

const isUp = (base: string): Promise<boolean> =>
  fetch(`${base}/api/health`).then(
    (answer) => answer.ok,
    () => false,
  );

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
