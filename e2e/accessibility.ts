import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';

const axe = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');

/** What the automated accessibility checks say against a page as it stands. */
export const violations = (page: Page): Promise<readonly string[]> =>
  page.evaluate(
    `(() => { ${axe}; return axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice'] }).then((result) => result.violations.map((violation) => violation.id + ': ' + violation.nodes.slice(0, 3).map((node) => node.target.join(' ') + ' ' + node.failureSummary).join(' | '))); })()`,
  );
