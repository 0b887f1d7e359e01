import type { ExerciseData } from '../../formats/exercise';
import type { Scenario } from '../../formats/scenario';
import { fail, ok, type Result } from '../../result';
import type { Stimulus } from '../../stimuli';
import type { Expectation } from '../../expectations';
import { readDone } from './done';
import { readExpected } from './expected';

/** Seconds that a scenario runs for which nobody says how long, at least and at most. */
const [LEAST_SECONDS, MOST_SECONDS] = [12, 300];
/** Turns of a rhythm that are to be seen: the first and the last are cut by the window. */
const TURNS = 4;
/** Seconds in which something comes of what was done last. */
const AFTER = 6;

/** Seconds for which a scenario has to run so that all of what it says can be seen. */
export function usualSeconds({ stimuli, expect }: Pick<Scenario, 'stimuli' | 'expect'>): number {
  const times = [
    ...stimuli.map(({ at }) => at + AFTER),
    ...expect.flatMap((expectation) => [
      'rhythm' in expectation ? TURNS * expectation.rhythm.reduce((sum, time) => sum + time, 0) : 0,
      'to' in expectation && typeof expectation.to === 'number' ? expectation.to : 0,
      'from' in expectation && typeof expectation.from === 'number' ? expectation.from + AFTER : 0,
    ]),
  ];
  return Math.ceil(Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, ...times)));
}

/**
 * Scenarios from sentences, a line each: what is done and what must be seen, in any order; an empty line begins the
 * next scenario, and a line such as `for 20 s` says how long one runs. Problems carry their line.
 */
export function readStated(text: string, parts: ExerciseData['parts']): Result<readonly Scenario[]> {
  const scenarios: Scenario[] = [];
  let stimuli: Stimulus[] = [];
  let expect: Expectation[] = [];
  let seconds: number | undefined;
  let begun = 0;
  const lines = text.split(/\r?\n/);
  const close = (): Result<undefined> => {
    if (expect.length === 0 && stimuli.length > 0)
      return fail({ message: 'Say what will be seen when this is done.', line: begun });
    if (expect.length > 0)
      scenarios.push({
        name: `scenario ${scenarios.length + 1}`,
        for: seconds ?? usualSeconds({ stimuli, expect }),
        stimuli: stimuli.sort((one, other) => one.at - other.at),
        expect,
      });
    [stimuli, expect, seconds, begun] = [[], [], undefined, 0];
    return ok(undefined);
  };
  for (const [index, line] of [...lines, ''].entries()) {
    const sentence = line.trim();
    if (sentence === '') {
      const closed = close();
      if (!closed.ok) return closed;
      continue;
    }
    begun ||= index + 1;
    const lasting = /^for (\d+(?:\.\d+)?) ?s$/.exec(sentence);
    if (lasting) {
      seconds = Number(lasting[1]);
      continue;
    }
    const done = readDone(sentence, parts, stimuli);
    if (done.ok) {
      stimuli.push(...done.value);
      continue;
    }
    const expected = readExpected(sentence, parts, stimuli);
    if (!expected.ok) return fail({ ...expected.problems[0]!, line: index + 1 });
    expect.push(...expected.value);
  }
  return ok(scenarios);
}
