import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { violations } from './accessibility';
import { longLines, overflowOf, smallTargets } from './fit';
import { joinAsLearner, openBench, visitAsInstructor } from './people';
import { createWorld, LAPTOP, TABLET, type World } from './world';

/** Letters of a title that is as long as a careful author makes it. */
const LONG_TITLE =
  'A light at the end of the pier that tells the boats of the fishermen at what time of the day the tide will turn, and how far it has run';

let world: World;
beforeAll(async () => {
  world = await createWorld();
  await world.query(
    `update exercise set draft = jsonb_set(draft, '{title}', to_jsonb('${LONG_TITLE}'::text)) where draft->>'id' = 'fog-lamp'`,
  );
});
afterAll(() => world.end());

type Look = (view: string) => Promise<void>;

/** Goes to every view of an instructor, and looks at each. */
async function instructorsViews(page: Page, look: Look): Promise<void> {
  const to = async (view: string, path: string, heading: string): Promise<void> => {
    await page.goto(path);
    await page.getByRole('heading', { name: heading }).first().waitFor();
    await look(view);
  };
  const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
  const exercise = await one(`select id from exercise where draft->>'id' = 'beacon'`);
  const course = await one('select id from course');
  const handIn = await one('select id from submission order by handed_in_at limit 1');
  const desk = await one('select publication_id as id from submission order by handed_in_at limit 1');
  await to('today', '/', 'Today');
  await to('worksheet', `/exercises/${exercise}`, 'Beacon');
  await to(
    'worksheet with a long title',
    `/exercises/${await one(`select id from exercise where draft->>'id' = 'fog-lamp'`)}`,
    LONG_TITLE,
  );
  await to('preview', `/exercises/${exercise}/preview`, 'Beacon');
  await to('course', `/courses/${course}`, 'The working harbour');
  await to('house rules', `/courses/${course}/rules`, 'The circuit');
  await to('value bench', '/values', 'Resistor for an LED');
  await to('boards', '/boards', 'Sockets for power');
  await to('review desk', `/review/${desk}`, 'What was checked');
  await to('report', `/reports/${handIn}`, 'Verdict');
}

/** The same for a learner. */
async function learnersViews(page: Page, look: Look): Promise<void> {
  await look('learner’s today');
  await openBench(page, 'Task');
  await look('bench, task');
  for (const tab of ['Wiring', 'Program', 'Hand in']) {
    await page.getByRole('tab', { name: tab }).click();
    await look(`bench, ${tab}`);
  }
  await page.getByRole('tab', { name: 'Wiring' }).click();
  await page.getByLabel('one end of W1', { exact: true }).focus();
  await page.getByRole('region', { name: /^Keys for/ }).waitFor();
  await look('bench, keypad');
}

describe('every view of an instructor', () => {
  test.each([
    ['on a phone', { width: 390, height: 844 }],
    ['at twice its size', { width: 640, height: 400 }],
  ])('is read without scrolling sideways %s', async (_, size) => {
    const { page, context } = await visitAsInstructor(world);
    await page.setViewportSize(size);
    const wide: string[] = [];
    await instructorsViews(page, async (view) => {
      const over = await overflowOf(page);
      if (over.length > 0) wide.push(`${view}: ${over.join('\n')}`);
    });
    expect(wide).toEqual([]);
    await context.close();
  });

  test('has controls that can be hit, and complains of nothing', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    const small: string[] = [];
    await instructorsViews(page, async (view) => {
      for (const target of await smallTargets(page, 24)) small.push(`${view}: ${target}`);
    });
    expect(small).toEqual([]);
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('has lines of a length that the eye can follow on a wide screen', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.setViewportSize({ width: 1920, height: 1080 });
    const long: string[] = [];
    await instructorsViews(page, async (view) => {
      for (const line of await longLines(page, 84)) long.push(`${view}: ${line}`);
    });
    expect(long).toEqual([]);
    await context.close();
  });

  test('opens nothing without a name, and nothing that breaks a rule, in either theme', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder('Where to?').waitFor();
    await auditOpened(page, 'palette');
    await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await page.getByRole('button', { name: /^Publish/ }).click();
    await page
      .getByRole('button', { name: /^Dates for/ })
      .first()
      .click();
    await auditOpened(page, 'publishing');
    await instructorsViews(page, async (view) => {
      if (view !== 'worksheet with a long title') await openEverything(page, view);
    });
    await context.close();
  }, 400_000);
});

/** Looks at what is open, in both themes, and closes it. */
async function auditOpened(page: Page, view: string): Promise<void> {
  for (const theme of ['light', 'dark']) {
    await page.evaluate((name) => void (document.documentElement.dataset['theme'] = name), theme);
    expect(await violations(page, theme === 'light' ? 'opened' : 'contrast'), `${view}, ${theme}`).toEqual(
      [],
    );
  }
  const nameless = await page.evaluate(() =>
    [...document.querySelectorAll('[role="dialog"], [role="menu"], [role="listbox"]')]
      .filter((box) => !box.getAttribute('aria-label') && !box.getAttribute('aria-labelledby'))
      .map((box) => box.outerHTML.slice(0, 120)),
  );
  expect(nameless, view).toEqual([]);
  await page.keyboard.press('Escape');
}

/** Opens whatever a view can open, one after the other, and looks at each; of those with the same name the first. */
async function openEverything(page: Page, view: string): Promise<void> {
  const openers = page.locator('[aria-haspopup]:visible');
  const count = await openers.count();
  const seen = new Set<string>();
  for (let index = 0; index < count; index += 1) {
    const opener = openers.nth(index);
    const name = (await opener.getAttribute('aria-label')) ?? (await opener.textContent()) ?? '';
    // Names of parts and pins stand in many: “Colour of W1”, “Colour of W2”.
    const sort = name.replaceAll(/[A-Z]+\d+|\d+/g, '#');
    if (seen.has(sort) || !(await opener.isEnabled())) continue;
    seen.add(sort);
    await opener.click();
    await auditOpened(page, `${view}, ${name}`);
  }
}

describe('every view of a learner', () => {
  test.each([
    ['on a phone', { width: 390, height: 844 }],
    ['at twice its size', { width: 640, height: 400 }],
  ])('is read without scrolling sideways %s', async (_, size) => {
    const { page, context } = await world.visit({ ...size, isTouch: true });
    await joinAsLearner(page, size.width === 390 ? 'Yrsa' : 'Finn');
    const wide: string[] = [];
    await learnersViews(page, async (view) => {
      const over = await overflowOf(page);
      if (over.length > 0) wide.push(`${view}: ${over.join('\n')}`);
    });
    expect(wide).toEqual([]);
    await context.close();
  });

  test('opens nothing without a name, and nothing that breaks a rule', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Ebba');
    await learnersViews(page, (view) => openEverything(page, view));
    await context.close();
  }, 240_000);

  test('has controls for a finger on a tablet', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await joinAsLearner(page, 'Zeno');
    const small: string[] = [];
    await learnersViews(page, async (view) => {
      for (const target of await smallTargets(page, view.startsWith('bench') ? 40 : 24))
        small.push(`${view}: ${target}`);
    });
    expect(small).toEqual([]);
    expect(complaints).toEqual([]);
    await context.close();
  });
});

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
