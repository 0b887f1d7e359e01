import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { createWorld, type World } from './world';
import { joinAsLearner, openBench, recordWiring, signInAsInstructor, writeProgram } from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('the Review desk', () => {
  test('groups the class by what is wrong, and the keys J and K walk through', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page
      .getByRole('region', { name: 'Evening class' })
      .getByRole('link', { name: 'Review desk: Beacon', exact: true })
      .click();
    const chosen = page.getByRole('navigation', { name: 'Groups' }).locator('[aria-current="true"]');
    await expect.poll(() => chosen.innerText()).toContain('In the wrong row');
    expect(await chosen.innerText()).toMatch(/Kaya\s+·\s+Wanda/);
    await page.keyboard.press('j');
    await expect.poll(() => chosen.innerText()).toContain('Part with both legs in one row');
    await page.keyboard.press('k');
    await expect.poll(() => chosen.innerText()).toContain('In the wrong row');
    expect(await page.getByText('11 of 24 work').count()).toBe(1);
    await context.close();
  });

  test('shows a fault of the program beside the reference, its line marked', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page
      .getByRole('region', { name: 'Evening class' })
      .getByRole('link', { name: 'Review desk: Beacon', exact: true })
      .click();
    await page
      .getByRole('button', { name: /Timing is off/ })
      .first()
      .click();
    await page.getByRole('heading', { name: /is dark for 0\.25 s; it should be 2\.5 s/ }).waitFor();
    const learner = page.getByRole('article').getByRole('listitem').filter({ hasText: 'Selma' }).first();
    await learner.getByRole('button', { name: /Delay missing/ }).click();
    await page.getByRole('heading', { name: /too short to see/ }).waitFor();
    expect(await page.getByRole('region', { name: 'The program of Selma' }).innerText()).toMatch(/▸ \d+/);
    await context.close();
  });
});

describe('the way between views', () => {
  test('is the palette from everywhere, the mark to home, and the trail above the title', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page.keyboard.press('Control+k');
    await page.keyboard.type('beacon worksheet');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'What is seen' }).waitFor();
    const trail = page.getByRole('navigation', { name: 'Where you are' });
    expect((await trail.innerText()).split(/\s*\/\s*/)).toEqual([
      'Today',
      'The working harbour',
      'Worksheet',
    ]);
    await page.getByRole('button', { name: 'Go to' }).click();
    await page.getByPlaceholder('Where to?').fill('review evening');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'What was checked' }).waitFor();
    await page.getByRole('link', { name: 'Today' }).first().click();
    await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
    await context.close();
  });

  test('keeps the theme that was chosen', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page.getByRole('button', { name: 'Dark theme' }).click();
    await page.reload();
    expect(await page.locator('html').getAttribute('data-theme')).toBe('dark');
    await page.getByRole('button', { name: 'Light theme' }).click();
    expect(await page.locator('html').getAttribute('data-theme')).toBe('light');
    await context.close();
  });

  test('ends at a page that is not there with a way back', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    expect((await page.goto('/reports/00000000-0000-0000-0000-000000000000'))!.status()).toBe(404);
    await page.getByRole('link', { name: 'Go to Today' }).click();
    await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
    await context.close();
  });
});

describe('the Worksheet', () => {
  test('follows a connection on the drawing, by pointer and by keyboard', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page.getByRole('link', { name: 'Worksheet' }).first().click();
    const threads = page.locator('[data-role="trace"]');
    await expect.poll(() => threads.count()).toBe(3);
    await page.getByRole('region', { name: 'Connections' }).getByText('GND', { exact: true }).hover();
    await expect.poll(() => threads.count()).toBe(1);
    await page.mouse.move(5, 5);
    await expect.poll(() => threads.count()).toBe(3);
    await page.getByRole('button', { name: '13: connect it elsewhere' }).focus();
    await expect.poll(() => threads.count()).toBe(1);
    await context.close();
  });

  test('shows what the core computes', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    await page.getByRole('link', { name: 'Worksheet' }).first().click();
    const values = await page.getByRole('region', { name: 'Values' }).innerText();
    expect(values).toContain('8.5mA through D1');
    expect(values).toContain('Worst case 6.9 to 10.2 mA');
    expect(await page.getByRole('region', { name: 'Check' }).textContent()).toContain(
      'The reference passes: lit 0.50 s, dark 2.5 s, lit 4 times.',
    );
    await context.close();
  });
});

describe('the Bench', () => {
  test('follows the current step by step to where it stops, and steps back', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    await recordWiring(page, true);
    await writeProgram(page);
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByRole('button', { name: 'Follow the current' }).click();
    const way = page.getByRole('region', { name: 'The path of the current' });
    await way.getByText('The current starts at pin 13.').waitFor();
    for (const text of [
      'Through the yellow wire W1 to hole a5.',
      'Along row 5, a to e, from a5 to e5.',
      'Here it stops: the amber LED D1 does not let it in through its short leg.',
    ]) {
      await way.getByRole('button', { name: 'Next step' }).click();
      await way.getByText(text).waitFor();
    }
    expect(await way.getByRole('button', { name: 'Next step' }).isDisabled()).toBe(true);
    await way.getByRole('button', { name: 'Back' }).click();
    await way.getByText('Along row 5').waitFor();
    await way.getByRole('button', { name: 'Close' }).click();
    await page.getByText('It doesn’t do its job yet.').waitFor();
    await context.close();
  });

  test('says when bench and record disagree', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Zeno');
    await openBench(page);
    await recordWiring(page, false);
    await writeProgram(page);
    await page.getByRole('tab', { name: 'Hand in' }).click();
    await page.getByText('It stayed dark').click();
    await page.getByRole('button', { name: 'Check' }).click();
    for (const name of ['Give me a hint', 'One more hint', 'One more hint'])
      await page.getByRole('button', { name }).click();
    await page.getByText('Press each leg of D1 down and look.').waitFor();
    await context.close();
  });

  test('takes a program pasted from a slide, with its odd spaces', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Ebba');
    await openBench(page);
    await recordWiring(page, false);
    await page.getByRole('tab', { name: 'Program' }).click();
    await page
      .getByLabel('Your program')
      .fill(
        'void setup() {\n\u00a0\u00a0pinMode(13, OUTPUT);\n}\nvoid loop() {\n\u00a0 digitalWrite(13, HIGH);\n\u00a0 delay(500);\n\u00a0 digitalWrite(13, LOW);\n\u00a0 delay(2500);\n}\n',
      );
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await context.close();
  });

  test('tells a danger at once, without hints', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Finn');
    await openBench(page);
    await recordWiring(page, false);
    await page.getByRole('button', { name: 'Add what else you plugged in' }).click();
    await page.getByRole('menuitem', { name: 'red wire' }).click();
    await page.getByLabel('one end of W3', { exact: true }).fill('5V');
    await page.getByLabel('other end of W3', { exact: true }).fill('a-9');
    await writeProgram(page);
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByRole('heading', { name: /Supply 5V and ground GND are connected directly/ }).waitFor();
    expect(await page.getByRole('button', { name: 'Give me a hint' }).count()).toBe(0);
    await context.close();
  });

  test('survives a program that never ends, and says which loop it is', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Gaia');
    await openBench(page);
    await recordWiring(page, false);
    await writeProgram(
      page,
      'long x = 0;\nvoid setup() {\n  pinMode(13, OUTPUT);\n  while (true) { x++; }\n}\nvoid loop() {\n}\n',
    );
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByRole('button', { name: 'Give me a hint' }).waitFor();
    for (const name of ['Give me a hint', 'One more hint', 'One more hint'])
      await page.getByRole('button', { name }).click();
    await page.getByRole('heading', { name: /The loop in line 4/ }).waitFor();
    await context.close();
  });

  test('steps an end from hole to hole with the arrow keys, and undoes it', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Yrsa', 'LANTERN');
    await openBench(page);
    const field = page.getByLabel('other end of W1', { exact: true });
    await field.fill('a5');
    await field.press('ArrowDown');
    await field.press('Shift+ArrowRight');
    expect(await field.inputValue()).toBe('b6');
    await page.keyboard.press('Control+z');
    await expect.poll(() => field.inputValue()).toBe('a6');
    await context.close();
  });
});

describe('a learner', () => {
  test('signed out on another tablet keeps the work here, and is told', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Zeno');
    await openBench(page);
    await recordWiring(page, false);
    await writeProgram(page);
    await world.query('delete from session');
    await page.getByRole('tab', { name: 'Hand in' }).click();
    await page.getByRole('button', { name: 'Hand in', exact: true }).click();
    await page.getByRole('alert').filter({ hasText: 'You are signed out.' }).waitFor();
    await joinAsLearner(page, 'Zeno');
    await openBench(page);
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('a5');
    await context.close();
  });

  test('hands in to an exercise that was closed meanwhile, is told, and loses nothing', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Finn');
    await openBench(page);
    await recordWiring(page, false);
    await writeProgram(page);
    await world.query(
      `update publication set closed_at = now() where class_id = (select id from class where code = 'LANTERN')`,
    );
    await page.getByRole('tab', { name: 'Hand in' }).click();
    await page.getByRole('button', { name: 'Hand in', exact: true }).click();
    await page.getByRole('alert').filter({ hasText: 'This exercise has been closed.' }).waitFor();
    await world.query(
      `update publication set closed_at = null where class_id = (select id from class where code = 'LANTERN')`,
    );
    await page.getByRole('button', { name: 'Hand in', exact: true }).click();
    await page.getByText('Handed in.').waitFor();
    await context.close();
  });

  test('is told of a wrong word and a wrong code in their place', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Gaia');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByLabel('Class code').fill('NOWHERE');
    await page.getByRole('button', { name: 'Find my class' }).click();
    await page.getByRole('alert').filter({ hasText: 'No class has the code “NOWHERE”' }).waitFor();
    await page.getByLabel('Class code').fill('LANTERN');
    await page.getByRole('button', { name: 'Find my class' }).click();
    await page.getByLabel('Your name').selectOption({ label: 'Gaia' });
    await page.getByLabel(/private word/).fill('wrong');
    await page.getByRole('button', { name: 'Go to my bench' }).click();
    await page.getByRole('alert').filter({ hasText: 'That is not the word you chose.' }).waitFor();
    await context.close();
  });
});
