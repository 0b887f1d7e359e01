import { readFile } from 'node:fs/promises';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { printed } from '@/scripts/keystrokes/journeys.mjs';
import { visitAsInstructor } from './people';
import { createWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('a handout', () => {
  test('is seen before it is printed, and follows its worksheet while somebody writes there', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await page.getByRole('link', { name: 'Handout', exact: true }).click();
    const preview = page.getByRole('article', { name: 'Preview' });
    await preview.getByText('Bands: orange, orange, brown and gold.').waitFor();
    const sheet = await context.newPage();
    await sheet.goto(new URL(page.url()).pathname.replace(/\/print$/, ''));
    await sheet.getByLabel('Part line 1', { exact: true }).fill('amber 13 with 470');
    await sheet.getByText('All changes saved.').waitFor();
    await preview.getByText('Bands: yellow, violet, brown and gold.').waitFor();
    await preview.getByRole('heading', { name: 'Not like this' }).waitFor();
    await page.getByLabel(/^For the instructor/).check();
    await preview.getByRole('heading', { name: 'The reference, checked' }).waitFor();
    await page.getByLabel('Bands to sort').check();
    await preview.getByRole('heading', { name: 'Bands to sort' }).waitFor();
    for (const [form, name] of [
      [/^For the instructor/, 'beacon-instructor.pdf'],
      [/^For the wall/, 'beacon-projector.pdf'],
    ] as const) {
      await page.getByLabel(form).check();
      const answer = page.waitForResponse((response) => response.url().includes('/handout?'));
      await page.getByRole('button', { name: /^Make the PDF/ }).click();
      expect((await answer).headers()['content-type']).toBe('application/pdf');
      await page.getByRole('link', { name: `Open ${name}` }).waitFor();
    }
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('takes at most sixty keys and clicks from “New exercise” on', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    const { keys, taps } = await printed(page);
    expect(keys + taps).toBeLessThanOrEqual(60);
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('has the author’s own pictures, cleaned of all that is not seen', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'Worksheet: Beacon' }).first().click();
    await page.getByText(/^Build record/).click();
    const chooser = page.getByLabel(/^Add a picture/);
    await chooser.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('<svg/>') });
    await page.getByText('This is no PNG or JPEG picture, or it is damaged.').waitFor();
    const picture = await readFile('docs/screenshots/today.png');
    await chooser.setInputFiles({
      name: 'pier.png',
      mimeType: 'image/png',
      // What stands behind the end of a picture is nothing of it.
      buffer: Buffer.concat([picture, Buffer.from('GPS 54.1 N')]),
    });
    await page.getByLabel('Caption').fill('The pier at night');
    await page.getByText('All changes saved.').waitFor();
    const [row] = await world.query<{ bytes: Buffer }>('select bytes from exercise_picture');
    expect(row!.bytes.includes('GPS')).toBe(false);
    await page.getByRole('link', { name: 'Handout', exact: true }).click();
    await page.getByRole('img', { name: 'The pier at night' }).waitFor();
    await context.close();
    expect(complaints.filter((text) => !text.includes('422'))).toEqual([]);
  });
});

describe('a course', () => {
  test('is printed as a booklet that says how far it is, and can be stopped', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'The working harbour' }).first().click();
    await page.getByRole('button', { name: 'Make the booklet' }).click();
    await page.getByText(/^[1-9]\d* of \d+/).waitFor();
    await page.getByRole('button', { name: 'Cancel' }).click();
    await page.getByRole('button', { name: 'Make the booklet' }).click();
    await page.getByRole('link', { name: 'Open it' }).waitFor();
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('goes out as a package and comes in again as the same course', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'The working harbour' }).first().click();
    const href = await page.getByRole('link', { name: 'Course package' }).getAttribute('href');
    const packed = await (await page.request.get(href!)).body();
    await page.goto('/courses');
    const chooser = page.getByLabel('Choose a package');
    await chooser.setInputFiles({
      name: 'broken.zip',
      mimeType: 'application/zip',
      buffer: packed.subarray(0, packed.length / 2),
    });
    await page.getByText(/^Nothing was taken\./).waitFor();
    expect(await world.query('select 1 from course')).toHaveLength(1);
    await chooser.setInputFiles({ name: 'harbour.zip', mimeType: 'application/zip', buffer: packed });
    await page.waitForURL(/\/courses\/[0-9a-f-]{36}$/);
    const again = await (await page.request.get(`${new URL(page.url()).pathname}/package`)).body();
    expect(again.equals(packed)).toBe(true);
    await context.close();
    expect(complaints.filter((text) => !text.includes('422'))).toEqual([]);
  });

  test('has cards in its own words', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'The working harbour' }).first().click();
    await page.getByRole('link', { name: 'Cards' }).click();
    const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Pause' }) });
    await card.getByLabel('Is like').fill('Waiting for the tide.');
    await card.getByLabel('Word').focus();
    await page.getByRole('heading', { name: 'Polarity' }).click();
    await expect
      .poll(() =>
        world.query<{ like: string }>(
          `select cards->'pause'->>'like' as like from course order by created_at limit 1`,
        ),
      )
      .toEqual([{ like: 'Waiting for the tide.' }]);
    await context.close();
    expect(complaints).toEqual([]);
  });
});
