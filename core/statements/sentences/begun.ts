import type { Expectation } from '../../expectations';
import { fail, ok, type Result } from '../../result';
import type { Stimulus } from '../../stimuli';
import { doneMeanwhile } from './answered';
import { doneForCondition } from './conditions';
import { readDone } from './done';
import { readExpected, wordsOf } from './expected';
import { examplesSeen } from './examples';
import type { Named } from './plain';
import { doneForSetting } from './settings';
import { doneForPresses } from './ways-pressed';

/** What a sentence begins a scenario with. */
export interface Begun {
  readonly stimuli: readonly Stimulus[];
  readonly expect: readonly Expectation[];
}

/**
 * A sentence that a scenario begins with: what must be seen, and what has to be done so that it can come about. `D1 is on
 * when it is dark` makes it dark and bright again; `D1 follows P1` turns P1 from end to end; `press S1 at 1 s: D1 is on
 * from 1.2 s` and `with P1 at 0 %, D1 flashes 3 times` say it themselves.
 */
export function readBegun(text: string, parts: readonly Named[]): Result<Begun> {
  const said = doneAndSeen(text, parts);
  if (said) return said;
  const words = wordsOf(text, parts);
  const condition = doneForCondition(words, parts);
  const presses = condition.length > 0 ? condition : doneForPresses(words, parts);
  const before = presses.length > 0 ? presses : doneForSetting(words, parts);
  const read = readExpected(text, parts, before);
  if (!read.ok) return onlyDone(text, parts) ?? read;
  const expect = read.value;
  return ok({ stimuli: [...before, ...doneMeanwhile(expect, before, parts)], expect });
}

/** What is done before a colon, or behind “with”, and what must be seen then. */
function doneAndSeen(text: string, parts: readonly Named[]): Result<Begun> | undefined {
  const [, first = '', second = ''] =
    /^([^:]+): +(.+)$/.exec(text.trim()) ?? /^(with [^,]+), *(.+)$/i.exec(text.trim()) ?? [];
  const done = first === '' ? undefined : readDone(first, parts, []);
  if (!done?.ok) return undefined;
  const seen = readExpected(second, parts, done.value);
  return seen.ok
    ? ok({ stimuli: [...done.value, ...doneMeanwhile(seen.value, done.value, parts)], expect: seen.value })
    : seen;
}

/** The answer to a sentence that says what is done, and not what must be seen then. */
function onlyDone(text: string, parts: readonly Named[]): Result<never> | undefined {
  if (!readDone(text, parts, []).ok) return undefined;
  const done = text.trim().replace(/[.:]$/, '');
  return fail({
    message: `That is what is done. Say what must be seen then too: “${done}: ${examplesSeen(parts)[0] ?? 'D1 is on'}”.`,
    typed: text,
  });
}
