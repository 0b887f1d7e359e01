import { afterAll, beforeAll, describe, expect, test, onTestFinished } from 'vitest';
import type { Page } from 'playwright-core';
import { createWorld, TABLET, type World } from './world';
import { joinAsLearner, openBench, PROGRAM, recordWiring, writeProgram } from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

const handIns = () =>
  world.query<{ attempt: number }>(
    `select attempt from submission join learner on learner.id = learner_id where learner.name = 'Finn'`,
  );

describe('a draft', () => {
  test('survives a stopped server and a reload, and the hand-in arrives once', async () => {
    const { page, context } = await world.visit(TABLET);
    // A course whose tablets may hold the drawing checks on them.
    await world.query(`update course set rules = rules || '{"solution": "shown"}'`);
    await joinAsLearner(page, 'Finn');
    await openBench(page);
    await page.getByText('checked on this tablet').waitFor();
    const address = page.url();
    await recordWiring(page, false);
    await writeProgram(page);

    await world.stopServer();
    onTestFinished(world.startServer);
    // Work goes on without a server: the check runs on the tablet.
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await page.getByRole('tab', { name: 'Hand in' }).click();
    await page.getByRole('button', { name: 'Hand in', exact: true }).click();
    await page.getByText('No connection. Your hand-in is saved on this tablet').waitFor();
    await page.reload().catch(() => undefined);

    await world.startServer();
    await page.goto(address);
    await page.getByText('Saved on this tablet').waitFor();
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('a5');
    await expect.poll(async () => (await handIns()).length).toBe(1);
    await page.getByRole('tab', { name: 'Hand in' }).click();
    await page.getByText('Handed in.').waitFor();

    await page.reload();
    await page.getByText('Saved on this tablet').waitFor();
    await page.getByRole('tab', { name: 'Program' }).click();
    expect((await page.getByLabel('Your program').innerText()).replace(/\n+/g, '\n').trim()).toBe(
      PROGRAM.replace(/\n+/g, '\n').trim(),
    );
    expect(await handIns()).toHaveLength(1);
    await context.close();
  });

  test('on two tablets at once is one, part by part, and who differs is told', async () => {
    const [one, other] = [await world.visit(TABLET), await world.visit(TABLET)];
    await joinAsLearner(one.page, 'Ebba');
    await joinAsLearner(other.page, 'Ebba');
    await openBench(one.page);
    await openBench(other.page);
    const at = (page: Page, label: string) => page.getByLabel(label, { exact: true });
    await at(one.page, 'one end of W1').fill('13');
    await at(other.page, 'long leg of D1').fill('e5');
    await expect.poll(() => at(other.page, 'one end of W1').inputValue()).toBe('13');
    await expect.poll(() => at(one.page, 'long leg of D1').inputValue()).toBe('e5');
    await one.page.getByText('Changed on your other tablet: D1.').waitFor();
    await one.page.getByRole('button', { name: 'Got it' }).click();
    expect(await one.page.getByText('Changed on your other tablet').count()).toBe(0);

    // Without a connection both go on; one end comes out differently, and so do the programs.
    const drafts = '**/api/drafts/**';
    await one.page.route(drafts, (route) => route.abort());
    await at(one.page, 'short leg of D1').fill('e6');
    await writeProgram(one.page, 'void setup() {}\n');
    await at(other.page, 'short leg of D1').fill('e7');
    await writeProgram(other.page, 'void loop() {}\n');
    await expect
      .poll(() =>
        world.query(
          `select 1 from bench_draft join learner on learner.id = learner_id
            where learner.name = 'Ebba' and content like '%void loop() {}%' and content like '%e7%'`,
        ),
      )
      .toHaveLength(1);
    await one.page.unroute(drafts);
    await one.page.getByText('The short leg of D1 is e6 here and e7 there.').waitFor();
    await one.page.getByText('There are two programs.').waitFor();
    await one.page.getByRole('button', { name: 'Show the other one' }).click();
    await one.page.getByText('void loop() {}').waitFor();
    await one.page.getByRole('button', { name: 'Keep this one' }).click();
    await other.page.getByRole('tab', { name: 'Wiring' }).click();
    await expect.poll(() => at(other.page, 'short leg of D1').inputValue()).toBe('e6');
    await one.context.close();
    await other.context.close();
  });

  test('is a learner’s own on a shared tablet', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    await page.getByLabel('one end of W1', { exact: true }).fill('7');
    await page.getByText('Saved on this tablet').waitFor();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByLabel('Class code').waitFor();
    await joinAsLearner(page, 'Zeno');
    await openBench(page);
    expect(await page.getByLabel('one end of W1', { exact: true }).inputValue()).toBe('');
    // Nothing of the one before is left on the tablet, and it waits for her on the next one.
    const left = await page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('keyval-store');
          open.onsuccess = () => {
            const count = open.result.transaction('keyval').objectStore('keyval').getAllKeys();
            count.onsuccess = () => resolve(count.result.length);
          };
        }),
    );
    expect(left).toBe(1);
    await context.close();
    const other = await world.visit(TABLET);
    await joinAsLearner(other.page, 'Yrsa');
    await openBench(other.page);
    await expect.poll(() => other.page.getByLabel('one end of W1', { exact: true }).inputValue()).toBe('7');
    await other.context.close();
  });
});
