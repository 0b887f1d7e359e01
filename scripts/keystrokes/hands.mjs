/* global document */
// A pair of hands that counts what it does: keys, taps or clicks, and how long the product lets it wait.

/** Seconds for a key, and for a tap with the look for its place: the keystroke-level model's figures. */
const [SECONDS_PER_KEY, SECONDS_PER_TAP] = [0.28, 1.3];

export class Hands {
  keys = 0;
  taps = 0;
  waited = 0;

  constructor(page, { isTouch = false } = {}) {
    this.page = page;
    this.isTouch = isTouch;
  }

  async type(text) {
    this.keys += text.length;
    await this.page.keyboard.type(text);
  }

  /** A program goes in line by line; the editor sets lines in by itself. */
  async write(program) {
    this.keys += program.replace(/\n */g, '\n').length;
    await this.page.keyboard.insertText(program);
  }

  async press(key, times = 1) {
    for (let time = 0; time < times; time += 1) {
      this.keys += 1;
      await this.page.keyboard.press(key);
    }
  }

  async tap(locator) {
    this.taps += 1;
    await (this.isTouch ? locator.tap() : locator.click());
  }

  /** Presses Tab, or Shift and Tab, until something is reached. */
  async tabTo(locator, { back = false } = {}) {
    for (let pressed = 0; pressed < 80; pressed += 1) {
      if (await locator.evaluate((element) => element === document.activeElement).catch(() => false)) return;
      await this.press(back ? 'Shift+Tab' : 'Tab');
    }
    throw new Error('The keys do not reach it.');
  }

  /** Waits for the product, and counts how long. */
  async see(locator) {
    const begin = Date.now();
    await locator.waitFor();
    this.waited += (Date.now() - begin) / 1000;
  }

  get line() {
    const seconds = this.keys * SECONDS_PER_KEY + this.taps * SECONDS_PER_TAP + this.waited;
    return { keys: this.keys, taps: this.taps, seconds: Math.round(seconds) };
  }
}
