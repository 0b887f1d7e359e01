import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { createWorld, TABLET, type World } from './world';
import {
  joinAsLearner,
  openBench,
  places,
  PROGRAM,
  recordWiring,
  signInAsInstructor,
  writeProgram,
} from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('a lesson', () => {
  test('by keyboard alone: join, wire, be told that the LED is the wrong way round, turn it, pass, hand in', async () => {
    const { page, context, complaints } = await world.visit();
    const { keyboard } = page;
    await page.goto('/sign-in');
    await page.getByLabel('Class code').focus();
    await keyboard.type('lantern');
    await keyboard.press('Enter');
    await page.getByLabel('Your name').waitFor();
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('learner');
    await keyboard.type('Yrsa');
    await keyboard.press('Tab');
    await keyboard.type('rudder');
    await keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Good to see you, Yrsa' }).waitFor();
    await keyboard.press('Control+k');
    await page.getByPlaceholder('Where to?').waitFor();
    await keyboard.type('bench');
    await keyboard.press('Enter');
    await page.getByText('Saved on this tablet').waitFor();

    // From the task to the list.
    await page.getByRole('tab', { name: 'Task' }).focus();
    await keyboard.press('ArrowRight');
    // Down the list: each end typed, Enter leads to the next.
    await page.getByLabel('one end of W1', { exact: true }).focus();
    for (const [, place] of places(true)) {
      await keyboard.type(place);
      await keyboard.press('Enter');
    }
    await page.getByRole('tab', { name: 'Wiring' }).focus();
    await keyboard.press('ArrowRight');
    await page.getByLabel('Your program').focus();
    // It takes the place of the example that the course gives.
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.insertText(PROGRAM);
    await page.getByRole('button', { name: 'Check' }).focus();
    await keyboard.press('Enter');
    await page.getByText('It doesn’t do its job yet.').waitFor();
    for (const name of ['Give me a hint', 'One more hint', 'One more hint']) {
      await page.getByRole('button', { name }).focus();
      await keyboard.press('Enter');
    }
    await page
      .getByRole('heading', { name: 'The amber LED D1 is the wrong way round, so it stays dark.' })
      .waitFor();

    // First as it is, so that the way to the right one is seen.
    const handInTab = page.getByRole('tab', { name: 'Hand in' });
    await handInTab.focus();
    await keyboard.press('Enter');
    await page.getByRole('button', { name: 'Hand in', exact: true }).focus();
    await keyboard.press('Enter');
    await page.getByText('Handed in.').waitFor();

    await page.getByRole('tab', { name: 'Wiring' }).focus();
    await keyboard.press('Enter');
    await page.getByRole('button', { name: 'Turn D1 round' }).focus();
    await keyboard.press('Enter');
    await page.getByRole('button', { name: 'Check', exact: true }).focus();
    await keyboard.press('Enter');
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await page.getByRole('button', { name: 'Say what you saw, and hand in' }).focus();
    await keyboard.press('Enter');
    await page.getByRole('radio', { name: 'It did what it should' }).focus();
    await keyboard.press('Space');
    await page.getByRole('button', { name: 'Hand in', exact: true }).focus();
    await keyboard.press('Enter');
    await expect
      .poll(async () => (await tries('Yrsa')).map((row) => row.verdict))
      .toEqual(['does-not-work', 'as-drawn']);
    expect(complaints).toEqual([]);
    await context.close();
    await seenByInstructor('Yrsa');
  });

  test('on a tablet by touch: tap the holes, take the hints, change the record, pass, hand in', async () => {
    const { page, context, complaints } = await world.visit(TABLET);
    await joinAsLearner(page, 'Zeno');
    await page.getByRole('link', { name: 'Go to the bench' }).tap();
    await page.getByText('Saved on this tablet').waitFor();
    await writeProgram(page);
    await page.getByRole('tab', { name: 'Wiring' }).tap();
    await page.getByLabel('one end of W1', { exact: true }).tap();
    const drawing = page.getByRole('img', { name: /What you have recorded/ });
    /** Taps a place on the drawing by its name there. */
    const tap = async (point: string): Promise<void> => {
      const { x, y } = await drawing.evaluate((svg, name) => {
        const text = [...svg.querySelectorAll('text')];
        const at = (label: string) => text.filter((element) => element.textContent === label);
        const element = svg as SVGSVGElement;
        const place = new DOMPoint(0, 0);
        if (/^[a-j][+-]?\d+$/.test(name)) {
          const column = name.replace(/\d+$/, '');
          const row = /\d+$/.exec(name)![0];
          const label = column.length === 1 ? column : column.endsWith('+') ? '+' : '−';
          place.x = Number(at(label)[0]!.getAttribute('x'));
          place.y =
            Number(
              at(row)
                .find((candidate) => candidate.dataset['role']?.startsWith('row-name'))!
                .getAttribute('y'),
            ) - 4.5;
        } else {
          const pin = at(name).find((candidate) => candidate.dataset['role']?.startsWith('pin-name'))!;
          place.x = Number(pin.getAttribute('x')) + 10;
          place.y = Number(pin.getAttribute('y')) - 5;
        }
        const { x: left, y: top } = place.matrixTransform(element.getScreenCTM()!);
        return { x: left, y: top };
      }, point);
      await page.touchscreen.tap(x, y);
      // A socket answers at once; holes lie too near for a finger, and are seen from near.
      if (!/^[a-j][+-]?\d+$/.test(point)) return;
      const near = await page
        .getByRole('dialog', { name: /^Tap the hole for/ })
        .getByRole('img')
        .boundingBox();
      await page.touchscreen.tap(near!.x + near!.width / 2, near!.y + near!.height / 2);
    };
    for (const [label, place] of places(true)) {
      await tap(place);
      await expect.poll(() => page.getByLabel(label, { exact: true }).inputValue()).toBe(place);
    }
    await page.getByRole('button', { name: 'Check' }).tap();
    await page.getByRole('button', { name: 'Give me a hint' }).tap();
    await page.getByRole('button', { name: 'One more hint' }).tap();
    await page.getByRole('button', { name: 'One more hint' }).tap();
    await page.getByRole('button', { name: 'I did that: change my record' }).tap();
    await page.getByRole('button', { name: 'Check', exact: true }).tap();
    await page.getByText('It works, and it is the circuit from the exercise.').waitFor();
    await page.getByRole('button', { name: 'Say what you saw, and hand in' }).tap();
    await page.getByText('It did what it should').tap();
    await page.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await page.getByText('Handed in.').waitFor();
    await page.getByRole('link', { name: 'See the report' }).waitFor();
    expect((await tries('Zeno')).map((row) => row.verdict)).toEqual(['as-drawn']);
    expect(complaints).toEqual([]);
    await context.close();
  });

  test('keys and holes are far enough apart for a finger', async () => {
    const { page, context } = await world.visit(TABLET);
    await joinAsLearner(page, 'Gaia');
    await openBench(page);
    await page.getByLabel('other end of W1', { exact: true }).tap();
    const keys = page.getByRole('region', { name: /Keys for/ }).getByRole('button');
    for (const key of await keys.all()) {
      const box = await key.boundingBox();
      expect(box!.height).toBeGreaterThanOrEqual(44);
      expect(box!.width).toBeGreaterThanOrEqual(40);
    }
    await page.getByRole('button', { name: 'Closer' }).tap();
    const apart = await page.getByRole('img', { name: /What you have recorded/ }).evaluate((svg) => {
      const holes = [...svg.querySelectorAll('[data-role="hole"]')]
        .slice(0, 2)
        .map((hole) => hole.getBoundingClientRect().left);
      return holes[1]! - holes[0]!;
    });
    expect(apart).toBeGreaterThanOrEqual(40);
    for (const key of ['a', '1', '2'])
      await page
        .getByRole('region', { name: /Keys for/ })
        .getByRole('button', { name: key, exact: true })
        .tap();
    expect(await page.getByLabel('other end of W1', { exact: true }).inputValue()).toBe('a12');
    await context.close();
  });

  test('what does not fit is said where it is, and nothing is lost', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Ebba');
    await openBench(page);
    await recordWiring(page, false);
    await page.getByLabel('other end of W1', { exact: true }).fill('e5');
    await page.getByRole('alert').filter({ hasText: 'hole e5 already holds' }).waitFor();
    await page.getByRole('button', { name: 'Check' }).click();
    await page.getByText('This can’t be checked yet.').waitFor();
    await page.getByLabel('other end of W1', { exact: true }).fill('k77');
    await page.getByRole('alert').filter({ hasText: '“k77”' }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await page.getByLabel('long leg of D1', { exact: true }).inputValue()).toBe('e5');
    await context.close();
  });
});

/** The instructor finds both tries of a learner together, and what each of them was. */
async function seenByInstructor(name: string): Promise<void> {
  const { page, context, complaints } = await world.visit();
  await signInAsInstructor(page);
  await page
    .getByRole('region', { name: 'Friday morning' })
    .getByRole('link', { name: 'Review desk: Beacon', exact: true })
    .click();
  await page
    .getByRole('button', { name: /The circuit of the exercise/ })
    .first()
    .click();
  const learner = page.getByRole('article').getByRole('listitem').filter({ hasText: name }).first();
  await learner.getByRole('button', { name: /The circuit of the exercise/ }).waitFor();
  await learner.getByRole('button', { name: /Part the wrong way round/ }).click();
  await page.getByRole('heading', { name: /The amber LED D1 is the wrong way round/ }).waitFor();
  await learner.getByRole('link', { name: 'report' }).first().click();
  await page.getByRole('heading', { name: `Beacon, ${name}` }).waitFor();
  expect(await page.getByText('Turn the amber LED D1 round.').count()).toBeGreaterThan(0);
  expect(complaints).toEqual([]);
  await context.close();
}

const tries = (name: string) =>
  world.query<{ verdict: string }>(
    `select report.verdict from submission join report on report.key = submission.judging_key
     join learner on learner.id = submission.learner_id where learner.name = ? order by submission.attempt`,
    [name],
  );
