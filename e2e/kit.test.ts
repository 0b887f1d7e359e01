import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { signInAsInstructor, visitAsInstructor } from './people';
import { createWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

const countOf = async (value: string): Promise<number> =>
  (
    await world.query<{ count: number }>(
      `select count from kit_line where kind = 'resistor' and value = '${value}'`,
    )
  )[0]!.count;

describe('the kit store', () => {
  test('says what is short for a meeting and what else passes the exercise’s own check', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto('/kit');
    await page.getByRole('button', { name: /Evening class.*one kind of part short/s }).click();
    await page.getByRole('button', { name: 'What would do for 10 kΩ resistor' }).click();
    await page.getByText('12 kΩ resistor does: its check passes.').waitFor();
    await page.getByText(/R1 becomes a 12 kΩ resistor; its bands are brown, red, orange, gold/).waitFor();
    await page.getByText(/kinds? of part tried that will not do/).waitFor();
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('is counted by keys, and tells two people who count the same drawer', async () => {
    const marit = await visitAsInstructor(world);
    const teun = await world.visit();
    await signInAsInstructor(teun.page, 'teun', 'spare fuse');
    const field = 'Count of 470 Ω resistor';
    for (const { page } of [marit, teun]) {
      await page.goto('/kit');
      await page.getByRole('tab', { name: /^Stock/ }).click();
      await page.getByLabel('Find').fill('470 resistor');
      await page.getByLabel(field).waitFor();
    }
    // What she sees is not brought up to date in between.
    await marit.page.route('**/api/live', (route) => route.abort());
    await teun.page.getByLabel(field).fill('77');
    await teun.page.getByLabel(field).press('Enter');
    await expect.poll(() => countOf('470')).toBe(77);
    await marit.page.getByLabel(field).fill('76');
    await marit.page.getByLabel(field).press('Enter');
    await marit.page.getByText('Teun Harkvoort has booked meanwhile: there are 77 now.').waitFor();
    expect(await countOf('470')).toBe(77);
    await marit.page.getByLabel(field).fill('76');
    await marit.page.getByLabel(field).press('Enter');
    await expect.poll(() => countOf('470')).toBe(76);
    await marit.page.getByLabel(field).fill('minus one');
    await marit.page.getByText('Write a whole number of pieces, such as 40.').waitFor();
    // An assistant counts, and puts nothing in or takes it out.
    expect(await teun.page.getByRole('form', { name: 'Add to the store' }).count()).toBe(0);
    await marit.page.reload();
    await marit.page.getByRole('tab', { name: 'History' }).click();
    await marit.page.getByRole('row', { name: /Teun Harkvoort.*470 Ω resistor.*−3/ }).waitFor();
    await marit.context.close();
    await teun.context.close();
    expect([...marit.complaints, ...teun.complaints]).toEqual([]);
  });

  test('takes a list with rows that it does not understand, which stay to be put right', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto('/kit');
    await page.getByRole('tab', { name: /^Stock/ }).click();
    const list = page.getByLabel(/^Paste from a spreadsheet/);
    await list.fill('kind;value;count\nresistor;8k2;15\nresistor;8k2x;15\nled;amber;-1\n');
    await page.getByRole('button', { name: 'Bring in' }).click();
    await page.getByText('one kind of part taken. 2 rows not understood, and still above:').waitFor();
    expect(await list.inputValue()).toBe('kind;value;count\nresistor;8k2x;15\nled;amber;-1');
    await page.getByText(/led, amber, -1: there cannot be -1 of them/).waitFor();
    expect(await world.query(`select 1 from kit_line where value like '8%' and count = 15`)).toHaveLength(1);
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('books what broke after class, line by line with Enter, and prints what to pick', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto('/kit');
    const papers = await page.getByRole('link', { name: 'Pick list and bag labels' }).getAttribute('href');
    const pdf = await page.request.get(papers!);
    expect(pdf.headers()['content-type']).toBe('application/pdf');
    await page.getByRole('button', { name: 'Count in after class' }).click();
    const before = await countOf('330');
    const form = page.getByRole('form', { name: '330 Ω resistor', exact: true });
    await form.getByLabel('broken').fill('2');
    await form.getByLabel('missing').fill('1');
    await page.keyboard.press('Enter');
    await form.getByText('booked: 2 broken, 1 lost').waitFor();
    expect(await countOf('330')).toBe(before - 3);
    await context.close();
    expect(complaints).toEqual([]);
  });
});
