// Takes the pictures of docs/screenshots from a running demo: npm run screenshots [-- --base URL]
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { launchBrowser } from './browser.mjs';
import { root } from './machine/folders.mjs';
import { joinAsLearner, signInAsInstructor } from './visits.mjs';

const { values } = parseArgs({ options: { base: { type: 'string', default: 'http://127.0.0.1:4170' } } });
const folder = join(root, 'docs/screenshots');
// What no view is called any more goes.
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const { browser, end } = await launchBrowser();
const LAPTOP = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };

async function visitor(viewport, theme = 'light') {
  const context = await browser.newContext({ baseURL: values.base, viewport });
  await context.addCookies([{ name: 'didaktor-theme', value: theme, url: values.base }]);
  return context.newPage();
}

async function picture(page, name) {
  await page.waitForLoadState('load');
  // What is still worked out when the view is there.
  await page
    .getByText('Looking at what the next meeting needs')
    .waitFor({ state: 'hidden', timeout: 60_000 });
  await page.waitForTimeout(1500);
  await page.mouse.move(0, 0);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(`${name}.png`);
}

const instructor = async (theme) => signInAsInstructor(await visitor(LAPTOP, theme));

async function bench(viewport) {
  const page = await joinAsLearner(await visitor(viewport), 'Xaver');
  await page.getByRole('link', { name: /bench/ }).first().click();
  await page.getByText('Saved on this tablet').waitFor();
  const places = {
    'one end of W1': '13',
    'other end of W1': 'a5',
    'one end of W2': 'GND',
    'other end of W2': 'a-1',
    'long leg of D1': 'e6',
    'short leg of D1': 'e5',
    'one end of R1': 'd6',
    'other end of R1': 'a-6',
  };
  await page.getByRole('tab', { name: 'Wiring' }).click();
  for (const [label, place] of Object.entries(places))
    await page.getByLabel(label, { exact: true }).fill(place);
  await page.getByRole('tab', { name: 'Program' }).click();
  await page
    .getByLabel('Your program')
    .fill(
      'const int LAMP = 13;\n\nvoid setup() {\n  pinMode(LAMP, OUTPUT);\n}\n\nvoid loop() {\n  digitalWrite(LAMP, HIGH);\n  delay(500);\n  digitalWrite(LAMP, LOW);\n  delay(2500);\n}\n',
    );
  await page.getByRole('tab', { name: 'Wiring' }).click();
  await page.getByRole('button', { name: 'Check' }).click();
  await page.getByRole('button', { name: 'Give me a hint' }).click();
  await page.getByRole('button', { name: 'One more hint' }).click();
  await page.getByRole('button', { name: 'One more hint' }).click();
  return page;
}

const desk = await instructor('light');
await picture(desk, 'today');
await desk.getByRole('link', { name: 'Worksheet' }).first().click();
await desk.getByRole('heading', { name: 'What is seen' }).waitFor();
await picture(desk, 'worksheet');
await desk.goto('/');
await desk.getByRole('link', { name: 'The working harbour' }).first().click();
await desk.getByRole('heading', { name: 'Before it is taught' }).waitFor();
await picture(desk, 'course');
await desk.getByRole('link', { name: 'House rules' }).click();
await desk.getByRole('heading', { name: 'The circuit' }).waitFor();
await picture(desk, 'house-rules');
await desk.goto('/');
await desk.getByRole('link', { name: 'Worksheet: Night bell' }).first().click();
await desk.getByRole('link', { name: 'Handout', exact: true }).click();
await desk.getByRole('heading', { name: 'Not like this' }).waitFor();
await picture(desk, 'handout');
await desk.goto('/');
await desk.getByRole('link', { name: 'Worksheet: Tide gauge' }).first().click();
await desk.getByRole('link', { name: 'See it run' }).click();
await desk.getByRole('button', { name: 'By hand' }).waitFor();
await desk.locator('button:enabled', { hasText: /^Run/ }).click();
await desk.waitForTimeout(3400);
await desk.getByRole('button', { name: /^Stand still/ }).click();
await picture(desk, 'rehearsal');
await desk.goto('/');
await desk.getByRole('link', { name: 'Worksheet: Night bell' }).first().click();
await desk.getByRole('link', { name: 'See it run' }).click();
await desk.getByRole('link', { name: 'On the wall' }).click();
await desk.getByRole('navigation', { name: 'The wall' }).waitFor();
await desk.getByText(/^1\/2\d$/).waitFor();
for (let press = 0; press < 19; press += 1) await desk.keyboard.press('PageDown');
await desk.keyboard.press('r');
await desk.getByText('2300 Hz').waitFor();
await desk.keyboard.press('r');
await picture(desk, 'projected');
await desk.goto('/kit');
await desk
  .getByRole('button', { name: /Evening class/ })
  .first()
  .click();
await desk
  .getByRole('button', { name: /^What would do for/ })
  .first()
  .click();
await desk.getByText('its check passes').first().waitFor();
await picture(desk, 'kit-store');
await desk.goto('/values');
await picture(desk, 'value-bench');
await desk.goto('/boards');
await picture(desk, 'boards');
await desk.goto('/');
await desk.getByRole('link', { name: 'Review desk' }).first().click();
await desk.getByRole('heading', { name: 'What was checked' }).waitFor();
await picture(desk, 'review-desk');
await desk.getByRole('link', { name: 'report' }).first().click();
await desk.getByRole('heading', { name: 'Verdict' }).waitFor();
await picture(desk, 'report');
await desk.getByRole('link', { name: 'See it run' }).click();
await desk.getByRole('button', { name: 'Show that moment' }).click();
await picture(desk, 'compare');

await desk.goto('/');
await desk.getByRole('link', { name: 'Junior class' }).click();
await desk.getByRole('heading', { name: 'Meetings' }).waitFor();
await picture(desk, 'class');
await desk.goto('/');
await desk.getByRole('link', { name: 'record', exact: true }).first().click();
await desk.getByRole('heading', { name: 'Learner by exercise' }).waitFor();
await picture(desk, 'record');

// A room at work: one asks for help, one is stuck, others build.
for (const [name, checks] of [
  ['Adda', 0],
  ['Bruno', 3],
  ['Celia', 1],
  ['Dario', 0],
]) {
  const learner = await joinAsLearner(await visitor(TABLET), name);
  await learner.getByRole('link', { name: /bench/ }).nth(6).click();
  await learner.getByText('Saved on this tablet').waitFor();
  await learner.getByRole('tab', { name: 'Wiring' }).click();
  await learner.getByLabel('one end of W1', { exact: true }).fill('a5');
  for (let turn = 0; turn < checks; turn += 1) {
    await learner.getByRole('button', { name: /^Check/ }).click();
    await learner.waitForTimeout(1500);
  }
  if (name === 'Dario') await learner.getByRole('button', { name: 'Help', exact: true }).click();
  await learner.waitForTimeout(3500);
}
const sheet = await signInAsInstructor(await visitor(TABLET));
await sheet.getByRole('link', { name: 'Run sheet' }).click();
await sheet.getByRole('button', { name: 'Start the meeting' }).click();
for (let press = 0; press < 5; press += 1) await sheet.keyboard.press('n');
await picture(sheet, 'run-sheet');
await sheet.getByRole('button', { name: 'End the meeting' }).click();
const assistant = await signInAsInstructor(await visitor(TABLET));
await assistant.getByRole('link', { name: 'room', exact: true }).first().click();
await assistant.getByText('live', { exact: true }).waitFor();
await picture(assistant, 'room');

await picture(await bench(LAPTOP), 'bench');
const learner = await bench(TABLET);
await learner.getByRole('button', { name: 'I did that: change my record' }).click();
await learner.getByRole('button', { name: 'Run', exact: true }).click();
const guess = learner.getByLabel('Before it runs: what will be seen?');
await guess.fill('The LED flashes once in three seconds.');
await learner.getByRole('button', { name: 'Now run it' }).click();
await learner.getByRole('button', { name: /^Stand still/ }).waitFor();
await learner.getByLabel('Moment of the run').fill('3.3');
await picture(learner, 'bench-running');
await end();
process.exit(0);
