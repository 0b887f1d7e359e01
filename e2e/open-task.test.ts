import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { joinAsLearner, visitAsInstructor } from './people';
import { createWorld, TABLET, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

const { layout, program } = JSON.parse(readFileSync('demo/course/14-harbour-signal.json', 'utf8')) as {
  readonly layout: string;
  readonly program: string;
};

/** The field of an end by its part and leg. */
const LEGS: Readonly<Record<string, string>> = {
  anode: 'long leg',
  cathode: 'short leg',
  '1': 'one end',
  '2': 'other end',
};

describe('an open task', () => {
  test('is checked against what the learner says, which has to say something', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await joinAsLearner(page, 'Xaver', 'HARBOUR', 'anchor');
    await page
      .getByRole('listitem')
      .filter({ has: page.getByRole('heading', { name: 'A signal of your own' }) })
      .getByRole('link', { name: 'Go to the bench' })
      .tap();
    await page.getByText('Saved on this tablet').waitFor();
    const say = async (label: string, text: string): Promise<void> => {
      await page.getByLabel(label, { exact: true }).fill(text);
      await page.getByRole('button', { name: 'Say it' }).tap();
    };
    await page.getByRole('heading', { name: 'Yours to decide' }).waitFor();
    await page.getByRole('tab', { name: 'Wiring' }).tap();
    for (const line of layout.trim().split('\n').slice(1)) {
      const [ref, , , leg, at] = line.split(',') as [string, string, string, string, string];
      if (leg === '') continue;
      const place = at.slice(at.indexOf('.') + 1);
      await page.getByLabel(`${LEGS[leg]} of ${ref}`, { exact: true }).fill(place);
    }
    await page.getByRole('tab', { name: 'Program' }).tap();
    await page.getByLabel('Your program').fill(program);
    await page.getByRole('button', { name: 'Check' }).tap();
    await page.getByText('Say first what yours does').first().waitFor();

    await page.getByRole('tab', { name: 'Task' }).tap();
    await say('What does yours do?', 'D1 is off');
    await say('What else does yours do?', 'D2 lit 1 s, dark 4 s');
    await page.getByRole('button', { name: /^Check/ }).tap();
    await page.getByText('A board without a program does what you say').first().waitFor();

    await page.getByRole('button', { name: /^Remove: D1 is off/ }).tap();
    await say('What else does yours do?', 'D1 lit 2 s, dark 3 s');
    await page.getByRole('button', { name: /^Check/ }).tap();
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await page.getByRole('tab', { name: 'Hand in' }).tap();
    await page.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await page.getByRole('link', { name: 'See the report' }).tap();
    await page.getByRole('heading', { name: 'A signal of your own', level: 1 }).waitFor();
    await page.getByText('What you said, 2').first().waitFor();
    expect(complaints.filter((text) => !text.includes('422'))).toEqual([]);
    await context.close();
  });
});

describe('the rest of an exercise is edited on the sheet', () => {
  test('stages, other forms, and what a scenario is worth', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'Signal lantern' }).first().click();
    await page.getByText('On this sheet now: usual form.').waitFor();
    const forms = page.getByRole('region', { name: 'Other forms' });
    await forms.getByRole('button', { name: 'Bring onto the sheet' }).click();
    await page.getByText('On this sheet now: common anode.').waitFor();
    expect(await page.getByLabel('Part line 1', { exact: true }).inputValue()).toContain('common anode');
    await page.getByRole('button', { name: /Undo/ }).first().click();
    await page.getByText('On this sheet now: usual form.').waitFor();
    await forms.getByLabel('Name of another form').fill('usual form');
    await forms.getByRole('button', { name: 'Keep this as a form' }).click();
    await forms.getByText('There is a form called “usual form” already.').waitFor();

    await page.getByRole('button', { name: 'Add a stage to try on the way' }).click();
    const way = page.getByRole('region', { name: 'On the way there' });
    await way.getByLabel('Name', { exact: true }).fill('the red light alone');
    await way.getByLabel('What must be seen? (the red light alone)').fill('D1.red is on');
    await page.keyboard.press('Enter');
    await way.getByText('D1.red is on all the time.').waitFor();
    const points = page.getByLabel(/^Points of /).first();
    await points.fill('2.5');
    await expect
      .poll(() =>
        world.query(
          `select 1 from exercise where draft->>'id' = 'signal-lantern'
            and draft->'scenarios'->0->>'points' = '2.5' and draft->'stages'->0->>'name' = 'the red light alone'`,
        ),
      )
      .toHaveLength(1);
    await page.reload();
    await way.getByText('the red light alone').waitFor();
    expect(await points.inputValue()).toBe('2.5');
    expect(complaints).toEqual([]);
    await context.close();
  });
});
