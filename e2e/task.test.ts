import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { createWorld, LAPTOP, TABLET, type World } from './world';
import {
  joinAsLearner,
  openBench,
  places,
  PROGRAM,
  recordWiring,
  signInAsInstructor,
  visitAsInstructor,
} from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('the task at the bench', () => {
  test('says what must be seen, which pin for what and what is in the bag, and leads to the wiring', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await joinAsLearner(page, 'Gaia');
    await openBench(page, 'Task');
    const task = page.getByRole('tabpanel', { name: 'Task' });
    await task.getByRole('heading', { name: 'What must be seen' }).waitFor();
    await expect.poll(() => page.title()).toBe('Beacon, bench · Didaktor');
    expect(await task.getByText(/^The amber LED D1 is lit 0\.5\u00a0s, dark 2\.5\u00a0s/).count()).toBe(1);
    expect(await task.getByRole('heading', { name: 'Which pin for what' }).count()).toBe(1);
    expect(await task.getByText('orange, orange, brown, gold').count()).toBe(1);
    // How it is built is not in it, nor in the page.
    expect(await page.content()).not.toContain('B1.e5');
    await task.getByRole('button', { name: 'Record the wiring' }).tap();
    await page.getByLabel('one end of W1', { exact: true }).waitFor();
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('is recorded by tapping, with the next end active, and taken out again as one', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Finn');
    await openBench(page);
    await page.getByRole('button', { name: 'Check' }).tap();
    await page.getByText('Nothing is plugged in yet, so there is nothing to check.').waitFor();
    await page.getByLabel('long leg of D1', { exact: true }).tap();
    const keys = page.getByRole('region', { name: /^Keys for/ });
    await keys.getByRole('button', { name: 'e', exact: true }).tap();
    await keys.getByRole('button', { name: '5', exact: true }).tap();
    await keys.getByRole('button', { name: 'next' }).tap();
    // The other leg is likely in the next row: one tap.
    await keys.getByRole('button', { name: 'hole e6, and on' }).tap();
    expect(await page.getByLabel('short leg of D1', { exact: true }).inputValue()).toBe('e6');
    await keys.getByRole('button', { name: 'hole d6, and on' }).tap();
    expect(await page.getByLabel('one end of R1', { exact: true }).inputValue()).toBe('d6');
    await page.getByRole('button', { name: 'Start afresh: take every end out' }).tap();
    expect(await page.getByLabel('one end of R1', { exact: true }).inputValue()).toBe('');
    await page.getByRole('button', { name: 'Undo' }).tap();
    expect(await page.getByLabel('long leg of D1', { exact: true }).inputValue()).toBe('e5');
    await context.close();
  });
});

/** Opens an exercise of the course for the test class, and a learner's bench of it. */
async function openFor(page: Page, name: string, id: string, tab: 'Task' | 'Wiring'): Promise<void> {
  const [row] = await world.query(`insert into publication (revision_id, class_id)
    select revision.id, class.id from revision join exercise on exercise.id = exercise_id, class
    where exercise.draft->>'id' = '${id}' and class.code = 'LANTERN' returning id`);
  await joinAsLearner(page, name);
  await page.goto(`/bench/${(row as { readonly id: string }).id}`);
  await page.getByText('Saved on this tablet').waitFor();
  await page.getByRole('tab', { name: tab }).click();
}

describe('a stage on the way', () => {
  test('is tried with its own program once its parts are in, and ticked off when it works', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await openFor(page, 'Zeno', 'night-bell', 'Task');
    const trial = page.getByRole('button', { name: 'Try the button alone' });
    expect(await trial.isDisabled()).toBe(true);
    await page.getByText('Once S1 is in your record.').waitFor();
    await page.getByRole('tab', { name: 'Wiring' }).click();
    const ends: readonly (readonly [string, string])[] = [
      ['leg 1 of S1', 'e10'],
      ['leg 2 of S1', 'f10'],
      ['leg 3 of S1', 'e12'],
      ['leg 4 of S1', 'f12'],
      ['one end of W2', 'a-12'],
      ['other end of W2', 'a12'],
      ['one end of W3', 'a-1'],
      ['other end of W3', 'GND'],
      ['one end of W6', 'a11'],
      ['other end of W6', '2'],
    ];
    for (const [label, place] of ends) await page.getByLabel(label, { exact: true }).fill(place);
    await page.getByRole('tab', { name: 'Task' }).click();
    await trial.click();
    await page.getByRole('tab', { name: 'Program' }).click();
    await page.getByRole('region', { name: 'Program to try the button alone' }).waitFor();
    // A wire in the row beside is a matter of this stage; bell and LED in the bag are not.
    await page.getByRole('button', { name: 'Check', exact: true }).click();
    await page.getByText('It doesn’t do its job yet.').waitFor();
    await page.getByRole('tab', { name: 'Wiring' }).click();
    await page.getByLabel('one end of W6', { exact: true }).fill('a10');
    await page.getByRole('button', { name: 'Run', exact: true }).click();
    await page.getByText('free', { exact: false }).first().waitFor();
    await page.getByRole('button', { name: 'Check', exact: true }).click();
    await page.getByRole('heading', { name: 'It works so far' }).waitFor();
    await page.getByRole('button', { name: 'Go on building' }).click();
    await page.getByRole('tab', { name: 'Task' }).click();
    await page.getByText('It works.', { exact: true }).waitFor();
    // It is still ticked off tomorrow, and nobody has been told that the exercise is done.
    await page.reload();
    await page.getByText('Saved on this tablet').waitFor();
    await page.getByRole('tab', { name: 'Task' }).click();
    await page.getByText('It works.', { exact: true }).waitFor();
    expect(await world.query('select 1 from bench_check where passed')).toEqual([]);
    expect(complaints).toEqual([]);
    await context.close();
  });
});

describe('a program with gaps', () => {
  test('has them where its author has chosen, and says which are still open', async () => {
    const { page, context } = await visitAsInstructor(world);
    const [row] = await world.query(`select id from exercise where draft->>'id' = 'fog-lamp'`);
    await page.goto(`/exercises/${(row as { readonly id: string }).id}`);
    const editor = page.getByLabel('Reference program');
    await editor.getByText('OUTPUT').first().dblclick();
    await page.getByRole('button', { name: /^Gap/ }).click();
    await page.getByText('One gap').waitFor();
    await page.getByRole('button', { name: 'Hand it out with these gaps' }).click();
    await page.getByText('What learners get').click();
    await page
      .getByRole('region', { name: 'The program with its gaps' })
      .getByText('____', { exact: false })
      .first()
      .waitFor();
    await page.getByText('All changes saved').waitFor();
    await page.goto(`/exercises/${(row as { readonly id: string }).id}/preview`);
    await page.getByRole('tab', { name: 'Program' }).click();
    await page.getByLabel('Your program').getByText('____', { exact: false }).first().waitFor();
    await context.close();
  });
});

describe('a build', () => {
  test('goes on as two equal parts have begun, by one tap', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Ebba');
    await openBench(page);
    for (let count = 0; count < 3; count += 1) {
      await page.getByRole('button', { name: 'Add what else you plugged in' }).tap();
      await page.getByRole('menuitem', { name: 'resistor', exact: true }).tap();
    }
    for (const [end, place] of [
      ['one end of R1', 'a2'],
      ['other end of R1', 'e2'],
      ['one end of R2', 'a4'],
      ['other end of R2', 'e4'],
    ] as const)
      await page.getByLabel(end, { exact: true }).fill(place);
    await page.getByRole('button', { name: 'All 2 as before, to a8 and e8' }).tap();
    expect(await page.getByLabel('one end of R3', { exact: true }).inputValue()).toBe('a6');
    expect(await page.getByLabel('other end of R4', { exact: true }).inputValue()).toBe('e8');
    await page.getByRole('button', { name: 'Undo' }).tap();
    expect(await page.getByLabel('one end of R3', { exact: true }).inputValue()).toBe('');
    await context.close();
  });

  test('of nothing is handed in when that is meant, and asked about once', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Gaia');
    await openBench(page);
    await page.getByRole('tab', { name: 'Hand in' }).tap();
    await page.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await page.getByText('Nothing is plugged in yet. Do you want to hand it in like this?').waitFor();
    expect(await page.getByText('Handed in.').count()).toBe(0);
    await page.getByRole('button', { name: 'Hand in anyway' }).tap();
    await page.getByText('Handed in.').waitFor();
    await context.close();
  });

  test('has its cautions with the parts that they are about', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Ebba');
    await openBench(page, 'Task');
    const begin = page.getByRole('region', { name: 'Before you begin' });
    await begin.getByText(/Unplug the board before any change/).waitFor();
    expect(await begin.getByText(/resistor/).count()).toBe(0);
    const bag = page.getByRole('region', { name: 'In the bag' });
    expect(
      await bag
        .getByRole('listitem')
        .filter({ hasText: 'LED' })
        .getByText(/resistor/)
        .count(),
    ).toBe(1);
    await context.close();
  });
});

describe('a wire', () => {
  /** The middle of a hole of the drawing, in the window. */
  const holeAt = async (page: Page, row: string, column: string): Promise<readonly [number, number]> => {
    const drawing = page.getByRole('img', { name: /^What you have recorded/ });
    const across = await drawing
      .locator('[data-role="column-name"]')
      .filter({ hasText: column })
      .first()
      .boundingBox();
    const down = await drawing
      .locator('[data-role^="row-name"]')
      .filter({ hasText: row })
      .first()
      .boundingBox();
    return [across!.x + across!.width / 2, down!.y + down!.height / 2];
  };

  test('is pulled from hole to hole with a mouse', async () => {
    const { page, context } = await world.visit(LAPTOP);
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    const [from, to] = [await holeAt(page, '12', 'b'), await holeAt(page, '14', 'd')];
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move(...to, { steps: 4 });
    await page.mouse.up();
    await expect.poll(() => page.getByLabel('one end of W1', { exact: true }).inputValue()).toBe('b12');
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('d14');
    await context.close();
  });

  test('is tapped from hole to hole with a finger, each seen from near', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Zeno');
    await openBench(page);
    for (const [row, column, title] of [
      ['12', 'b', 'Tap where a wire begins'],
      ['14', 'd', 'Tap where the wire ends'],
    ] as const) {
      await page.touchscreen.tap(...(await holeAt(page, row, column)));
      const loupe = page.getByRole('dialog', { name: title });
      const box = await loupe.getByRole('img').boundingBox();
      await page.touchscreen.tap(box!.x + box!.width / 2, box!.y + box!.height / 2);
    }
    await expect.poll(() => page.getByLabel('one end of W1', { exact: true }).inputValue()).toBe('b12');
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('d14');
    await context.close();
  });
});

describe('an instructor', () => {
  test('tries an exercise as a learner, and nothing of it is handed in', async () => {
    const { page, context, complaints } = await world.visit(LAPTOP);
    await signInAsInstructor(page);
    await page.keyboard.press('Control+k');
    await page.keyboard.type('beacon worksheet');
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: 'Try as a learner' }).click();
    await page.getByRole('heading', { name: 'What must be seen' }).waitFor();
    await expect.poll(() => page.title()).toBe('Beacon, preview · Didaktor');
    await recordWiring(page, false);
    await page.getByRole('tab', { name: 'Program' }).click();
    await page.getByLabel('Your program').fill(PROGRAM);
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await page.getByRole('tab', { name: 'Hand in' }).click();
    expect(await page.getByRole('button', { name: 'Hand in', exact: true }).isDisabled()).toBe(true);
    expect(places(false).length).toBeGreaterThan(0);
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('sees before it goes out what a class would lack, and writes scenarios as people say them', async () => {
    const { page, context } = await world.visit(LAPTOP);
    await signInAsInstructor(page);
    await page.keyboard.press('Control+k');
    await page.keyboard.type('night bell worksheet');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Publish' }).click();
    await page.getByText('Nothing is missing for a class.').waitFor();
    await page.keyboard.press('Escape');
    await expect.poll(() => page.title()).toBe('Night bell, worksheet · Didaktor');
    const line = page.getByLabel('Another scenario');
    await line.fill('make it nice');
    await page.keyboard.press('Enter');
    await page.getByText(/is not understood\. Write it like/).waitFor();
    await line.fill('D1 and Z1 turn on after 2 seconds');
    await page.keyboard.press('Enter');
    await page.getByText('D1 is on all the time from 2.1 s.').waitFor();
    await page.getByText('Z1 sounds all the time from 2.1 s.').waitFor();
    await page
      .getByLabel(/^Do meanwhile in scenario/)
      .last()
      .fill('hold the button for 3 seconds');
    await page.keyboard.press('Enter');
    await page.getByText('press S1 at 1 s for 3 s.').waitFor();
    // A scenario that is written after one was taken away has a name of its own.
    const names = page.getByLabel(/^Name of scenario/);
    await line.fill('D1 lit 0.1 s, dark 9 s');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Remove: D1 is on all the time from 2.1 s' }).click();
    await page.getByRole('button', { name: 'Remove: Z1 sounds all the time from 2.1 s' }).click();
    await line.fill('D1 lit 0.2 s, dark 8 s');
    await page.keyboard.press('Enter');
    await page.getByText('All changes saved.').waitFor();
    const given = await names.evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
    expect(given).toEqual(['a visitor rings', 'rings twice', 'scenario 4', 'scenario 5']);
    // What is written for learners stands at their bench.
    await page.getByLabel('What a learner reads at the bench').fill('Ring so that the watch wakes up.');
    await page.getByLabel('Your own cautions, a line each').fill('Ears off the buzzer.');
    await page.getByLabel('Minutes', { exact: true }).fill('35');
    await page.getByText('All changes saved.').waitFor();
    await page.getByRole('link', { name: 'Try as a learner' }).click();
    await page.getByText('Ring so that the watch wakes up.').waitFor();
    await page.getByRole('tabpanel', { name: 'Task' }).getByText('Ears off the buzzer.').waitFor();
    await context.close();
  });
});
