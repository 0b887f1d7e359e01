import { afterAll, beforeAll, describe, expect, onTestFinished, test } from 'vitest';
import type { Page } from 'playwright-core';
import { createWorld, LAPTOP, TABLET, type World } from './world';
import { joinAsLearner, openBench, recordWiring, visitAsInstructor, writeProgram } from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
const exerciseOf = (slug: string): Promise<string> =>
  one(`select id from exercise where draft->>'id' = '${slug}'`);
const clock = async (page: Page): Promise<number> =>
  Number(await page.getByLabel('Moment of the run').inputValue());
const line = async (page: Page): Promise<string> =>
  (await page
    .getByText(/^Line \d+\./)
    .first()
    .innerText()) ?? '';

describe('an exercise seen running', () => {
  test('goes on, stands still, and goes line by line, by the keys alone', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto(`/exercises/${await exerciseOf('night-bell')}/run`);
    await page.getByRole('button', { name: /^Run/ }).and(page.locator(':enabled')).waitFor();
    const { keyboard } = page;
    await keyboard.press('Space');
    await expect.poll(() => clock(page)).toBeGreaterThan(1.1);
    await keyboard.press('Space');
    await page.getByRole('button', { name: /^Run/ }).waitFor();
    // The bell is pressed from 1 s to 2 s: it sounds and is lit.
    await page.getByLabel('Moment of the run').fill('1.5');
    await page.getByText('2300 Hz').first().waitFor();
    expect(await page.getByRole('row', { name: 'pin 8' }).innerText()).toContain('HIGH');
    const before = await line(page);
    await keyboard.press('.');
    await expect.poll(() => line(page)).not.toBe(before);
    for (let step = 0; step < 12 && !(await line(page)).startsWith('Line 13.'); step += 1)
      await keyboard.press('.');
    expect(await line(page)).toMatch(/digitalRead\(BUTTON\) is 0 and LOW is 0, so .* holds\./);
    await keyboard.press('p');
    await expect.poll(() => clock(page)).toBeLessThan(1.5);
    const at = await clock(page);
    await keyboard.press('n');
    await expect.poll(() => clock(page)).toBeGreaterThan(at);
    await keyboard.press('b');
    await expect.poll(() => clock(page)).toBe(0);
    await keyboard.press('-');
    expect(await page.getByLabel('Speed').inputValue()).toBe('0.5');
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('does what a hand does to it, and keeps that as a scenario', async () => {
    const { page, context } = await visitAsInstructor(world);
    const id = await exerciseOf('night-bell');
    await page.goto(`/exercises/${id}/run`);
    await page.getByRole('button', { name: 'By hand' }).click();
    const bell = page.getByRole('button', { name: /^S1/ });
    await bell.waitFor();
    await page.keyboard.down('1');
    const isHeld = () => bell.getAttribute('aria-pressed');
    await expect.poll(isHeld).toBe('true');
    await page.getByText('2300 Hz').first().waitFor();
    await page.keyboard.up('1');
    await expect.poll(isHeld).toBe('false');
    // By the drawing too.
    const place = await page.locator('[data-hand="S1"]').boundingBox();
    await page.mouse.move(place!.x + place!.width / 2, place!.y + place!.height / 2);
    await page.mouse.down();
    await expect.poll(isHeld).toBe('true');
    await page.mouse.up();
    await page.keyboard.press('k');
    const kept = page.getByRole('region', { name: 'Keep this run' });
    await kept.getByText('by hand 1').waitFor();
    expect(await kept.getByText(/^press S1 at/).count()).toBe(2);
    await kept.getByRole('button', { name: 'Keep it so' }).click();
    await kept.getByText('“by hand 1” is a scenario of this exercise now.').waitFor();
    await expect
      .poll(() =>
        world.query(
          `select 1 from exercise where id = '${id}' and draft->'scenarios' @> '[{"name": "by hand 1"}]'`,
        ),
      )
      .toHaveLength(1);
    await context.close();
  });

  test('says of a program that never rests how far it can be shown, and does not stand still itself', async () => {
    const { page, context } = await visitAsInstructor(world);
    const id = await exerciseOf('beacon');
    await world.query(
      `update exercise set draft = jsonb_set(draft, '{program}', to_jsonb('volatile long a = 0;' || chr(10) || 'void setup() { pinMode(13, OUTPUT); }' || chr(10) || 'void loop() { a = a + 1; digitalWrite(13, a % 2); }'::text)) where id = '${id}'`,
    );
    await page.goto(`/exercises/${id}/run`);
    await page.getByText(/^This program (never rests|changes its pins so fast)/).waitFor();
    await page.keyboard.press('Space');
    await expect.poll(() => clock(page)).toBeGreaterThan(0.1);
    await context.close();
  });

  test('says a line in its author’s words, wherever the line goes', async () => {
    const { page, context } = await visitAsInstructor(world);
    const id = await exerciseOf('fog-lamp');
    await page.goto(`/exercises/${id}`);
    await page.getByText('The program explained line by line').click();
    const said = page.getByRole('list', { name: 'The program explained line by line' });
    await said
      .getByRole('button', { name: /^Say line \d+ in your words/ })
      .nth(2)
      .click();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type('This is how the harbour says it.');
    await page.keyboard.press('Enter');
    await said.getByText('This is how the harbour says it.').waitFor();
    await page.goto(`/exercises/${id}/wall`);
    const words = page.getByText('This is how the harbour says it.');
    // Lines come when they have been worked out.
    const find = async (): Promise<boolean> => {
      for (let press = 0; press < 60; press += 1) {
        if ((await words.count()) === 1) return true;
        await page.keyboard.press('PageDown');
      }
      for (let press = 0; press < 60; press += 1) await page.keyboard.press('PageUp');
      return false;
    };
    await expect.poll(find).toBe(true);
    await context.close();
  });

  test('on the wall is read from the last row, and driven by a clicker', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.setViewportSize(LAPTOP);
    await page.goto(`/exercises/${await exerciseOf('night-bell')}/wall`);
    // Its lines come when they have been worked out.
    await page.getByText(/^1\/[2-9]\d$/).waitFor();
    const seen = new Set<string>();
    for (let press = 0; press < 28; press += 1) {
      const small = await page.evaluate(() =>
        [...document.querySelectorAll('main :is(p, h1, button, pre div)')]
          .filter((node) => (node.textContent ?? '').trim() !== '')
          .map((node) => parseFloat(getComputedStyle(node).fontSize))
          .filter((size) => size < 28),
      );
      expect(small).toEqual([]);
      seen.add(await page.locator('main').innerText());
      await page.keyboard.press('PageDown');
    }
    expect(seen.size).toBeGreaterThan(15);
    await page.keyboard.press('r');
    await page.getByRole('button', { name: 'Stand still' }).waitFor();
    await page.keyboard.press('.');
    await page.getByLabel('The wall is dark').waitFor();
    await page.keyboard.press('.');
    await page.keyboard.press('PageUp');
    await context.close();
  });
});

describe('a hand-in seen running', () => {
  test('stands beside the reference, with the moment at which they part', async () => {
    const { page, context } = await visitAsInstructor(world);
    // Kaya's wire is one row off, so that her LED stays dark.
    const submission = await one(
      `select submission.id from submission join learner on learner.id = learner_id
        join publication on publication.id = publication_id join revision on revision.id = revision_id
        where learner.name = 'Kaya' and revision.content->>'id' = 'beacon' order by attempt limit 1`,
    );
    await page.goto(`/reports/${submission}`);
    await page.getByRole('link', { name: 'See it run' }).click();
    await page
      .getByText('From the start D1 is lit in the reference and is dark here. The pins do the same in both')
      .waitFor();
    await page
      .getByText(/W1 .*row/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Show that moment' }).click();
    await expect.poll(() => clock(page)).toBeCloseTo(0.05, 1);
    await page.getByRole('button', { name: 'What Kaya built' }).click();
    await page.getByRole('region', { name: 'Program of What Kaya built', exact: true }).waitFor();
    await context.close();
  });
});

describe('the bench', () => {
  test('runs what is recorded after a guess, and puts that beside what is seen', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await joinAsLearner(page, 'Finn');
    await openBench(page, 'Task');
    // What it should do is seen without how it is made.
    await page.getByRole('button', { name: 'See what it should do' }).click();
    const wanted = page.getByRole('region', { name: 'What it should do' });
    await wanted.getByRole('button', { name: /^Run/ }).click();
    await wanted.getByRole('button', { name: /^Stand still/ }).waitFor();
    expect(await wanted.innerText()).not.toMatch(/pin|digitalWrite/);
    await wanted.getByRole('button', { name: 'Close' }).click();

    await page.getByRole('button', { name: 'Run', exact: true }).click();
    await page.getByText(/In this class it is built first/).waitFor();
    await page.getByRole('button', { name: 'Record the wiring' }).first().click();
    await recordWiring(page, false);
    await writeProgram(page);
    await page.getByRole('button', { name: 'Run', exact: true }).click();
    await page.getByLabel('Before it runs: what will be seen?').fill('It blinks once in three seconds.');
    await page.getByRole('button', { name: 'Now run it' }).click();
    const stage = page.getByRole('region', { name: 'Your build, running' });
    await stage.getByRole('button', { name: /^Stand still/ }).waitFor();
    await stage.getByRole('button', { name: /^Stand still/ }).click();
    await stage.getByText('“It blinks once in three seconds.”').waitFor();
    await stage
      .getByText(/D1 .*0\.5 s/)
      .first()
      .waitFor();
    await stage.getByRole('button', { name: 'Line by line' }).click();
    await stage
      .getByText(/^Line \d+\./)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await page.getByRole('img', { name: /^What you have recorded/ }).waitFor();
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('records a step as it is shown by one tap, and says where the record has it otherwise', async () => {
    await world.query(`update course set rules = rules || '{"stepsAtBench": "shown"}'`);
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Ebba');
    await openBench(page, 'Task');
    await page.getByText(/^Step 1 of 4$/).waitFor();
    for (let step = 0; step < 4; step += 1)
      await page.getByRole('button', { name: 'I did this as shown' }).click();
    await page.getByText('It is in your record as shown.').waitFor();
    await page.getByRole('tab', { name: 'Wiring' }).click();
    const end = page.getByLabel('other end of W1', { exact: true });
    expect(await end.inputValue()).toBe('a5');
    await end.fill('a7');
    await page.getByRole('tab', { name: 'Task' }).click();
    const otherwise = page.getByText('Your record has W1 otherwise.', { exact: false });
    for (let step = 0; step < 4 && (await otherwise.count()) === 0; step += 1)
      await page.getByRole('button', { name: 'Next step' }).click();
    await otherwise.waitFor();
    await context.close();
  });

  test('opens again and runs without a connection, and shows nobody’s bench to the next one', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Gaia');
    await openBench(page);
    await page.getByText('opens offline').waitFor();
    await recordWiring(page, false);
    await writeProgram(page);
    await page.getByText('Saved on this tablet').waitFor();
    await world.stopServer();
    onTestFinished(world.startServer);
    await page.reload();
    await page.getByText('Saved on this tablet').waitFor();
    await page.getByRole('tab', { name: 'Wiring' }).click();
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('a5');
    await page.getByRole('button', { name: 'Run', exact: true }).click();
    await page.getByRole('button', { name: 'Run it without a guess' }).click();
    await page.getByRole('button', { name: /^Stand still/ }).waitFor();
    await world.startServer();
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await page.getByRole('button', { name: /Sign out/ }).click();
    await page.getByLabel('Class code').waitFor();
    expect(await page.evaluate(async () => (await caches.keys()).includes('didaktor-pages'))).toBe(false);
    await context.close();
  });

  test('offers words while a program is typed, and mends a mistake by one key', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    // Several workers live beside each other, whatever keeps their files.
    await page.getByText('opens offline').waitFor();
    await page.reload();
    await page.getByText('Saved on this tablet').waitFor();
    await writeProgram(page, 'void setup() {\n  pinMode(13, OUTPUT);\n}\n\nvoid loop() {\n  ');
    const { keyboard } = page;
    await keyboard.type('digitalW');
    await page.getByText('Sets a pin HIGH or LOW.').waitFor();
    await page.getByRole('option', { name: /^digitalWrite/ }).click();
    await keyboard.type('(13, HIGH)');
    await keyboard.press('Enter');
    await keyboard.type('}');
    // Not in the middle of the word, and then with its repair.
    await expect.poll(() => page.locator('.cm-lintRange-error').count()).toBeGreaterThan(0);
    await keyboard.press('ArrowUp');
    // Without a pointer that hovers, a word is looked up by a button.
    await keyboard.press('Home');
    await page.getByRole('button', { name: /^What does this word do/ }).tap();
    await page.locator('.cm-word', { hasText: 'Sets a pin HIGH or LOW.' }).waitFor();
    await keyboard.press('Control+.');
    await expect
      .poll(async () => (await page.getByLabel('Your program').innerText()).replace(/\s+/g, ' '))
      .toContain('digitalWrite(13, HIGH);');
    await expect.poll(() => page.locator('.cm-lintRange-error').count()).toBe(0);
    await context.close();
  });

  test('leads from the bare board to its blinking LED, and the room sees how far', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Zeno');
    await openBench(page, 'Task');
    await page.getByRole('link', { name: 'Get the board ready' }).click();
    await page.getByRole('button', { name: /school laptop/ }).click();
    await page.getByRole('heading', { name: 'The board alone' }).waitFor();
    await page.getByRole('button', { name: 'I see that' }).click();
    await page.getByRole('heading', { name: 'Plug it in' }).waitFor();
    await page.getByRole('button', { name: 'It is not so' }).click();
    await page.getByText('Try another cable: some only charge.').waitFor();
    await expect
      .poll(() => world.query(`select 1 from bring_up where step = 'plug' and not is_ready`))
      .toHaveLength(1);
    // It goes on where it was left.
    await page.reload();
    await page.getByRole('heading', { name: 'Plug it in' }).waitFor();
    await page.getByRole('button', { name: /Load the first program/ }).click();
    await page.getByLabel(/red text/).fill('could not open the port: access is denied');
    await page.getByText('Something else holds the port').waitFor();
    await page.getByRole('button', { name: 'Go back to that step' }).click();
    await page.getByRole('heading', { name: 'Find its port' }).waitFor();
    for (let step = 0; step < 3; step += 1) await page.getByRole('button', { name: 'I see that' }).click();
    await page.getByRole('heading', { name: 'Your board is ready' }).waitFor();
    const desk = await visitAsInstructor(world);
    await desk.page.goto(
      `/classes/${await one(`select class_id as id from learner where name = 'Zeno'`)}/room`,
    );
    await desk.page.getByText('board ready').waitFor();
    await desk.context.close();
    await context.close();
  });
});
