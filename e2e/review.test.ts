import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  joinAsLearner,
  openBench,
  recordWiring,
  signInAsInstructor,
  visitAsInstructor,
  writeProgram,
} from './people';
import { createWorld, LAPTOP, TABLET, type World } from './world';

let world: World;
let desk: string;
beforeAll(async () => {
  world = await createWorld();
  const [beacon] = await world.query<{ id: string }>(
    `select publication.id from publication join class on class.id = class_id
       join revision on revision.id = revision_id
      where class.code = 'HARBOUR' and revision.content->>'id' = 'beacon'`,
  );
  desk = `/review/${beacon!.id}`;
  // The class grows to thirty: six more built what others had built.
  await world.query(
    `with more as (
       insert into learner (class_id, name)
       select class.id, 'Extra ' || number from class, generate_series(1, 6) as number where code = 'HARBOUR'
       returning id, name),
     faulty as (
       select submission.*, row_number() over (order by handed_in_at) as number
         from submission join report on report.key = judging_key
        where verdict = 'does-not-work' and attempt = 1 and publication_id = '${beacon!.id}')
     insert into submission (publication_id, learner_id, client_id, attempt, wiring, program, judging_key)
     select publication_id, more.id, 'extra-' || more.name, 1, wiring, program, judging_key
       from more join faulty on faulty.number = right(more.name, 1)::int`,
  );
});
afterAll(() => world.end());

describe('the Review desk', () => {
  test('has thirty hand-ins reviewed by keys alone in fewer than forty', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto(desk);
    const left = page.getByRole('status').filter({ hasText: 'last tries' });
    await left.waitFor();
    const groups = page.getByRole('navigation', { name: 'Groups' }).getByRole('button');
    const handIns = await world.query(`select 1 from (
      select distinct learner_id from submission where publication_id = '${desk.slice(8)}') as them`);
    expect(handIns.length).toBeGreaterThanOrEqual(30);
    const open = await left.textContent();
    expect(Number(/^\d+/.exec(open ?? '')?.[0])).toBeGreaterThan(10);
    const kinds = await groups.filter({ hasNot: page.getByLabel('reviewed') }).count();
    expect(kinds).toBeGreaterThanOrEqual(8);
    let keys = 0;
    const press = async (key: string): Promise<void> => {
      keys += 1;
      await page.keyboard.press(key);
    };
    for (let turn = 0; turn < 20 && !(await left.textContent())?.startsWith('everything'); turn += 1) {
      const before = await left.textContent();
      const chosen = groups.and(page.locator('[aria-current="true"]'));
      // Where one stands is reviewed, so that the next one is looked for.
      if ((await chosen.getByLabel('reviewed').count()) > 0) {
        await press('j');
        continue;
      }
      await page.getByRole('heading', { name: 'What was checked' }).waitFor();
      const works = (await page.getByText('doing what it should', { exact: false }).count()) > 0;
      await press(works ? 'a' : 'b');
      await expect.poll(() => left.textContent()).not.toBe(before);
    }
    await page.getByText('everything is reviewed').waitFor();
    expect(keys).toBeLessThan(40);
    const [undecided] = await world.query<{ count: string }>(
      `select count(*) from submission join report on report.key = judging_key
        where publication_id = '${desk.slice(8)}' and verdict <> 'as-drawn'
          and not exists (select 1 from submission later where later.learner_id = submission.learner_id
            and later.publication_id = submission.publication_id and later.attempt > submission.attempt)
          and not exists (select 1 from decision where submission_id = submission.id)`,
    );
    expect(undecided!.count).toBe('0');
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('has everything checked again, with progress, and says what changed', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto(desk);
    await page.getByRole('button', { name: 'Check all again' }).click();
    await page.getByText(/hand-ins checked again: nothing changed\./).waitFor();
    expect(await page.getByRole('progressbar').count()).toBe(0);
    await context.close();
  });

  test('takes an exception, other marks with a reason, and a remark that was made before', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto(desk);
    const group = page
      .getByRole('navigation', { name: 'Groups' })
      .getByRole('button')
      .filter({ hasText: '·' })
      .first();
    await group.click();
    await page.getByRole('heading', { name: 'What was checked' }).waitFor();
    const spared = page.getByRole('checkbox', { name: /^Decide for / }).first();
    await spared.uncheck();
    await page.getByLabel(/^Remark for/).fill('which row');
    await page.getByLabel(/^Remark for/).fill('Come and show me, please.');
    await page.getByRole('button', { name: 'Remark only' }).click();
    await expect
      .poll(() => world.query(`select 1 from decision where remark = 'Come and show me, please.'`))
      .not.toHaveLength(0);
    const [counted] = await world.query<{ count: string }>(
      `select count(*) from decision where remark = 'Come and show me, please.'`,
    );
    await group.click();
    expect(Number(counted!.count)).toBe(
      (await page.getByRole('checkbox', { name: /^Decide for / }).count()) - 1,
    );
    await page.getByLabel(/^Remark for/).fill('show');
    await page.getByRole('list', { name: 'Remarks made before' }).getByRole('button').first().click();
    expect(await page.getByLabel(/^Remark for/).inputValue()).toBe('Come and show me, please.');
    await page.keyboard.press('Escape');
    await page
      .getByRole('button', { name: /^Other marks for/ })
      .first()
      .click();
    await page.getByLabel('Marks', { exact: true }).fill('0,5');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await page.getByRole('alert').filter({ hasText: 'Say why the marks are other ones.' }).waitFor();
    await page.getByLabel('Why').fill('explained it well');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await page.getByText('Marks set to 0.5 (explained it well)').waitFor();
    await page.getByText(', explained it well').first().waitFor();
    await context.close();
  });

  test('tells a reviewer what another one has decided meanwhile, and loses neither', async () => {
    const one = await visitAsInstructor(world);
    await one.page.route('**/api/live', (route) => route.abort());
    await one.page.goto(desk);
    await one.page.getByRole('heading', { name: 'What was checked' }).waitFor();
    const other = await world.visit(LAPTOP);
    await signInAsInstructor(other.page, 'teun', 'spare fuse');
    await other.page.goto(desk);
    await other.page.getByRole('heading', { name: 'What was checked' }).waitFor();
    await other.page.getByLabel(/^Remark for/).fill('From the assistant.');
    await other.page.getByRole('button', { name: 'Remark only' }).click();
    await other.page
      .getByText(/From the assistant\./)
      .first()
      .waitFor();
    await one.page.getByLabel(/^Remark for/).fill('From the instructor.');
    await one.page.getByRole('button', { name: 'Remark only' }).click();
    await one.page.getByText('Somebody has decided meanwhile. Press again to put yours on top.').waitFor();
    await one.page.getByRole('button', { name: 'Remark only' }).click();
    await one.page.getByText('Somebody has decided meanwhile.').waitFor({ state: 'detached' });
    const kept = await world.query<{ remark: string }>(
      `select distinct remark from decision where remark like 'From the %' order by remark`,
    );
    expect(kept.map(({ remark }) => remark)).toEqual(['From the assistant.', 'From the instructor.']);
    await one.context.close();
    await other.context.close();
  });

  test('sends a hand-in back to its learner, who sees it at the bench and answers with the next try', async () => {
    const learner = await world.visit(TABLET);
    await joinAsLearner(learner.page, 'Finn');
    await openBench(learner.page);
    await recordWiring(learner.page, true);
    await writeProgram(learner.page);
    await learner.page.getByRole('tab', { name: 'Hand in' }).tap();
    await learner.page.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await learner.page.getByRole('link', { name: 'See the report' }).waitFor();
    const { page, context } = await visitAsInstructor(world);
    await page
      .getByRole('region', { name: 'Friday morning' })
      .getByRole('link', { name: 'Review desk: Beacon', exact: true })
      .click();
    await page.getByRole('heading', { name: 'What was checked' }).waitFor();
    await page.getByLabel('Remark for Finn').fill('Which leg of the LED is longer?');
    await page.keyboard.press('Escape');
    await page.keyboard.press('b');
    await page.getByText('everything is reviewed').waitFor();
    await learner.page.getByText('Which leg of the LED is longer?').waitFor();
    await learner.page.getByText('sent back for another one').waitFor();
    await learner.page.getByRole('link', { name: 'See the report' }).tap();
    await learner.page.getByText('Sent back for another try.').waitFor();
    await learner.page.goto('/');
    await learner.page.getByText('sent back, with a remark').waitFor();
    await openBench(learner.page);
    await recordWiring(learner.page, false);
    await learner.page.getByRole('tab', { name: 'Hand in' }).tap();
    await learner.page.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await learner.page.getByRole('link', { name: 'See the report' }).waitFor();
    await learner.page.getByText('Which leg of the LED is longer?').waitFor({ state: 'detached' });
    await learner.context.close();
    await context.close();
  });
});
