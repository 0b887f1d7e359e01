import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  expectNone,
  goRound,
  lookAt,
  lookAtOpened,
  noFaults,
  openEverything,
  wants,
  type Faults,
} from './looks';
import { visitAsInstructor } from './people';
import { makeLink } from '@/server/people/links';
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
}, 600_000);
afterAll(() => world.end());

/** Goes to every view of an instructor, and looks at each. */
async function goToAll(page: Page): Promise<void> {
  const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
  const idOf = (slug: string): Promise<string> =>
    one(`select id from exercise where draft->>'id' = '${slug}'`);
  const course = await one('select id from course');
  const handIn = await one('select id from submission order by handed_in_at limit 1');
  const desk = await one('select publication_id as id from submission order by handed_in_at limit 1');
  const worksheet = `/exercises/${await idOf('beacon')}`;
  const views: readonly (readonly [view: string, path: string, heading: string])[] = [
    ['today', '/', 'Today'],
    ['worksheet', worksheet, 'What is seen'],
    ['preview', `${worksheet}/preview`, 'Beacon'],
    ['course', `/courses/${course}`, 'Before it is taught'],
    ['house rules', `/courses/${course}/rules`, 'The circuit'],
    ['value bench', '/values', 'Resistor for an LED'],
    ['boards', '/boards', 'Sockets for power'],
    ['review desk', `/review/${desk}`, 'What was checked'],
    ['report', `/reports/${handIn}`, 'Verdict'],
    ['classes and people', '/classes', 'Who teaches here'],
    ['class', `/classes/${await one(`select id from class where code = 'LANTERN'`)}`, 'Add learners'],
    [
      'record',
      `/classes/${await one(`select id from class where code = 'HARBOUR'`)}/record`,
      'Learner by exercise',
    ],
    [
      'room',
      `/classes/${await one(`select id from class where code = 'HARBOUR'`)}/room`,
      'Room, Tuesday evening',
    ],
    ['account', '/account', 'Your account'],
    ['trail', '/trail', 'Who did what'],
  ];
  for (const [view, path, heading] of views) {
    await page.goto(path);
    await page.getByRole('heading', { name: heading }).first().waitFor();
    await lookAt(page, view, faults, LOOK);
    if (view !== 'preview') await goRound(page, view, faults);
    await openEverything(page, view, faults);
  }
  const link = await makeLink(world.database, { purpose: 'first-owner' }, undefined);
  await page.goto(`/welcome/${link}`);
  await page.getByRole('heading', { name: 'This server is yours to keep' }).waitFor();
  await lookAt(page, 'welcome', faults, LOOK);
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

describe('every view of an instructor', () => {
  test.each(Object.entries(wants))('(%s) %s', (want) => expectNone(faults[want as keyof Faults]));

  test('complains of nothing', () => {
    expect(complaints).toEqual([]);
  });
});
