import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  joinAsLearner,
  openBench,
  recordWiring,
  signInAsInstructor,
  visitAsInstructor,
  writeProgram,
} from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
let room: string;
beforeAll(async () => {
  world = await createWorld();
  const [group] = await world.query<{ id: string }>(`select id from class where code = 'LANTERN'`);
  await world.query(
    `insert into class_staff select '${group!.id}', id from staff where login = 'teun' on conflict do nothing`,
  );
  room = `/classes/${group!.id}/room`;
});
afterAll(() => world.end());

describe('the room board', () => {
  test('shows by itself what happens at a bench, and who goes where help is called', async () => {
    const assistant = await world.visit(TABLET);
    await signInAsInstructor(assistant.page, 'teun', 'spare fuse');
    await assistant.page.goto(room);
    await assistant.page.getByText('live', { exact: true }).waitFor();
    const benches = assistant.page.getByRole('list', { name: 'Benches' });
    const bench = benches.getByRole('listitem').filter({ hasText: 'Finn' });
    await assistant.page.getByText(/^Not here: .*Finn/).waitFor();
    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Finn');
    await openBench(learner.page);
    await recordWiring(learner.page, true);
    await bench.getByText('building').waitFor();
    await writeProgram(learner.page);
    for (let turn = 0; turn < 3; turn += 1) {
      await learner.page.getByRole('button', { name: /^Check/ }).tap();
      await learner.page.getByText('It doesn’t do its job yet.').waitFor();
      await expect.poll(() => world.query('select 1 from bench_check')).toHaveLength(turn + 1);
    }
    await bench.getByText(/^stuck for/).waitFor();
    await bench.getByText(/wrong way round/).waitFor();
    await learner.page.getByRole('button', { name: 'Help', exact: true }).tap();
    const calls = assistant.page.getByRole('region', { name: 'Calls for help' });
    await calls.getByText('Finn').waitFor();
    const instructor = await visitAsInstructor(world);
    await instructor.page.goto(room);
    await calls.getByRole('button', { name: 'I go to Finn' }).tap();
    await calls.getByText('you are going').waitFor();
    await instructor.page.getByText('Teun Harkvoort is going').waitFor();
    await learner.page.getByRole('button', { name: 'Teun is coming' }).waitFor();
    await calls.getByRole('button', { name: 'Finn has been helped' }).tap();
    await calls.waitFor({ state: 'detached' });
    await learner.page.getByRole('button', { name: 'Help', exact: true }).waitFor();
    await instructor.page.getByRole('link', { name: 'For the wall' }).click();
    await instructor.page.getByRole('link', { name: 'With names' }).waitFor();
    expect(await instructor.page.content()).not.toContain('Finn');
    await instructor.context.close();
    await learner.context.close();
    // A server that was away is found again.
    await world.stopServer();
    await assistant.page.getByText('not live: connecting again …').waitFor();
    await world.startServer();
    await assistant.page.getByText('live', { exact: true }).waitFor();
    await assistant.context.close();
  });
});
