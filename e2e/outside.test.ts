import { readFileSync } from 'node:fs';
import { TextReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { visitAsInstructor } from './people';
import { createWorld, type World } from './world';

let world: World;
let desk: string;
beforeAll(async () => {
  world = await createWorld();
  const [beacon] = await world.query<{ id: string }>(
    `select publication.id from publication join class on class.id = class_id
       join revision on revision.id = revision_id
      where class.code = 'HARBOUR' and revision.content->>'id' = 'beacon'`,
  );
  desk = beacon!.id;
});
afterAll(() => world.end());

const { layout, program } = JSON.parse(readFileSync('demo/course/01-beacon.json', 'utf8')) as {
  readonly layout: string;
  readonly program: string;
};

/** What a class has sent by mail: folders, loose files, names of all sorts, and what is none of it. */
async function mailbag(): Promise<Buffer> {
  const files: readonly (readonly [name: string, content: string])[] = [
    ['Kaya/Beacon/wiring.csv', layout],
    ['Kaya/Beacon/beacon.ino', `${program}// Kaya again\n`],
    ['beacon_levin_final.ino', `${program}// Levin\n`],
    ['beacon-levin.csv', layout.replaceAll(',', ';')],
    ['x17/table.csv', layout],
    ['x17/code.ino', `${program}// whose is this?\n`],
    ['holiday.jpg', 'no picture, but called so'],
    ['__MACOSX/._Kaya', 'x'],
  ];
  const writer = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false });
  for (const [name, content] of files) await writer.add(name, new TextReader(content));
  return Buffer.from(await writer.close());
}

describe('hand-ins from files', () => {
  test('are sorted out, put right by hand, and taken as tries, once', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto(`/review/${desk}`);
    await page.getByRole('link', { name: 'Bring in hand-ins from files' }).click();
    await page.getByRole('heading', { name: 'Bring in hand-ins', level: 1 }).waitFor();
    const choose = page.getByLabel('A ZIP or files');
    await choose.setInputFiles({
      name: 'mail.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from('not one'),
    });
    await page.getByRole('alert').filter({ hasText: 'This is no ZIP archive.' }).waitFor();

    const bag = { name: 'mail.zip', mimeType: 'application/zip', buffer: await mailbag() };
    await choose.setInputFiles(bag);
    await page.getByText('One hand-in of 3: say whose, and for which exercise.').waitFor();
    const row = (file: string) => page.getByRole('row').filter({ hasText: file });
    await row('Kaya/Beacon/beacon.ino').getByText('Takes the place of try 1.').waitFor();
    expect(
      await row('beacon-levin.csv')
        .getByLabel(/^Whose/)
        .evaluate((node: HTMLSelectElement) => node.selectedOptions[0]!.text),
    ).toBe('Levin');
    await page.getByText('A picture. It can’t be checked.').waitFor();
    await row('x17/code.ino').getByText('x17/code.ino').click();
    await page.getByRole('region', { name: 'x17/code.ino' }).getByText('whose is this?').waitFor();
    await row('x17/code.ino')
      .getByLabel(/^Whose/)
      .selectOption({ label: 'Xaver' });
    await page.getByRole('button', { name: 'Bring in 3 hand-ins' }).click();
    await page.getByText('3 hand-ins taken.').waitFor();
    await row('Kaya/Beacon/beacon.ino').getByText('Taken as try 2').waitFor();
    await page.getByRole('link', { name: 'Review desk, Beacon' }).waitFor();

    // The same bag once more is no try more.
    await page.getByRole('button', { name: 'Choose other files' }).click();
    await choose.setInputFiles(bag);
    await row('x17/code.ino')
      .getByLabel(/^Whose/)
      .selectOption({ label: 'Xaver' });
    await page.getByRole('button', { name: 'Bring in 3 hand-ins' }).click();
    await expect.poll(() => page.getByText(/^Handed in before, as try/).count()).toBe(3);
    const [{ count }] = (await world.query<{ count: string }>(
      'select count(*) from submission where brought_by is not null',
    )) as [{ count: string }];
    expect(count).toBe('3');
    await context.close();
    expect(complaints).toEqual([]);
  });

  test('come from a folder as from an archive', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto(`/review/${desk}`);
    await page.getByRole('link', { name: 'Bring in hand-ins from files' }).click();
    await page.getByLabel('A ZIP or files').setInputFiles([
      { name: 'Nils wiring.csv', mimeType: 'text/csv', buffer: Buffer.from(layout) },
      { name: 'Nils.ino', mimeType: 'text/plain', buffer: Buffer.from(program) },
    ]);
    await page.getByText('It is known of each whose it is.').waitFor();
    await page.getByRole('checkbox', { name: 'Take Nils wiring.csv' }).uncheck();
    expect(await page.getByRole('button', { name: /^Bring in/ }).count()).toBe(0);
    await page.getByRole('checkbox', { name: 'Take Nils wiring.csv' }).check();
    // A server that is away takes nothing, and the list stays.
    await world.stopServer();
    await page.getByRole('button', { name: 'Bring in one hand-in' }).click();
    await page.getByRole('alert').filter({ hasText: 'The connection broke.' }).waitFor();
    await world.startServer();
    await page.getByRole('button', { name: 'Bring in one hand-in' }).click();
    await page.getByText('One hand-in taken.').waitFor();
    await context.close();
  });
});

describe('the Review desk', () => {
  test('shows both runs over each other, and which lines mean something else', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.goto(`/review/${desk}`);
    await page.getByRole('button', { name: /^In the wrong row/ }).click();
    const runs = page.getByRole('region', { name: 'Both runs' });
    await runs.getByText('it is the wiring that makes the difference').waitFor();
    await page.getByText('Both programs mean the same, line for line.').waitFor();
    await page.getByRole('button', { name: /^Timing is off/ }).click();
    await runs.getByText(/Line \d+ of (the reference|this program)/).waitFor();
    await page.getByText(/^≠ marks what means something else/).waitFor();
    await context.close();
    expect(complaints).toEqual([]);
  });
});
