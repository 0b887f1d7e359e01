import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { expectNone, lookAt, noFaults, openEverything, wants, type Faults } from './looks';
import { joinAsLearner, openBench, recordWiring, writeProgram } from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
const faults: Faults = noFaults();
let complaints: readonly string[] = [];
beforeAll(async () => {
  world = await createWorld();
  const visitor = await world.visit(TABLET);
  await goToAll(visitor.page);
  complaints = visitor.complaints;
  await visitor.context.close();
});
afterAll(() => world.end());

/** Goes to every view of a learner, and looks at each; at a bench everything is for fingers. */
async function goToAll(page: Page): Promise<void> {
  const look = async (view: string): Promise<void> => {
    const leastTarget = view.startsWith('bench') ? 40 : 24;
    await lookAt(page, view, faults, { leastTarget, size: TABLET });
    await openEverything(page, view, faults);
  };
  await page.goto('/sign-in');
  await page.getByLabel('Class code').waitFor();
  await look('sign-in');
  await joinAsLearner(page, 'Ebba');
  await look('learner’s today');
  await openBench(page, 'Task');
  await look('bench, task');
  for (const tab of ['Program', 'Hand in', 'Wiring']) {
    await page.getByRole('tab', { name: tab }).click();
    await look(`bench, ${tab}`);
  }
  await page.getByRole('button', { name: 'Run', exact: true }).click();
  await page.getByText(/In this class it is built first/).waitFor();
  await look('bench, nothing to run yet');
  await recordWiring(page, false);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await writeProgram(page);
  await page.getByRole('button', { name: 'Run', exact: true }).click();
  await look('bench, before it runs');
  await page.getByRole('button', { name: 'Run it without a guess' }).click();
  await page.getByRole('button', { name: /^Stand still/ }).click();
  await page.getByRole('button', { name: 'Line by line' }).click();
  await look('bench, running');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByRole('tab', { name: 'Task' }).click();
  await page.getByRole('button', { name: 'See what it should do' }).click();
  await page.getByRole('region', { name: 'What it should do' }).waitFor();
  await look('bench, what it should do');
  await page.getByRole('link', { name: 'Get the board ready' }).click();
  await page.getByRole('button', { name: /school laptop/ }).click();
  await page.getByRole('heading', { name: 'The board alone' }).waitFor();
  await look('bench, board');
  await page.goBack();
  await page.getByRole('tab', { name: 'Wiring' }).click();
  await page.getByLabel('one end of W1', { exact: true }).focus();
  await page.getByRole('region', { name: /^Keys for/ }).waitFor();
  await look('bench, keypad');
}

describe('every view of a learner', () => {
  test.each(Object.entries(wants).filter(([want]) => want !== 'keys'))('(%s) %s', (want) =>
    expectNone(faults[want as keyof Faults]),
  );

  test('complains of nothing', () => {
    expect(complaints).toEqual([]);
  });
});
