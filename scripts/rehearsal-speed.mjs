/* global document, performance, PointerEvent, requestAnimationFrame */
// Measures the rehearsal in a running demo: npm run bench:rehearsal [-- --base URL]. Frames and the delay of a press with
// the largest build, the first sign after Run and Check on a processor slowed down four times, and the size of a bench.
import { parseArgs } from 'node:util';
import { launchBrowser } from './browser.mjs';
import { joinAsLearner, signInAsInstructor } from './visits.mjs';

const { values } = parseArgs({ options: { base: { type: 'string', default: 'http://127.0.0.1:4170' } } });
const { browser, end } = await launchBrowser();
const LAPTOP = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };

const visitor = async (viewport) => (await browser.newContext({ baseURL: values.base, viewport })).newPage();
const sorted = (numbers) => [...numbers].sort((one, other) => one - other);
const share = (numbers, part) =>
  sorted(numbers)[Math.min(numbers.length - 1, Math.floor(numbers.length * part))];
const told = (name, numbers, unit = 'ms') =>
  console.log(
    `${name.padEnd(58)} median ${share(numbers, 0.5).toFixed(1)} ${unit}, 95 % within ${share(numbers, 0.95).toFixed(1)} ${unit}`,
  );

/** Milliseconds between frames of a page over some seconds. */
const framesOf = (page, milliseconds) =>
  page.evaluate(
    (length) =>
      new Promise((resolve) => {
        const all = [];
        const begin = performance.now();
        let last = begin;
        requestAnimationFrame(function next(now) {
          all.push(now - last);
          last = now;
          if (now - begin < length) requestAnimationFrame(next);
          else resolve(all.slice(2));
        });
      }),
    milliseconds,
  );

const desk = await signInAsInstructor(await visitor(LAPTOP));
const addressOf = (title) =>
  desk
    .getByRole('link', { name: `Worksheet: ${title}` })
    .first()
    .getAttribute('href');
const [mast, bell] = [await addressOf('Signal mast'), await addressOf('Night bell')];

for (const view of ['Parts only', 'Bench']) {
  await desk.goto(`${mast}/run`);
  await desk.getByRole('button', { name: view }).click();
  await desk.locator('button:enabled', { hasText: /^Run/ }).click();
  told(`frames, Signal mast running, ${view.toLowerCase()}`, await framesOf(desk, 4500));
}

await desk.goto(`${bell}/run`);
await desk.getByRole('button', { name: 'By hand' }).click();
await desk.locator('[data-hand="S1"]').waitFor();
const delays = [];
for (let press = 0; press < 20; press += 1) {
  await desk.waitForTimeout(250);
  delays.push(
    await desk.evaluate(
      () =>
        new Promise((resolve) => {
          const place = document.querySelector('[data-hand="S1"]');
          place.setPointerCapture = () => undefined;
          const begin = performance.now();
          place.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, pointerId: 1 }));
          requestAnimationFrame(function look() {
            // The buzzer’s plate: the run has come back from the worker and is drawn.
            if (
              document.body.textContent.includes('2300 Hz') &&
              document.querySelector('svg text')?.isConnected
            ) {
              const plates = [...document.querySelectorAll('svg text')].some(
                (one) => one.textContent === '2300 Hz',
              );
              if (plates) {
                place.dispatchEvent(new PointerEvent('pointerup', { bubbles: true, pointerId: 1 }));
                resolve(performance.now() - begin);
                return;
              }
            }
            requestAnimationFrame(look);
          });
        }),
    ),
  );
  await desk.waitForFunction(
    () => ![...document.querySelectorAll('svg text')].some((one) => one.textContent === '2300 Hz'),
  );
}
told('a press until it is heard and seen, Night bell', delays);

const bench = await joinAsLearner(await visitor(TABLET), 'Xaver');
await bench.getByRole('link', { name: /bench/ }).first().click();
await bench.getByText('Saved on this tablet').waitFor();
await bench.waitForLoadState('networkidle');
const bytes = await bench.evaluate(() =>
  performance
    .getEntriesByType('resource')
    .filter(({ name }) => name.includes('/_next/static/') && name.includes('.js'))
    .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
);
console.log(`${'JavaScript of the bench, as it is sent'.padEnd(58)} ${(bytes / 1024).toFixed(0)} kB`);
const slow = await bench.context().newCDPSession(bench);
await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const first = async (press, sign) => {
  const begin = performance.now();
  await press();
  await sign();
  return performance.now() - begin;
};
const [runs, checks] = [[], []];
for (let turn = 0; turn < 7; turn += 1) {
  runs.push(
    await first(
      () => bench.getByRole('button', { name: 'Run', exact: true }).click(),
      () =>
        bench
          .getByText(/Before it runs|Putting it together|In this class it is built first|Stand still/)
          .first()
          .waitFor(),
    ),
  );
  await bench.getByRole('button', { name: 'Stop', exact: true }).click();
  checks.push(
    await first(
      () => bench.getByRole('button', { name: /^Check/ }).click(),
      () =>
        bench
          .getByRole('region', { name: 'What the check says' })
          .filter({ hasNotText: 'Record where each end is' })
          .waitFor(),
    ),
  );
  await bench.waitForTimeout(1500);
}
told('first sign after Run, processor slowed 4 times', runs);
told('first sign after Check, processor slowed 4 times', checks);
end();
process.exit(0);
