import type { Exercise } from '../../formats/exercise';
import type { Report } from '../../formats/report';
import { challengesOf } from '../../generated/challenges';
import { minutesText } from '../../meeting/run-sheet-text';
import type { RunStep } from '../../meeting/run-sheet';
import { capital } from '../../words/words';
import type { Block, Section } from '../document';

/** What to try when everything works, each a little harder. */
export function challenges(exercise: Exercise): Section {
  const ladder = challengesOf(exercise);
  return {
    title: 'Ready? Go on',
    blocks: ladder.length === 0 ? [] : [{ type: 'list', marks: 'numbers', items: ladder }],
  };
}

/** How long each stretch takes, for who teaches. */
export const times = (steps: readonly RunStep[]): Section => ({
  title: 'Times',
  blocks:
    steps.length === 0
      ? []
      : [
          {
            type: 'table',
            head: ['', 'for', 'made of'],
            rows: steps.map(({ title, minutes, madeOf }) => [title, minutesText(minutes), madeOf]),
          },
        ],
});

const VERDICTS: Readonly<Record<Report['verdict'], string>> = {
  'as-drawn': 'The reference does what is asked, as drawn.',
  'works-differently': 'The reference does what is asked.',
  'works-at-risk': 'The reference works, but at a risk: look at its findings before it is used.',
  'does-not-work': 'The reference does not do what is asked: mend it before it is used.',
  'cannot-tell': 'Whether the reference does what is asked cannot be told yet.',
};

/** What the check says of the reference itself. */
export function referenceReport({ verdict, findings, scenarios }: Report): Section {
  const rows = scenarios.flatMap(({ name, expectations }) =>
    expectations.map(({ expected, observed }) => [capital(name), expected, observed]),
  );
  return {
    title: 'The reference, checked',
    blocks: [
      { type: 'text', text: VERDICTS[verdict] },
      ...(findings.length > 0
        ? [{ type: 'list', marks: 'dots', items: findings.map(({ message }) => message) } as const]
        : []),
      ...(rows.length > 0 ? [{ type: 'table', head: ['scenario', 'asked', 'seen'], rows } as const] : []),
    ] satisfies readonly Block[],
  };
}
