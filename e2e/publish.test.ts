import { format } from 'date-fns';
import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { joinAsLearner, openBench, recordWiring, visitAsInstructor } from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

/** The line of the test class in the box that opens exercises. */
async function openPublishing(page: Page) {
  await page.getByRole('button', { name: /Publish/ }).click();
  await page.getByText(/Nothing is missing for a class|Before it goes out/).waitFor();
  return page
    .getByRole('list', { name: 'Classes' })
    .getByRole('listitem')
    .filter({ hasText: 'Friday morning' })
    .first();
}

const local = (hours: number): string => format(Date.now() + hours * 3_600_000, "yyyy-MM-dd'T'HH:mm");

describe('an exercise', () => {
  test('opens by itself at its time, for those it is for, and Today follows', async () => {
    const teacher = await visitAsInstructor(world);
    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Yrsa');
    await learner.page.getByRole('link', { name: 'Go to the bench' }).waitFor();
    await teacher.page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    const line = await openPublishing(teacher.page);
    await line.getByRole('button', { name: 'Dates for Friday morning' }).click();
    const form = teacher.page.getByRole('form', { name: 'Dates for Friday morning' });
    await form.getByLabel('Opens').fill(local(24));
    await form.getByLabel('Closes').fill(local(23));
    await form.getByText('It would close before it opens.').waitFor();
    await form.getByLabel('Closes').fill(local(48));
    await form.getByRole('button', { name: 'Save the dates' }).click();
    await line.getByText(/opens .*, revision 1, until/).waitFor();
    // Nobody has touched the learner's page.
    await learner.page.getByText(/^Opens /).waitFor();
    expect(await learner.page.getByRole('link', { name: /bench/ }).count()).toBe(0);

    await line.getByRole('button', { name: 'Dates for Friday morning' }).click();
    await form.getByLabel('Opens').fill('');
    await form.getByRole('button', { name: 'some learners' }).click();
    await form.getByText('Choose at least one learner.').waitFor();
    await form.getByLabel('Zeno').check();
    await form.getByRole('button', { name: 'Save the dates' }).click();
    await line.getByText('for 1 of 5').waitFor();
    await learner.page.getByText('Nothing is open for your class yet.').waitFor();

    await line.getByRole('button', { name: 'Dates for Friday morning' }).click();
    await form.getByRole('button', { name: 'the whole class' }).click();
    await form.getByLabel('Closes').fill('');
    await form.getByRole('button', { name: 'Save the dates' }).click();
    await learner.page.getByRole('link', { name: 'Go to the bench' }).waitFor();
    await teacher.context.close();
    await learner.context.close();
  });

  test('that is published anew tells who worked on it what has changed, and can be brought back', async () => {
    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Zeno');
    await openBench(learner.page);
    await recordWiring(learner.page, false);
    await expect.poll(() => world.query(`select 1 from bench_draft`)).toHaveLength(1);
    const teacher = await visitAsInstructor(world);
    await teacher.page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await teacher.page.getByRole('textbox', { name: 'Aim' }).fill('A light that shows the way in.');
    await teacher.page.getByText('All changes saved').waitFor();
    const line = await openPublishing(teacher.page);
    await line.getByRole('button', { name: 'Publish again' }).click();
    await line.getByText('open, revision 2').waitFor();

    await learner.page.goto(world.base);
    await openBench(learner.page, 'Task');
    const news = learner.page.getByRole('region', { name: 'What has changed' });
    await news.getByText('What it is for now: A light that shows the way in.').waitFor();
    await learner.page.getByRole('tab', { name: 'Wiring' }).click();
    expect(await learner.page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('a5');

    await line.getByRole('button', { name: 'Bring back revision 1 for Friday morning' }).click();
    await line.getByText('open, revision 1').waitFor();
    await teacher.context.close();
    await learner.context.close();
  });
});

describe('marks', () => {
  test('are given as the worksheet says, and learners are told so with their task', async () => {
    const teacher = await visitAsInstructor(world);
    const { page } = teacher;
    await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await page.getByText(/^Marks: 1 in all/).click();
    await page
      .getByRole('combobox', { name: /^Points when the check doesn’t say/ })
      .selectOption({ label: 'Wire in a misleading colour' });
    await page.getByRole('checkbox', { name: 'Less for a late one' }).check();
    await page.getByLabel('Points off for each day late').fill('0.25');
    await page.getByText(/^Marks: 2 in all/).waitFor();
    await page.getByText('All changes saved.').waitFor();
    const line = await openPublishing(page);
    await line.getByRole('button', { name: /Publish again/ }).click();
    await line.getByText('open, revision 3').waitFor();

    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Gaia');
    await openBench(learner.page, 'Task');
    const told = learner.page.getByRole('heading', { name: 'How it is marked' }).locator('..');
    await told.getByText('1 point when the check doesn’t say “Wire in a misleading colour”.').waitFor();
    await told.getByText('Each day late takes off 0.25 points, 2 points at most.').waitFor();
    await learner.context.close();
    await teacher.context.close();
    expect(teacher.complaints).toEqual([]);
  });
});
