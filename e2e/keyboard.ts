import type { Page } from 'playwright-core';

/** Tabs after which a page must have been gone round. */
const MOST_TABS = 400;

/**
 * The controls of a page that the Tab key does not reach, or reaches without showing where it is. Items of a
 * group that the arrows step through count as one.
 */
export async function unreachedControls(page: Page): Promise<readonly string[]> {
  await page.evaluate(() => {
    const wanted = [
      ...document.querySelectorAll<HTMLElement>(
        'main :is(a[href], button, input, select, textarea, summary, [tabindex="0"])',
      ),
    ].filter(
      (element) =>
        element.tabIndex >= 0 &&
        !(element as HTMLButtonElement).disabled &&
        element.checkVisibility({ visibilityProperty: true }) &&
        // Of a group of radio buttons one is in the round.
        (element as HTMLInputElement).type !== 'radio',
    );
    const probe = document.body.appendChild(document.createElement('span'));
    probe.style.color = 'var(--focus)';
    const focusColour = getComputedStyle(probe).color;
    probe.remove();
    for (const element of wanted) element.dataset['unreached'] = '';
    (document.activeElement as HTMLElement | null)?.blur();
    document.addEventListener('focusin', ({ target }) => {
      const element = target as HTMLElement;
      const look = getComputedStyle(element);
      const group = element.closest<HTMLElement>('[data-unreached]');
      const isShown =
        look.outlineStyle !== 'none' ||
        [element, element.parentElement!].some(
          (one) => getComputedStyle(one).borderBottomColor === focusColour,
        ) ||
        element.closest('.cm-focused') !== null;
      if (isShown) delete element.dataset['unreached'];
      if (isShown && group) delete group.dataset['unreached'];
    });
  });
  for (let pressed = 0; pressed < MOST_TABS; pressed += 1) {
    await page.keyboard.press('Tab');
    const isRound = await page.evaluate(() => document.querySelector('[data-unreached]') === null);
    if (isRound) break;
  }
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-unreached]')].map(
      (element) =>
        `${element.tagName.toLowerCase()} ${element.getAttribute('aria-label') ?? element.textContent?.trim().slice(0, 40) ?? ''}`,
    ),
  );
}
