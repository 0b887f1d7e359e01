import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Page } from 'playwright-core';
import { visitAsInstructor } from './people';
import { createWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

async function openCourse(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'The working harbour' }).first().click();
  await page.getByRole('heading', { name: 'New exercise' }).waitFor();
}

const titles = async (): Promise<readonly string[]> =>
  (
    await world.query<{ title: string }>("select draft->>'title' as title from exercise order by position")
  ).map(({ title }) => title);

describe('the Course', () => {
  test('shows what each exercise teaches, builds on and brings, and what is used before it is taught', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    const bell = page.getByRole('listitem', { name: 'Night bell' });
    expect(await bell.innerText()).toContain('New on the bench: push button, active buzzer');
    expect(await page.getByRole('complementary').innerText()).toContain('Signal mast uses serial read');
    await context.close();
  });

  test('is put in order by the keys and by dragging', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    expect((await titles()).slice(0, 2)).toEqual(['Beacon', 'Leading lights']);
    await page.getByRole('link', { name: 'Leading lights' }).focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(async () => (await titles()).slice(0, 2)).toEqual(['Leading lights', 'Beacon']);
    const handle = page.getByRole('button', { name: 'Move Beacon', exact: true });
    const [from, to] = [
      (await handle.boundingBox())!,
      (await page.getByRole('button', { name: 'Move Leading lights' }).boundingBox())!,
    ];
    await page.mouse.move(from.x + 10, from.y + 15);
    await page.mouse.down();
    await page.mouse.move(from.x + 10, from.y - 30, { steps: 4 });
    await page.mouse.move(to.x + 10, to.y + 10, { steps: 8 });
    await page.mouse.up();
    await expect.poll(async () => (await titles()).slice(0, 2)).toEqual(['Beacon', 'Leading lights']);
    await context.close();
  });

  test('names all exercises by a pattern, and takes the numbers away again', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    await page.getByLabel('Rename all with a pattern').fill('{lesson}.{k} {title}');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect.poll(async () => (await titles())[2]).toBe('2.1 Night bell');
    await page.getByLabel('Rename all with a pattern').fill('{title}');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect.poll(async () => (await titles())[2]).toBe('Night bell');
    await context.close();
  });

  test('says what changed since an exercise was published', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    await page.getByRole('link', { name: 'Beacon', exact: true }).click();
    await page.getByLabel('Part line 1', { exact: true }).fill('amber LED on 13 (2-13) with 470');
    await page.getByText('All changes saved.').waitFor();
    await page.getByRole('link', { name: 'The working harbour' }).click();
    await page.getByRole('button', { name: 'What to do with Beacon', exact: true }).click();
    await page.getByRole('menuitem', { name: 'What was published, what changed' }).click();
    await page.getByText('R1 was 330 Ω resistor, now 470 Ω resistor.').waitFor();
    await context.close();
  });

  test('refuses a file that is no exercise, and says where', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    await page.getByLabel('or take one from a file').setInputFiles({
      name: 'x.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{ "format": "didaktor/exercise@1" }'),
    });
    await page.getByRole('alert').getByText(/^id: /).waitFor();
    await context.close();
  });
});

describe('the House rules', () => {
  test('are followed by what leaves them open, and an exercise sees what another school would change', async () => {
    const { page, context } = await visitAsInstructor(world);
    await openCourse(page);
    await page.getByLabel('Title', { exact: true }).fill('Doorbell');
    await page.getByRole('button', { name: 'Begin it' }).click();
    await page.getByLabel('New part line').fill('button on 2');
    await page.getByText('All changes saved.').waitFor();
    await page.getByText('Make an exception here').click();
    await page.getByRole('button', { name: 'Pull-down resistor' }).click();
    await page.getByText('R1 comes in: 10k resistor.').waitFor();
    await page.getByRole('link', { name: 'The working harbour' }).click();
    await page.getByRole('link', { name: 'House rules' }).click();
    await page.getByRole('radio', { name: /Pull-down resistor/ }).click();
    const circuit = async (): Promise<string> =>
      JSON.stringify(
        await world.query("select draft->'nets' as nets from exercise where draft->>'title' = 'Doorbell'"),
      );
    await expect.poll(circuit).toContain('S1.3');
    await expect.poll(circuit).toContain('U1.5V');
    await page.getByRole('button', { name: 'Back to the default' }).click();
    await expect.poll(circuit).not.toContain('U1.5V');
    await context.close();
  });
});

describe('Boards and parts', () => {
  test('a copied board is checked, kept, and can be chosen for an exercise', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto('/boards');
    await page.getByRole('button', { name: 'Copy it and change the copy' }).click();
    const profile = page.getByLabel('Board profile');
    const text = await profile.inputValue();
    await profile.fill(text.replace('"recommendedMa": 20', '"recommendedMa": 60'));
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('drive.recommendedMa: a pin is recommended more current than it stands').waitFor();
    await profile.fill(text.replace('"recommendedMa": 20', '"recommendedMa": 15'));
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('A pin should give 15 mA').waitFor();
    await page.goto('/');
    await page.getByRole('link', { name: 'The working harbour' }).first().click();
    await page.getByLabel('Title', { exact: true }).fill('On my board');
    await page.getByLabel('Starts from').selectOption({ label: 'nothing, learner board, 5 V' });
    await page.getByRole('button', { name: 'Begin it' }).click();
    await page.getByLabel('New part line').fill('red lamp on 12 at 18 mA');
    await page
      .getByRole('combobox', { name: 'Board', exact: true })
      .selectOption({ label: 'my learner board, 5 V' });
    await page.getByText('A pin should give no more than 15 mA.').waitFor();
    await page.getByText('All changes saved.').waitFor();
    await context.close();
  });

  test('the Value bench shows its formula with the numbers put in, and says what it cannot take', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto('/values');
    const led = page.getByRole('region', { name: 'Resistor for an LED' });
    await led.getByText('R = (5.0 V − 2.0 V) / 8.0 mA').waitFor();
    await led.getByLabel('Wanted current I').fill('-8');
    await led.getByText('The current must be above zero.').waitFor();
    await led.getByLabel('Wanted current I').fill('4');
    await led.getByText(/gives 4\.\d mA/).waitFor();
    await led.getByLabel('Supply U').fill('1.5');
    await led.getByText('The supply is too low').waitFor();
    await context.close();
  });
});
