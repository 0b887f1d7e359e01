import type { Page } from 'playwright-core';

/** What reaches beyond the right edge of a page that is wider than its window; nothing when it fits. */
export const overflowOf = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const over = document.documentElement.scrollWidth - window.innerWidth;
    if (over <= 0) return [];
    const wide = [...document.querySelectorAll<HTMLElement>('body *')].filter(
      (element) => element.getBoundingClientRect().right > window.innerWidth + 0.5,
    );
    const deepest = wide.filter(
      (element) => !wide.some((other) => other !== element && element.contains(other)),
    );
    return [`${over} px too wide`, ...deepest.slice(0, 4).map((element) => element.outerHTML.slice(0, 160))];
  });

/** Controls of a page that are smaller than this many pixels one way or the other, with their size. */
export const smallTargets = (page: Page, least: number): Promise<readonly string[]> =>
  page.evaluate((pixels) => {
    const found: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>(
      ':is(main, header, [role="dialog"], [role="menu"]) :is(a[href], button, input, select, textarea, summary, [role="menuitem"], [role="option"])',
    )) {
      if (!element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue;
      // A link in a line of text is as high as the line.
      const isInText = element.matches('a, summary') && getComputedStyle(element).display === 'inline';
      // A field is as large as its label, which leads to it.
      const sizes = [element, element.closest('label')].flatMap((one) => one?.getBoundingClientRect() ?? []);
      const isHit = sizes.some(({ width, height }) => width >= pixels && height >= pixels);
      const { width, height } = sizes[0]!;
      if (isInText || width === 0 || isHit) continue;
      found.push(
        `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}” ${Math.round(width)}×${Math.round(height)}`,
      );
    }
    return [...new Set(found)];
  }, least);

/** Paragraphs and list items of a page whose lines hold more letters than the eye can keep, with how many. */
export const longLines = (page: Page, most: number): Promise<readonly string[]> =>
  page.evaluate((letters) => {
    const sample = 'the quick brown fox jumps over a lazy dog and runs on ';
    const pen = document.createElement('canvas').getContext('2d')!;
    const found: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>('main :is(p, li, dd, td)')) {
      const text = [...element.childNodes]
        .filter(({ nodeType }) => nodeType === Node.TEXT_NODE)
        .map(({ textContent }) => textContent ?? '')
        .join('')
        .trim();
      if (text.length <= letters || !element.checkVisibility()) continue;
      const look = getComputedStyle(element);
      pen.font = `${look.fontWeight} ${look.fontSize} ${look.fontFamily}`;
      const perLine = (element.clientWidth / pen.measureText(sample).width) * sample.length;
      if (perLine > letters) found.push(`${Math.round(perLine)}: ${text.slice(0, 50)}`);
    }
    return found;
  }, most);
