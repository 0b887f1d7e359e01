import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { visitAsInstructor } from './people';
import { createWorld, LAPTOP, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('the focus', () => {
  test('of who goes by keys is never lost with what had it', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'Worksheet: Night bell' }).first().click();
    const focusIsLost = () => page.evaluate(() => document.activeElement === document.body);
    const sentence = page.getByRole('button', { name: /^Remove: / }).first();
    await sentence.waitFor();
    // The way there is by keys: from the field before it.
    await page
      .getByLabel(/^Do meanwhile in /)
      .first()
      .focus();
    await page.keyboard.press('Shift+Tab');
    const gone = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
    expect(gone).toMatch(/^Remove: /);
    await page.keyboard.press('Enter');
    await expect.poll(() => page.getByRole('button', { name: gone, exact: true }).count()).toBe(0);
    expect(await focusIsLost()).toBe(false);
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: /^Publish/ }).focus();
    await page.keyboard.press('Enter');
    await page
      .getByRole('button', { name: /^Dates for/ })
      .first()
      .focus();
    await page.keyboard.press('Enter');
    const cancel = page.getByRole('button', { name: 'Cancel' });
    await cancel.focus();
    await page.keyboard.press('Enter');
    await cancel.waitFor({ state: 'detached' });
    expect(await focusIsLost()).toBe(false);
    await context.close();
  });
});

describe('single-letter keys', () => {
  test('are turned off and on again in the palette', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.setViewportSize(LAPTOP);
    await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await page.getByRole('button', { name: /^Publish/ }).waitFor();
    const toggle = async (): Promise<void> => {
      await page.keyboard.press('Control+k');
      await page.getByPlaceholder('Where to?').fill('single');
      await page.keyboard.press('Enter');
      await page.getByPlaceholder('Where to?').waitFor({ state: 'hidden' });
    };
    await toggle();
    await page.keyboard.press('p');
    await page.waitForTimeout(300);
    expect(await page.getByRole('heading', { name: 'Open for a class' }).count()).toBe(0);
    await toggle();
    await page.keyboard.press('p');
    await page.getByRole('heading', { name: 'Open for a class' }).waitFor();
    await context.close();
  });
});
