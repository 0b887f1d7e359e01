import { afterAll, beforeAll, describe, expect, onTestFinished, test } from 'vitest';
import { joinAsLearner, visitAsInstructor } from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('a meeting', () => {
  test('is planned from Today, runs on a tablet, and drives the wall', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.setViewportSize(TABLET);
    await page.getByRole('link', { name: 'Run sheet' }).click();
    const timeline = page.getByRole('list', { name: 'The meeting, stretch by stretch' });
    await timeline.getByText('Dusk switch').waitFor();

    // Another exercise makes it too long; what to cut is said, and cutting it makes it fit.
    await page.getByLabel('Add an exercise').selectOption({ label: 'Tide gauge' });
    await page.getByRole('heading', { name: 'Too long' }).waitFor();
    await page.getByRole('button', { name: /^Move Tide gauge to the next meeting/ }).click();
    await page.getByRole('heading', { name: 'It fits' }).waitFor();

    await page.getByLabel(/^Pack \d+ bags/).check();
    await expect
      .poll(() => world.query(`select item from meeting_tick where item like 'Pack%'`))
      .toHaveLength(1);

    await page.getByText('opens offline').waitFor();
    await page.getByRole('button', { name: 'Start the meeting' }).click();
    const now = page.getByRole('region', { name: 'Now' });
    await now.getByRole('heading', { name: 'Come in, sit down' }).waitFor();
    const wall = await context.newPage();
    await wall.goto(`${new URL(page.url()).pathname}/wall`);
    await wall.getByRole('heading', { name: 'Come in, sit down' }).waitFor();
    await page.keyboard.press('n');
    await wall.getByRole('heading', { name: 'Dusk switch' }).waitFor();

    // A clicker at the wall moves the run sheet as well.
    await wall.bringToFront();
    await wall.keyboard.press('PageDown');
    await wall.keyboard.press('PageDown');
    await now.getByText(/^1 of \d+: Put/).waitFor();
    await wall.getByRole('img', { name: /After step 1/ }).waitFor();
    await wall.keyboard.press('.');
    await wall.getByRole('main', { name: 'The wall is dark' }).waitFor();

    // Without a connection it goes on, and is told when there is one again.
    await page.bringToFront();
    await world.stopServer();
    onTestFinished(world.startServer);
    await page.keyboard.press('n');
    await now.getByText(/^2 of \d+: Put/).waitFor();
    await now.getByText(/not told to the others yet/).waitFor();
    // Also on a tablet whose page was closed meanwhile.
    await page.reload();
    await now.getByText(/^2 of \d+: Put/).waitFor();
    await world.startServer();
    await now.getByText(/not told to the others yet/).waitFor({ state: 'hidden' });
    const [row] = await world.query<{ hold: number }>(
      `select (state->>'hold')::int as hold from meeting_run`,
    );
    expect(row).toEqual({ hold: 1 });
    await context.close();
    expect(complaints.filter((text) => !/ERR_|Failed to fetch/.test(text))).toEqual([]);
  });

  test('goes into a calendar, at the hours that it has', async () => {
    const { page, context } = await visitAsInstructor(world);
    const [group] = await world.query<{ id: string }>(`select id from class where code = 'HARBOUR'`);
    const answer = await page.request.get(`/classes/${group!.id}/calendar`);
    expect(answer.headers()['content-type']).toContain('text/calendar');
    const text = await answer.text();
    const [{ count } = { count: '' }] = await world.query<{ count: string }>(
      `select count(*) from meeting where class_id = '${group!.id}'`,
    );
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(Number(count));
    await context.close();
  });
});

describe('values of a bench', () => {
  test('are kept for it, asked about when they are unusual, and stand on the run sheet', async () => {
    await world.query(`insert into publication (revision_id, class_id)
      select revision.id, class.id from revision join exercise on exercise.id = exercise_id, class
      where exercise.draft->>'id' = 'lock-gate' and class.code = 'LANTERN'`);
    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Ebba');
    await learner.page
      .getByRole('listitem')
      .filter({ has: learner.page.getByRole('heading', { name: 'Lock gate' }) })
      .getByRole('link', { name: /bench/ })
      .click();
    await learner.page.getByRole('tab', { name: 'Task' }).click();
    const closed = learner.page.getByLabel(/^closed/);
    await closed.fill('140');
    await closed.blur();
    await learner.page.getByText(/Usually it is 5 to 40/).waitFor();
    await closed.fill('12,5');
    await closed.blur();
    await learner.page.getByText('kept for this bench').waitFor();
    await learner.page.reload();
    await learner.page.getByRole('tab', { name: 'Task' }).click();
    expect(await learner.page.getByLabel(/^closed/).inputValue()).toBe('12.5');
    await learner.context.close();
    expect(learner.complaints).toEqual([]);
  });
});
