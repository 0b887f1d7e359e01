import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { unreachedControls } from './keyboard';
import { visitAsInstructor } from './people';
import { createWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('every control can be reached by the keys, and shows that it was', () => {
  test('in every view of an instructor', async () => {
    const { page, context } = await visitAsInstructor(world);
    const go = async (view: string): Promise<void> => {
      await page.waitForLoadState('networkidle');
      expect(await unreachedControls(page), view).toEqual([]);
    };
    await go('Today');
    await page.getByRole('link', { name: 'Worksheet' }).first().click();
    await page.getByRole('figure', { name: 'Schematic' }).locator('svg').waitFor();
    await go('Worksheet');
    await page.getByRole('link', { name: 'The working harbour' }).click();
    await page.getByRole('heading', { name: 'New exercise' }).waitFor();
    await go('Course');
    await page.getByRole('link', { name: 'House rules' }).click();
    await page.getByRole('heading', { name: 'House rules', level: 1 }).waitFor();
    await go('House rules');
    await page.goto('/values');
    await page.getByRole('heading', { name: 'Value bench', level: 1 }).waitFor();
    await go('Value bench');
    await page.goto('/boards');
    await page.getByRole('heading', { name: 'Boards and parts', level: 1 }).waitFor();
    await go('Boards');
    await page.getByRole('tab', { name: 'Parts' }).focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Find a part').waitFor();
    await go('Parts');
    await context.close();
  });
});
