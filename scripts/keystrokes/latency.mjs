/* global window, document, MutationObserver, requestAnimationFrame, performance */
const LINE = 'Part line 1';
const TEXT = 'green lamp bar on 11-2 with 330';
/** What is typed at the end of the line, one key after another; each changes circuit, values or layout. */
const KEYS = [
  ...'Backspace|Backspace|Backspace|2|2|0|Backspace|Backspace|Backspace|4|7|0|Backspace|Backspace|Backspace|3|3|0'.split(
    '|',
  ),
];
/** Milliseconds between two keys: at rest, and as fast as a practised writer. */
const RHYTHMS = { 'with a rest after each key': 900, 'in one go': 130 };

/** Says the time from a keystroke to updated figures and drawing, at the ten-LED exercise, for an instructor's page. */
export async function tellLatency(page) {
  await page.getByRole('link', { name: 'Tide gauge' }).first().click();
  await page.getByRole('figure', { name: 'Schematic' }).locator('svg').waitFor();
  await page.evaluate(() => {
    window.measured = [];
    let pressed;
    document.addEventListener('keydown', () => (pressed = performance.now()), true);
    const sheet = document.querySelector('section[aria-label=Parts]').parentElement;
    new MutationObserver(() => {
      if (sheet.dataset.answer === undefined || pressed === undefined) return;
      const since = pressed;
      pressed = undefined;
      // The frame in which it is painted, and the moment after.
      requestAnimationFrame(() => setTimeout(() => window.measured.push(performance.now() - since)));
    }).observe(sheet, { attributeFilter: ['data-answer'] });
  });
  await page.getByLabel(LINE, { exact: true }).fill(TEXT);
  await page.getByText('All changes saved.').waitFor();
  await page.waitForTimeout(1500);
  for (const [rhythm, pause] of Object.entries(RHYTHMS)) {
    await page.getByLabel(LINE, { exact: true }).focus();
    await page.keyboard.press('End');
    await page.evaluate(() => (window.measured.length = 0));
    for (const key of KEYS) {
      await page.keyboard.press(key);
      await page.waitForTimeout(pause);
    }
    await page.waitForTimeout(600);
    const times = (await page.evaluate(() => window.measured)).sort((a, b) => a - b);
    const at = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))].toFixed(0);
    console.log(
      `${rhythm}: ${times.length} of ${KEYS.length} keys seen; median ${at(0.5)} ms, nine of ten within ${at(0.9)} ms`,
    );
  }
  // What was typed must be kept before the page goes, or the next measurement begins with half a word.
  await page.getByText('All changes saved.').waitFor();
  if ((await page.getByLabel(LINE, { exact: true }).inputValue()) !== TEXT)
    throw new Error('The line is not what was typed.');
}
