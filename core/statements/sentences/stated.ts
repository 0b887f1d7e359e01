import type { ExerciseData } from '../../formats/exercise';
import type { Scenario } from '../../formats/scenario';
import { fail, ok, type Result } from '../../result';
import type { Stimulus } from '../../stimuli';
import type { Expectation } from '../../expectations';
import { readDone } from './done';
import { readExpected } from './expected';

/** Seconds that a scenario runs for which nobody says how long. */
export const USUAL_SECONDS = 12;

/**
 * Scenarios from sentences, a line each: what is done and what must be seen, in any order; an empty line begins the
 * next scenario, and a line such as `for 20 s` says how long one runs. Problems carry their line.
 */
export function readStated(text: string, parts: ExerciseData['parts']): Result<readonly Scenario[]> {
  const scenarios: Scenario[] = [];
  let stimuli: Stimulus[] = [];
  let expect: Expectation[] = [];
  let seconds = USUAL_SECONDS;
  let begun = 0;
  const lines = text.split(/\r?\n/);
  const close = (): Result<undefined> => {
    if (expect.length === 0 && stimuli.length > 0)
      return fail({ message: 'Say what will be seen when this is done.', line: begun });
    if (expect.length > 0)
      scenarios.push({
        name: `scenario ${scenarios.length + 1}`,
        for: seconds,
        stimuli: stimuli.sort((one, other) => one.at - other.at),
        expect,
      });
    [stimuli, expect, seconds, begun] = [[], [], USUAL_SECONDS, 0];
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
