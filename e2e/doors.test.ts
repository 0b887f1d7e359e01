import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { createWorld, TABLET, type World } from './world';
import { joinAsLearner, openBench, signInAsInstructor } from './people';

let world: World;
beforeAll(async () => {
  world = await createWorld();
});
afterAll(() => world.end());

describe('the doors', () => {
  test.each(['/', '/exercises/x', '/bench/x', '/review/x', '/reports/x'])(
    '%s asks a stranger to sign in',
    async (path) => {
      const answer = await fetch(`${world.base}${path}`, { redirect: 'manual' });
      expect([307, 303]).toContain(answer.status);
      expect(answer.headers.get('location')).toContain('/sign-in');
    },
  );

  test('bring whoever comes in to the page that was asked for', async () => {
    const { page, context } = await world.visit(TABLET);
    const [publication] = await world.query<{ id: string }>(
      "select publication.id from publication join class on class.id = publication.class_id where class.code = 'LANTERN' and publication.closed_at is null limit 1",
    );
    await page.goto(`/bench/${publication!.id}`);
    await page.getByLabel('Class code').fill('LANTERN');
    await page.getByRole('button', { name: 'Find my class' }).click();
    await page.getByLabel('Your name').selectOption({ label: 'Ebba' });
    await page.getByLabel(/private word/).fill('rudder');
    await page.getByRole('button', { name: 'Go to my bench' }).click();
    await page.getByText('Saved on this tablet').waitFor();
    expect(new URL(page.url()).pathname).toBe(`/bench/${publication!.id}`);
    await context.close();
  });

  test('a hand-in needs a session, the right site, and a body of a sensible size', async () => {
    const post = (body: string, headers: Record<string, string> = {}) =>
      fetch(`${world.base}/api/submissions`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json', ...headers },
      });
    expect((await post('{}')).status).toBe(401);
    expect((await post('{}', { origin: 'http://elsewhere.invalid' })).status).toBe(403);
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Ebba');
    const cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    expect((await post('x'.repeat(700_000), { cookie })).status).toBe(413);
    expect((await post('not json', { cookie })).status).toBe(400);
    expect((await post('{}', { cookie })).status).toBe(422);
    const text = await (await post('{"clientId":1}', { cookie })).text();
    expect(text).not.toMatch(/at \w+ \(|node_modules|\.ts:/);
    await context.close();
  });

  test('every answer carries a policy that evaluates nothing, and the session cookie is out of reach of scripts', async () => {
    const answer = await fetch(`${world.base}/sign-in`);
    const policy = answer.headers.get('content-security-policy')!;
    expect(policy).toContain("'wasm-unsafe-eval'");
    expect(policy.replace("'wasm-unsafe-eval'", '')).not.toContain('unsafe-eval');
    expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    const { page, context } = await world.visit();
    await signInAsInstructor(page);
    const [cookie] = (await context.cookies()).filter(({ name }) => name.startsWith('didaktor-session'));
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
    await context.close();
  });

  test('a learner’s browser gets no reference program, and no other learner’s report or class', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    const source = await (await page.request.get(page.url())).text();
    expect(source).toContain('light character');
    expect(source).not.toContain('delay(2500)');
    expect(source).not.toContain('a wiring fault shows at once');
    const [foreign] = await world.query<{ id: string; publication: string }>(
      `select submission.id, publication_id as publication from submission join learner on learner.id = learner_id where learner.name = 'Adda'`,
    );
    for (const path of [
      `/reports/${foreign!.id}`,
      `/bench/${foreign!.publication}`,
      `/review/${foreign!.publication}`,
    ])
      expect((await page.request.get(path)).status(), path).toBe(404);
    const [exercise] = await world.query<{ id: string }>('select id from exercise');
    expect((await page.request.get(`/exercises/${exercise!.id}`)).status()).toBe(404);
    await context.close();
  });

  test('a learner’s browser holds nothing of where things go, and is told who checks', async () => {
    const { page, context } = await world.visit();
    await joinAsLearner(page, 'Yrsa');
    await openBench(page);
    await page.getByText('checked by the server').waitFor();
    const source = await (await page.request.get(page.url())).text();
    for (const hidden of ['B1.e5', 'B1.a-6', 'U1.13', 'rhythm']) expect(source, hidden).not.toContain(hidden);
    await context.close();
  });

  test('a word that is guessed is slowed down and seen by staff, who give a slip to choose a new one', async () => {
    const learner = await world.visit(TABLET);
    await learner.page.goto('/sign-in');
    const choose = async (): Promise<void> => {
      await learner.page.getByLabel('Class code').fill('HARBOUR');
      await learner.page.getByRole('button', { name: 'Find my class' }).click();
      await learner.page.getByLabel('Your name').selectOption({ label: 'Greta' });
    };
    await choose();
    for (const [word, said] of [
      ['boat', 'not the word'],
      ['ship', 'not the word'],
      ['oars', 'not the word'],
      ['anchor', 'Too many tries'],
    ] as const) {
      await learner.page.getByLabel(/private word/).fill(word);
      await learner.page.getByRole('button', { name: 'Go to my bench' }).click();
      // A wrong word is taken away when the answer has come; until then the last answer still stands there.
      await expect.poll(() => learner.page.getByLabel(/private word/).inputValue()).toBe('');
      await learner.page.getByRole('alert').filter({ hasText: said }).waitFor();
    }
    const teacher = await world.visit();
    await signInAsInstructor(teacher.page);
    const trouble = teacher.page.getByRole('list', { name: 'Tries at the door' });
    await trouble.getByText('Greta does not get in').waitFor();
    await trouble.getByRole('button', { name: 'New word by slip' }).click();
    const slip = /: ([a-z]+ [a-z]+)\./.exec(
      await teacher.page.getByRole('list', { name: 'New slips' }).innerText(),
    )![1]!;
    await learner.page.reload();
    await choose();
    await learner.page.getByLabel('The two words on your slip').fill(slip.toUpperCase());
    await learner.page.getByLabel('Choose a private word').fill('rudder');
    await learner.page.getByRole('button', { name: 'Go to my bench' }).click();
    await learner.page.getByRole('heading', { name: 'Good to see you, Greta' }).waitFor();
    // The end of the meeting signs her out, wherever she is.
    await teacher.page.reload();
    const evening = teacher.page.getByRole('region', { name: 'Evening class' });
    await evening.getByText(/[1-9] signed in/).waitFor();
    await evening.getByRole('button', { name: 'End the meeting' }).click();
    await evening.getByText('Nobody is signed in.').waitFor();
    await learner.page.reload();
    await learner.page.getByLabel('Class code').waitFor();
    await teacher.context.close();
    await learner.context.close();
  });

  test('an assistant reviews and does not publish', async () => {
    const { page, context } = await world.visit();
    await signInAsInstructor(page, 'teun', 'spare fuse');
    await page.getByRole('link', { name: 'Worksheet' }).first().click();
    await page.getByRole('heading', { name: 'Beacon', level: 1 }).waitFor();
    expect(await page.getByRole('button', { name: /Publish/ }).count()).toBe(0);
    await context.close();
  });

  test('an instructor publishes to a class, closes, and a learner sees it closed', async () => {
    const teacher = await world.visit();
    await signInAsInstructor(teacher.page);
    await teacher.page.getByRole('link', { name: 'Worksheet' }).first().click();
    await teacher.page.getByRole('button', { name: /Publish/ }).click();
    const line = teacher.page.getByRole('listitem').filter({ hasText: 'Friday morning' });
    await line.getByRole('button', { name: 'Close' }).click();
    await line.getByRole('button', { name: 'Publish', exact: true }).waitFor();
    const learner = await world.visit();
    await joinAsLearner(learner.page, 'Zeno');
    await learner.page.getByText('This exercise is closed.').waitFor();
    await line.getByRole('button', { name: 'Publish', exact: true }).click();
    await line.getByText('open, revision 1').waitFor();
    await learner.page.reload();
    await learner.page.getByRole('link', { name: 'Go to the bench' }).waitFor();
    await teacher.context.close();
    await learner.context.close();
  });
});
