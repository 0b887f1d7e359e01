import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { makeLink } from '@/server/people/links';
import { expectNone, lookAt, lookAtAll, noFaults, wants, type Faults, type View } from './looks';
import { visitAsInstructor } from './people';
import { createWorld, LAPTOP, type World } from './world';

const LOOK = { leastTarget: 24, size: LAPTOP };

let world: World;
const faults: Faults = noFaults();
let complaints: readonly string[] = [];
beforeAll(async () => {
  world = await createWorld();
  const visitor = await visitAsInstructor(world);
  await goToAll(visitor.page);
  complaints = visitor.complaints;
  await visitor.context.close();
});
afterAll(() => world.end());

/** Goes to every view about classes and their work, and looks at each. */
async function goToAll(page: Page): Promise<void> {
  const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
  const classOf = (code: string): Promise<string> => one(`select id from class where code = '${code}'`);
  const handIn = await one('select id from submission order by handed_in_at limit 1');
  const desk = await one('select publication_id as id from submission order by handed_in_at limit 1');
  const harbour = await classOf('HARBOUR');
  const meeting = await one(
    `select id from meeting where class_id = '${harbour}' and ends_at > now() order by starts_at limit 1`,
  );
  const views: readonly View[] = [
    ['today', '/', 'Today'],
    ['review desk', `/review/${desk}`, 'What was checked'],
    ['report', `/reports/${handIn}`, 'Verdict'],
    ['report, running', `/reports/${handIn}/run`, 'The exercise'],
    ['classes and people', '/classes', 'Who teaches here'],
    ['class', `/classes/${await classOf('LANTERN')}`, 'Add learners'],
    ['record', `/classes/${harbour}/record`, 'Learner by exercise'],
    ['room', `/classes/${harbour}/room`, 'Room, Evening class'],
    ['bring in', `/classes/${harbour}/hand-ins`, 'Drop a ZIP'],
    ['run sheet', `/classes/${harbour}/meetings/${meeting}`, 'What we do'],
    ['wall', `/classes/${harbour}/meetings/${meeting}/wall`, 'Dusk switch'],
    ['kit store', '/kit', 'Pick list'],
    ['account', '/account', 'Your account'],
    ['trail', '/trail', 'Who did what'],
  ];
  // The record is links in rows and nothing else.
  await lookAtAll(page, views, faults, LOOK, ['record']);
  const link = await makeLink(world.database, { purpose: 'first-owner' }, undefined);
  await page.goto(`/welcome/${link}`);
  await page.getByRole('heading', { name: 'This server is yours to keep' }).waitFor();
  await lookAt(page, 'welcome', faults, LOOK);
}

describe('every view of an instructor who teaches', () => {
  test.each(Object.entries(wants))('(%s) %s', (want) => expectNone(faults[want as keyof Faults]));

  test('complains of nothing', () => {
    expect(complaints).toEqual([]);
  });
});
