import type { Expectation } from '../../expectations';
import { ok, type Result } from '../../result';
import type { Stimulus } from '../../stimuli';
import { doneMeanwhile } from './answered';
import { doneForCondition } from './conditions';
import { readExpected, wordsOf } from './expected';
import type { Named } from './plain';

/** What a sentence begins a scenario with. */
export interface Begun {
  readonly stimuli: readonly Stimulus[];
  readonly expect: readonly Expectation[];
}

/**
 * A sentence that a scenario begins with: what must be seen, and what has to be done so that it can come about. `D1 is on
 * when it is dark` makes it dark and bright again; `D1 follows P1` turns P1 from end to end.
 */
export function readBegun(text: string, parts: readonly Named[]): Result<Begun> {
  const before = doneForCondition(wordsOf(text, parts), parts);
  const read = readExpected(text, parts, before);
  if (!read.ok) return read;
  const expect = read.value;
  return ok({ stimuli: [...before, ...doneMeanwhile(expect, before, parts)], expect });
}
