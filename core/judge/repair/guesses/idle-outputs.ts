import { written, type Guess, type Rule } from './guess';
import type { Form } from './form';

const COST = 1.6;
/** Calls that put something on a pin. */
const WRITES = /^(?:digitalWrite|analogWrite|tone|shiftOut)$/;

/**
 * A pin that is made an output and to which nothing is written, in the place of one to which several lines write: in C++,
 * `digitalWrite(8, …)` twice beside `pinMode(9, OUTPUT)`.
 */
function idleOutputsWritten({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const given = (call: RegExp): readonly number[] =>
    tokens.flatMap(({ text }, index) =>
      call.test(text) && tokens[index + 1]?.text === '(' && tokens[index + 3]?.text === ','
        ? [index + 2]
        : [],
    );
  const made = given(/^pinMode$/).filter((at) => tokens[at + 2]?.text === 'OUTPUT');
  const writes = given(WRITES);
  const isDeclared = (at: number): boolean =>
    tokens[at + 1]?.text === '=' || /^(?:=|define)$/.test(tokens[at - 1]?.text ?? '');
  const idle = new Set(
    made
      .map((at) => tokens[at]!.text)
      // A name that stands anywhere else may be handed on to what writes.
      .filter((pin) => tokens.every(({ text }, at) => text !== pin || made.includes(at) || isDeclared(at))),
  );
  const times = (pin: string): number => writes.filter((at) => tokens[at]!.text === pin).length;
  return writes
    .filter((at) => times(tokens[at]!.text) > 1)
    .flatMap((at) => [...idle].map((pin) => written(tokens[at]!, pin, COST)));
}

/** The rules of this subject that something in a program speaks for. */
export const ofIdleOutputs: readonly Rule[] = [idleOutputsWritten];
