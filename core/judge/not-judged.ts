import { toFinding } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import type { Report } from '../formats/report';
import { pointsInAll } from '../formats/rubric';
import { ENGINE } from './engine';

/**
 * Why a build could not be judged: it asks for more work than a check may take; the check was ended from
 * outside by its limit of processor time or memory, or with the process it ran in; or the checker has a fault.
 */
export type Obstacle = 'effort' | Ending;
/** The obstacles that whoever runs the check meets; `effort` the check tells itself. */
export type Ending = 'time' | 'memory' | 'crash' | 'failure';

const said: Readonly<Record<Obstacle, string>> = {
  effort:
    'Working out what this build and program do would take more time than a check may take, so it was stopped.',
  time: 'Working out what this build and program do took too long, so it was stopped.',
  memory: 'Working out what this build and program do took too much memory, so it was stopped.',
  crash: 'The check was cut off more than once before it could finish.',
  failure: 'The checker has a fault of its own and could not finish. This is not your mistake.',
};

/** The report on a build that could not be judged: nothing is said of whether it works. */
export function notJudged({ data }: Pick<Exercise, 'data'>, obstacle: Obstacle): Report {
  return {
    format: 'didaktor/report@1',
    verdict: 'cannot-tell',
    right: [],
    findings: [
      {
        ...toFinding({
          code: 'not-judged',
          severity: 'fault',
          message: `${said[obstacle]} So we can’t say whether it works.`,
          hints: [
            'Could the program do its job with less: shorter loops, smaller lists, fewer parts?',
            'There may be nothing wrong; the check just didn’t finish.',
            'Your work is saved. Ask your instructor to look at it, or make the program smaller and check again.',
          ],
        }),
        cause: true,
      },
    ],
    scenarios: [],
    marks: { earned: 0, of: pointsInAll(data) },
    engine: ENGINE,
  };
}
