// Measures at a running demo: npm run keystrokes [-- --base URL]. The time from a keystroke to updated figures and
// drawing; and the keys, taps and seconds that it takes to come through the product.
import { parseArgs } from 'node:util';
import { launchBrowser } from './browser.mjs';
import { built, printed, published, typed } from './keystrokes/journeys.mjs';
import { tellLatency } from './keystrokes/latency.mjs';
import { joinAsLearner, signInAsInstructor } from './visits.mjs';

const { values } = parseArgs({
  options: {
    base: { type: 'string', default: 'http://127.0.0.1:4170' },
    journeys: { type: 'boolean', default: false },
  },
});
const { browser, end } = await launchBrowser();
const visit = async (size) => (await browser.newContext({ baseURL: values.base, ...size })).newPage();

const LAPTOP = { viewport: { width: 1280, height: 800 } };
const TABLET = { viewport: { width: 1024, height: 768 }, hasTouch: true };

const instructor = async () => signInAsInstructor(await visit(LAPTOP));
const learner = async (name, size) => joinAsLearner(await visit(size), name);

const rows = [];
const row = (name, { keys, taps, seconds }) => rows.push([name, keys, taps, seconds]);
try {
  if (!values.journeys) await tellLatency(await instructor());
  row('a new exercise with two LEDs, from nothing to published', await published(await instructor()));
  row('a new exercise with one LED, from the idea to its printed handout', await printed(await instructor()));
  const spelt = await built(await learner('Wanda', TABLET), { isPlain: true });
  row('exercise 2 recorded on a tablet, every hole spelt', spelt.recording);
  const tapped = await built(await learner('Veit', TABLET));
  row('exercise 2 recorded on a tablet', tapped.recording);
  row('exercise 2 recorded, programmed and handed in on a tablet', tapped.whole);
  const byKeys = await typed(await learner('Ulla', LAPTOP));
  row('exercise 2 recorded by keyboard alone', byKeys.recording);
  row('exercise 2 recorded, programmed and handed in by keyboard alone', byKeys.whole);
} finally {
  await end();
}
console.log('| journey | keys | taps | seconds |\n| --- | --: | --: | --: |');
for (const cells of rows) console.log(`| ${cells.join(' | ')} |`);
