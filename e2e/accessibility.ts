import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';

const axe = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');

/** What is looked for: everything, everything while a menu is open, only what a theme changes, or only what the size of the screen changes. */
export type Audit = 'everything' | 'opened' | 'contrast' | 'structure';

const options: Readonly<Record<Audit, object>> = {
  everything: { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice'] },
  // A menu that is open stands outside of the landmarks for as long as it is.
  opened: {
    runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice'],
    rules: { region: { enabled: false } },
  },
  contrast: { runOnly: { type: 'rule', values: ['color-contrast'] } },
  structure: {
    runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice'],
    rules: { 'color-contrast': { enabled: false } },
  },
};

/** What the automated accessibility checks say against a page as it stands, or against what stands in a part of it. */
export const violations = (page: Page, audit: Audit, within?: string): Promise<readonly string[]> =>
  page.evaluate(
    `(() => { ${axe};
      const part = ${JSON.stringify(within ?? null)};
      const where = part !== null && document.querySelector(part) ? { include: [[part]] } : document;
      return axe.run(where, ${JSON.stringify(options[audit])}).then((result) => result.violations.map((violation) => violation.id + ': ' + violation.nodes.slice(0, 3).map((node) => node.target.join(' ') + ' ' + node.failureSummary).join(' | '))); })()`,
  );
