import { readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { openDatabase } from '@/server/database/connection';
import { visitAsInstructor } from './people';
import { createWorld, freePort, LAPTOP, TABLET, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('a class of one’s own', () => {
  test('is made, filled from a spreadsheet, and its learner comes in with a slip', async () => {
    const { page, context, complaints } = await visitAsInstructor(world);
    await page.getByRole('link', { name: 'Classes and people' }).click();
    await page.getByLabel('Name of a new class').fill('Thursday evening');
    await page.getByLabel('Term').fill('Spring 2027');
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.getByRole('heading', { name: 'Thursday evening', level: 1 }).waitFor();
    const list = page.getByRole('textbox', { name: 'Add learners' });
    await list.fill('Wilma\n???');
    await page.getByText('line 2: “???” has no letter in it.').waitFor();
    await list.fill(
      'No;Surname;First name;Mail\n1;Aal;Wilma;w@x.example\n2;Kai;Bo;b@x.example\n3;Kai;Bo;c@x.example',
    );
    await page.getByText('Only names are kept; left out: No and Mail.').waitFor();
    await page.getByRole('button', { name: 'Add all 3' }).click();
    await page.getByRole('heading', { name: '3 slips to hand out' }).waitFor();
    const slip = page.getByRole('listitem').filter({ hasText: 'Wilma Aal' });
    const [code, words] = await slip.locator('dd').filter({ hasNotText: 'http' }).allTextContents();
    await page.getByRole('button', { name: 'Done' }).click();
    await expect.poll(() => page.getByRole('row').filter({ hasText: 'waits for a slip' }).count()).toBe(3);

    const learner = await world.visit(TABLET);
    await learner.page.goto(`/sign-in?class=${code}`);
    await learner.page.getByLabel('Your name').selectOption({ label: 'Wilma Aal' });
    await learner.page.getByLabel('The two words on your slip').fill(words!.toUpperCase());
    await learner.page.getByLabel('Choose a private word').fill('rudder');
    await learner.page.getByRole('button', { name: 'Go to my bench' }).tap();
    await learner.page.getByRole('heading', { name: 'Good to see you, Wilma Aal' }).waitFor();
    // Who takes the tablet next finds the class, and the name of nobody.
    await learner.page.getByRole('button', { name: 'Not Wilma Aal?' }).tap();
    await learner.page.getByLabel('Your name').waitFor();
    expect(await learner.page.getByLabel('Your name').inputValue()).toBe('');
    await learner.context.close();

    await page.reload();
    const row = page.getByRole('row').filter({ hasText: 'Wilma Aal' });
    await row.getByText('has joined').waitFor();
    await row.getByRole('button', { name: 'What to do for Wilma Aal' }).click();
    await page.getByRole('menuitem', { name: 'Another name' }).click();
    await page.getByLabel('New name of Wilma Aal').fill('Bo Kai');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').filter({ hasText: 'Somebody in the class is called Bo Kai.' }).waitFor();
    await row.getByRole('button', { name: 'What to do for Wilma Aal' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'All that is kept, as a file' }).click(),
    ]);
    const file = join(tmpdir(), `kept-${randomBytes(4).toString('hex')}.json`);
    await download.saveAs(file);
    expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ name: 'Wilma Aal' });
    rmSync(file);
    await row.getByRole('button', { name: 'What to do for Wilma Aal' }).click();
    await page.getByRole('menuitem', { name: 'Move to Friday morning' }).click();
    await row.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'What to do for Bo Kai', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Erase …' }).click();
    await page.getByRole('button', { name: 'Erase', exact: true }).click();
    await page.getByRole('heading', { name: 'One learner' }).waitFor();

    await page.getByLabel('First on').fill('2027-03-18');
    await page.getByLabel('Weeks').fill('3');
    await page.getByRole('button', { name: 'Plan 3 meetings' }).click();
    await page.getByText('1 Apr 2027').waitFor();
    const clocks = await page.getByRole('listitem').filter({ hasText: '2027' }).allTextContents();
    // The hour on the wall stays when the clocks change.
    expect(clocks.every((text) => text.includes('18:00 to 19:30'))).toBe(true);
    await page.getByRole('button', { name: 'closed' }).click();
    await page.getByText('No learner signs in.').waitFor();
    const late = await world.visit(TABLET);
    await late.page.goto(`/sign-in?class=${code}`);
    await late.page.getByText('Thursday evening is closed. Ask your instructor.').waitFor();
    await late.context.close();
    expect(complaints).toEqual([]);
    await context.close();
  });
});

describe('a colleague', () => {
  test('comes by a link, which works once, and changes their password', async () => {
    const { page, context } = await visitAsInstructor(world);
    await page.goto('/classes');
    await page.getByLabel('Invite a colleague as').selectOption('assistant');
    await page.getByRole('button', { name: 'Make a link' }).click();
    const address = await page.getByText(/\/welcome\//).textContent();
    const colleague = await world.visit(LAPTOP);
    await colleague.page.goto(new URL(address!).pathname);
    await colleague.page.getByText('You will be here as an assistant.').waitFor();
    await colleague.page.getByLabel('Your name').fill('Ida Roth');
    await colleague.page.getByLabel('Login').fill('marit');
    await colleague.page.getByLabel('Password').fill('quay and crane');
    await colleague.page.getByRole('button', { name: 'Make my account' }).click();
    await colleague.page.getByRole('alert').filter({ hasText: 'Somebody has the login “marit”.' }).waitFor();
    expect(await colleague.page.getByLabel('Your name').inputValue()).toBe('Ida Roth');
    await colleague.page.getByLabel('Login').fill('ida');
    await colleague.page.getByLabel('Password').fill('quay and crane');
    await colleague.page.getByRole('button', { name: 'Make my account' }).click();
    await colleague.page.getByText('You don’t have a class yet.').waitFor();
    await colleague.page.goto(new URL(address!).pathname);
    await colleague.page.getByRole('heading', { name: 'This link has been used, or is too old.' }).waitFor();
    await colleague.page.goto('/account');
    await colleague.page.getByLabel('Password now').fill('not it at all');
    await colleague.page.getByLabel('New password').fill('another rope');
    await colleague.page.getByRole('button', { name: 'Change it' }).click();
    await colleague.page.getByText('That is not the password you have now.').waitFor();
    await colleague.page.getByLabel('Password now').fill('quay and crane');
    await colleague.page.getByLabel('New password').fill('another rope');
    await colleague.page.getByRole('button', { name: 'Change it' }).click();
    await colleague.page.getByText('Changed. Everywhere else you are signed out.').waitFor();
    await page.reload();
    const line = page.getByRole('listitem').filter({ hasText: 'Ida Roth' });
    await line.getByRole('button', { name: 'Has left' }).click();
    await line.getByText('has left; cannot sign in').waitFor();
    await colleague.page.goto('/');
    await colleague.page.getByLabel('Class code').waitFor();
    await page.getByRole('link', { name: 'Who did what: the trail' }).click();
    await page.getByRole('row').filter({ hasText: 'changed the account of' }).first().waitFor();
    await colleague.context.close();
    await context.close();
  });
});

describe('npm start', () => {
  /** Starts it with these settings until it has said something, or has ended. */
  function start(environment: Readonly<Record<string, string>>, until: RegExp) {
    const child = spawn(process.execPath, ['scripts/start.mjs'], { env: { ...process.env, ...environment } });
    let said = '';
    const found = new Promise<string>((resolve, reject) => {
      const listen = (chunk: Buffer): void => {
        said += chunk.toString();
        if (until.test(said)) resolve(said);
      };
      child.stdout.on('data', listen);
      child.stderr.on('data', listen);
      child.once('exit', () => (until.test(said) ? resolve(said) : reject(new Error(said))));
    });
    const end = (): Promise<void> =>
      new Promise((resolve) => {
        if (child.exitCode !== null) return resolve();
        child.once('exit', () => resolve());
        child.kill('SIGTERM');
      });
    return { found, end };
  }

  test('says what is wrong with its settings, and with the way to the database', async () => {
    const wrong = start({ DIDAKTOR_PORT: 'x' }, /DIDAKTOR_PORT: wanted is a whole number/);
    await wrong.found;
    await wrong.end();
    const url = `postgres://nobody@127.0.0.1:${await freePort()}/none`;
    const away = start(
      { DATABASE_URL: url, DIDAKTOR_PORT: String(await freePort()) },
      /No database answers at 127\.0\.0\.1/,
    );
    await away.found;
    await away.end();
  });

  test('on an empty database leads its owner from the link to a class', async () => {
    const admin = openDatabase(world.url);
    const name = `own_${randomBytes(5).toString('hex')}`;
    await admin.raw('create database ??', [name]);
    const url = new URL(world.url);
    url.pathname = `/${name}`;
    const port = await freePort();
    const running = start(
      {
        DATABASE_URL: url.href,
        DIDAKTOR_PORT: String(port),
        DIDAKTOR_WORKERS: '1',
        DIDAKTOR_URL: 'http://lessons.example',
      },
      /welcome\/[\w-]{20,}\s/,
    );
    const said = await running.found;
    expect(said).toContain('http://lessons.example/welcome/');
    const token = /welcome\/([\w-]+)/.exec(said)![1]!;
    const { page, context } = await world.visit(LAPTOP);
    await page.goto(`http://127.0.0.1:${port}/welcome/${token}`);
    await page.getByLabel('Your name').fill('Ida Roth');
    await page.getByLabel('Login').fill('Ida');
    await page.getByLabel('Password').fill('quay and crane');
    await page.getByRole('button', { name: 'Make my account' }).click();
    await page.getByText('No class yet. Give the first one a name, then add its learners.').waitFor();
    await page.getByLabel('Name of a new class').fill('First class');
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.getByRole('heading', { name: 'First class', level: 1 }).waitFor();
    await page.getByRole('textbox', { name: 'Add learners' }).fill('Adda');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    // Slips say where people reach the server.
    await page.getByText('http://lessons.example', { exact: true }).waitFor();
    await context.close();
    await running.end();
    await admin.raw('drop database ?? with (force)', [name]);
    await admin.destroy();
  });
});
