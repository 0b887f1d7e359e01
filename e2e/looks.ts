import { expect } from 'vitest';
import type { Page } from 'playwright-core';
import { violations } from './accessibility';
import { longLines, overflowOf, smallTargets } from './fit';
import { unreachedControls } from './keyboard';

/** What is wanted of every view, each with how it is said. */
export const wants = {
  narrow: 'is read without scrolling sideways on a phone, and at twice its size',
  hit: 'has controls that can be hit',
  lines: 'has lines of a length that the eye can follow on a wide screen',
  rules: 'breaks no rule of accessibility, in either theme, on a laptop and on a tablet',
  keys: 'has controls that are all reached by the keys, and show that they were',
  opens: 'opens nothing without a name, and nothing that breaks a rule, in either theme',
} as const;
type Want = keyof typeof wants;

/** What was found against views, by what is wanted of them. */
export type Faults = Readonly<Record<Want, string[]>>;

export const noFaults = (): Faults => ({ narrow: [], hit: [], lines: [], rules: [], keys: [], opens: [] });

/** How a view is looked at. */
export interface Look {
  /** Pixels of the smallest control. */
  readonly leastTarget: number;
  /** The window that the view is made for. */
  readonly size: { readonly width: number; readonly height: number };
  /** Whether only its sizes are of interest: a page that has been looked at, with something else in it. */
  readonly sizesOnly?: true;
}

/** Most letters of a line. */
const MOST_LETTERS = 84;
const [PHONE, TWICE, TABLET, WIDE] = [
  { width: 390, height: 844 },
  { width: 640, height: 400 },
  { width: 1024, height: 768 },
  { width: 1920, height: 1080 },
];

/** Looks at a view as it stands, in every way: one visit for all of them, as the way there is what takes time. */
export async function lookAt(page: Page, view: string, faults: Faults, look: Look): Promise<void> {
  const found = (want: Want, list: readonly string[]): void =>
    void faults[want].push(...list.map((text) => `${view}: ${text}`));
  const audit = (kind: Parameters<typeof violations>[1]): Promise<readonly string[]> =>
    violations(page, kind);
  await page.waitForLoadState('networkidle');
  found('hit', await smallTargets(page, look.leastTarget));
  if (!look.sizesOnly) {
    found('rules', await audit('everything'));
    await wear(page, 'dark');
    found('rules', await audit('contrast'));
    await wear(page, 'light');
  }
  for (const size of [PHONE, TWICE]) {
    await page.setViewportSize(size);
    found('narrow', await settledOverflow(page));
  }
  if (!look.sizesOnly) {
    await page.setViewportSize(TABLET);
    found('rules', await audit('structure'));
  }
  await page.setViewportSize(WIDE);
  found('lines', await longLines(page, MOST_LETTERS));
  await page.setViewportSize(look.size);
}

/** What a page is too wide by once it has taken in the size of its window. */
async function settledOverflow(page: Page): Promise<readonly string[]> {
  for (let turn = 0; turn < 10; turn += 1) {
    if ((await overflowOf(page)).length === 0) return [];
    await page.waitForTimeout(100);
  }
  return overflowOf(page);
}

const wear = (page: Page, theme: 'light' | 'dark'): Promise<void> =>
  page.evaluate((name) => void (document.documentElement.dataset['theme'] = name), theme);

/** Goes round a view by the keys. */
export async function goRound(page: Page, view: string, faults: Faults): Promise<void> {
  faults.keys.push(...(await unreachedControls(page)).map((text) => `${view}: ${text}`));
}

/** What is opened over a page; the page itself has been looked at. */
const OPENED = ':is([role="dialog"], [role="menu"], [role="listbox"], [data-radix-popper-content-wrapper])';

/** Looks at what is open, in both themes, and closes it. */
export async function lookAtOpened(page: Page, view: string, faults: Faults): Promise<void> {
  for (const theme of ['light', 'dark'] as const) {
    await wear(page, theme);
    const broken = await violations(page, theme === 'light' ? 'opened' : 'contrast', OPENED);
    faults.opens.push(...broken.map((text) => `${view}, ${theme}: ${text}`));
  }
  await wear(page, 'light');
  const nameless = await page.evaluate(() =>
    [...document.querySelectorAll('[role="dialog"], [role="menu"], [role="listbox"]')]
      .filter((box) => !box.getAttribute('aria-label') && !box.getAttribute('aria-labelledby'))
      .map((box) => box.outerHTML.slice(0, 120)),
  );
  faults.opens.push(...nameless.map((text) => `${view} has no name: ${text}`));
  await page.keyboard.press('Escape');
}

/** Opens whatever a view can open, one after the other, and looks at each; of those with the same name the first. */
export async function openEverything(page: Page, view: string, faults: Faults): Promise<void> {
  const openers = page.locator('main [aria-haspopup]:visible');
  const count = await openers.count();
  const seen = new Set<string>();
  for (let index = 0; index < count; index += 1) {
    const opener = openers.nth(index);
    const name = (await opener.getAttribute('aria-label')) ?? (await opener.textContent()) ?? '';
    // What stands for each of many begins alike: “Colour of W1”, “What to do for Adda”.
    const sort = name
      .split(' ')
      .slice(0, 3)
      .join(' ')
      .replaceAll(/[A-Z]+\d+|\d+/g, '#');
    if (seen.has(sort) || !(await opener.isEnabled())) continue;
    seen.add(sort);
    await opener.click();
    await lookAtOpened(page, `${view}, ${name}`, faults);
  }
}

/** A view by its name, its address, and a heading that is there when it is. */
export type View = readonly [name: string, path: string, heading: string];

/** Goes to views, looks at each, goes round it by the keys unless its name is among `unrounded`, and opens what it can. */
export async function lookAtAll(
  page: Page,
  views: readonly View[],
  faults: Faults,
  look: Look,
  unrounded: readonly string[] = [],
): Promise<void> {
  for (const [view, path, heading] of views) {
    await page.goto(path);
    await page.getByRole('heading', { name: heading }).first().waitFor();
    await lookAt(page, view, faults, look);
    if (!unrounded.includes(view)) await goRound(page, view, faults);
    await openEverything(page, view, faults);
  }
}

/** Fails with everything that was found. */
export const expectNone = (list: readonly string[]): void => expect(list).toEqual([]);
