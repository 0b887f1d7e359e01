import type { Locator, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { joinAsLearner, openBench, recordWiring, visitAsInstructor } from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

type Url = Parameters<Page['route']>[0];
/** Holds what a page asks for on its way, until the function that is returned is called. */
async function hold(page: Page, url: Url): Promise<() => void> {
  let arrive = (): void => undefined;
  const arrived = new Promise<void>((resolve) => (arrive = resolve));
  await page.route(url, async (route) => {
    await arrived;
    await route.continue().catch(() => undefined);
  });
  return () => arrive();
}
const SCRIPTS = '**/_next/static/**/*.js';
const go = (page: Page, path: string) => page.goto(path, { waitUntil: 'commit' });

test('a checker that is long on its way is waited for', async () => {
  const { page, context } = await world.visit(TABLET);
  await page.clock.install();
  // What is kept for being offline may have the checker already.
  await page.addInitScript(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  const arrive = await hold(page, '**/*.wasm');
  await joinAsLearner(page, 'Ebba');
  await openBench(page);
  await page.getByRole('button', { name: 'Check' }).click();
  await page.getByText('Building it and running it …').waitFor();
  // It counts from when it has begun to wait, and goes on counting by itself meanwhile.
  await page.getByText(/^\d+ s$/).waitFor();
  await page.clock.fastForward('00:30');
  await page.getByText(/^[3-9]\d s$/).waitFor();
  arrive();
  await page.getByText('Nothing is plugged in yet, so there is nothing to check.').waitFor();
  await context.close();
});

describe('what is typed before the page is ready is kept', () => {
  test('at the door', async () => {
    const { page, context } = await world.visit();
    const arrive = await hold(page, SCRIPTS);
    await go(page, '/sign-in');
    await page.getByLabel('Class code').fill('LANTERN');
    await page.getByRole('button', { name: 'Find my class' }).click();
    arrive();
    await page.getByLabel('Your name').waitFor();
    await context.close();
  });

  test('on the Worksheet and in the course, and goes to the server', async () => {
    const { page, context } = await visitAsInstructor(world);
    const href = await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().getAttribute('href');
    const course = await page
      .getByRole('link', { name: /The working harbour/ })
      .first()
      .getAttribute('href');
    const sheetArrives = await hold(page, SCRIPTS);
    await go(page, href!);
    await page.getByRole('textbox', { name: 'Title' }).fill('Beacon at dusk');
    sheetArrives();
    await expect
      .poll(() => world.query(`select 1 from exercise where draft->>'title' = 'Beacon at dusk'`))
      .toHaveLength(1);
    const courseArrives = await hold(page, SCRIPTS);
    await go(page, course!);
    await page.getByLabel('Title', { exact: true }).fill('Quay light');
    courseArrives();
    await page.getByRole('button', { name: 'Begin it' }).click();
    await page.getByRole('heading', { name: 'Quay light', level: 1 }).waitFor();
    await context.close();
  });

  test('on the bench', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Xaver', 'HARBOUR', 'anchor');
    const item = page
      .getByRole('listitem')
      .filter({ has: page.getByRole('heading', { name: 'A signal of your own' }) });
    const href = await item.getByRole('link', { name: /bench/ }).getAttribute('href');
    const arrive = await hold(page, SCRIPTS);
    await go(page, href!);
    await page.getByLabel('What does yours do?', { exact: true }).fill('D1 lit 2 s, dark 3 s');
    arrive();
    await page.getByRole('button', { name: 'Say it' }).click();
    await page.getByText('D1 lit 2 s, dark 3 s, over and over.').waitFor();
    await context.close();
  });
});

describe('what is pressed before the page is ready is done once it is', () => {
  const busy = (button: Locator): Promise<string | null> => button.getAttribute('aria-busy');

  test('buttons and menus, once, however often they were pressed', async () => {
    const { page, context } = await visitAsInstructor(world);
    const href = await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().getAttribute('href');
    const themeArrives = await hold(page, SCRIPTS);
    await go(page, href!);
    const theme = page.getByRole('button', { name: 'Dark theme' });
    await theme.click();
    await theme.click();
    expect(await busy(theme)).toBe('true');
    themeArrives();
    await page.getByRole('button', { name: 'Light theme' }).waitFor();
    expect(await busy(page.getByRole('button', { name: 'Light theme' }))).toBeNull();
    const menuArrives = await hold(page, SCRIPTS);
    await go(page, href!);
    await page
      .getByRole('button', { name: /: connect it elsewhere$/ })
      .first()
      .click();
    menuArrives();
    await page.getByRole('menu').waitFor();
    await context.close();
  });

  test('a check, of what was recorded on another tablet and not of an empty bench', async () => {
    const before = await world.visit(TABLET);
    await joinAsLearner(before.page, 'Finn');
    await openBench(before.page);
    await recordWiring(before.page, false);
    await expect
      .poll(() => world.query(`select 1 from bench_draft where content::text like '%a-6%'`))
      .toHaveLength(1);
    await before.context.close();
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Finn');
    const href = await page.getByRole('link', { name: /bench/ }).first().getAttribute('href');
    const arrive = await hold(page, SCRIPTS);
    await go(page, href!);
    const check = page.getByRole('button', { name: 'Check', exact: true });
    await check.click();
    expect(await busy(check)).toBe('true');
    arrive();
    const said = page.getByRole('region', { name: 'What the check says' });
    await said.getByRole('heading').first().waitFor();
    expect(await said.textContent()).not.toMatch(/Nothing is plugged in|changed something since/);
    await context.close();
  });

  test('the keys that open “Go to”', async () => {
    const { page, context } = await visitAsInstructor(world);
    const arrive = await hold(page, SCRIPTS);
    await page.reload({ waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    await page.keyboard.press('Control+k');
    arrive();
    await page.getByPlaceholder('Where to?').waitFor();
    await context.close();
  });

  test.each(['by Enter', 'by its button, that waits for words'])('a form, %s', async (how) => {
    const { page, context } = await visitAsInstructor(world);
    const title = `Course begun ${how.length}`;
    const arrive = await hold(page, SCRIPTS);
    await go(page, '/courses');
    const form = page.getByRole('form', { name: 'New course' });
    await form.getByLabel('Title').fill(title);
    if (how === 'by Enter') await form.getByLabel('Title').press('Enter');
    else await form.getByRole('button', { name: 'Begin' }).click({ force: true });
    expect(await busy(form.getByRole('button', { name: 'Begin' }))).toBe('true');
    arrive();
    await page.getByRole('heading', { name: title, level: 1 }).waitFor();
    expect(await world.query(`select 1 from course where title = '${title}'`)).toHaveLength(1);
    await context.close();
  });
});

test('a page that is long on its way is said to be, and the one before stays until then', async () => {
  const { page, context } = await visitAsInstructor(world);
  const pageAt = (path: string) => (url: URL) => url.searchParams.has('_rsc') && url.pathname === path;
  const benchArrives = await hold(page, pageAt('/values'));
  // From the start: a page that is linked to may be fetched before anybody goes there.
  const todayArrives = await hold(page, pageAt('/'));
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Where to?').fill('value bench');
  await page.keyboard.press('Enter');
  await page.getByText('Opening …').waitFor();
  expect(await page.getByRole('heading', { name: 'Today', level: 1 }).count()).toBe(1);
  benchArrives();
  await page.getByRole('heading', { name: 'Resistor for an LED' }).waitFor();
  expect(await page.getByText('Opening …').count()).toBe(0);
  await page.getByRole('link', { name: 'Today' }).first().click();
  await page.getByText('Opening …').waitFor();
  todayArrives();
  await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
  await context.close();
});
