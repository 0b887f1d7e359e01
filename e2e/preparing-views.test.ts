import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  expectNone,
  goRound,
  lookAt,
  lookAtAll,
  lookAtOpened,
  noFaults,
  wants,
  type Faults,
  type View,
} from './looks';
import { visitAsInstructor } from './people';
import { createWorld, LAPTOP, type World } from './world';

/** Letters of a title that is as long as a careful author makes it. */
const LONG_TITLE =
  'A light at the end of the pier that tells the boats of the fishermen at what time of the day the tide will turn, and how far it has run';
const LOOK = { leastTarget: 24, size: LAPTOP };

let world: World;
const faults: Faults = noFaults();
let complaints: readonly string[] = [];
beforeAll(async () => {
  world = await createWorld();
  await world.query(
    `update exercise set draft = jsonb_set(draft, '{title}', to_jsonb('${LONG_TITLE}'::text)) where draft->>'id' = 'fog-lamp'`,
  );
  const visitor = await visitAsInstructor(world);
  const { page } = visitor;
  await goToAll(page);
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Where to?').waitFor();
  await lookAtOpened(page, 'palette', faults);
  complaints = visitor.complaints;
  await visitor.context.close();
});
afterAll(() => world.end());

/** Goes to every view in which lessons are prepared, and looks at each. */
async function goToAll(page: Page): Promise<void> {
  const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
  const idOf = (slug: string): Promise<string> =>
    one(`select id from exercise where draft->>'id' = '${slug}'`);
  const course = await one('select id from course');
  const worksheet = `/exercises/${await idOf('beacon')}`;
  const views: readonly View[] = [
    ['worksheet', worksheet, 'What is seen'],
    ['preview', `${worksheet}/preview`, 'Beacon'],
    ['course', `/courses/${course}`, 'Before it is taught'],
    ['handout', `${worksheet}/print`, 'What we build'],
    ['rehearsal', `${worksheet}/run`, 'The exercise'],
    ['courses', '/courses', 'Bring in a course'],
    ['cards', `/courses/${course}/cards`, 'Output pin'],
    ['house rules', `/courses/${course}/rules`, 'The circuit'],
    ['value bench', '/values', 'Resistor for an LED'],
    ['boards', '/boards', 'Sockets for power'],
  ];
  // A preview is a bench, which is gone round as one.
  await lookAtAll(page, views, faults, LOOK, ['preview']);
  await page.goto('/boards');
  await page.getByRole('tab', { name: 'Parts' }).click();
  await page.getByLabel('Find a part').waitFor();
  await lookAt(page, 'parts', faults, LOOK);
  await goRound(page, 'parts', faults);
  await page.goto(worksheet);
  await page.getByLabel('New part line').focus();
  await page.keyboard.type('30 lamps');
  await page.getByText('free pins for this').last().waitFor();
  await lookAt(page, 'worksheet, a line that cannot be', faults, LOOK);
  await page.getByRole('button', { name: /^Publish/ }).click();
  await page
    .getByRole('button', { name: /^Dates for/ })
    .first()
    .click();
  await lookAtOpened(page, 'publishing', faults);
  await page.goto(`/exercises/${await idOf('fog-lamp')}`);
  await page.getByRole('heading', { name: LONG_TITLE }).first().waitFor();
  await lookAt(page, 'worksheet with a long title', faults, { ...LOOK, sizesOnly: true });
}

describe('every view of an instructor who prepares', () => {
  test.each(Object.entries(wants))('(%s) %s', (want) => expectNone(faults[want as keyof Faults]));

  test('complains of nothing', () => {
    expect(complaints).toEqual([]);
  });
});
