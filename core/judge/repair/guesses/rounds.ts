import type { Form } from './form';
import { functionsIn } from './functions';
import { written, type Guess, type Rule } from './guess';

const COST = 1.4;

/** `while count <= times`, or the same from 1 on: as many rounds as a function is told. */
function asManyRounds(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const taken = new Set(functionsIn(form).flatMap(({ takes }) => takes));
  return blocks.flatMap(({ head, headTokens }): readonly Guess[] => {
    const sign = headTokens.findIndex(({ text }) => /^<=?$/.test(text));
    const [counter, most] = [headTokens[sign - 1], headTokens[sign + 1]];
    if (head !== 'loop' || !counter || !most || !taken.has(most.text)) return [];
    const first = tokens.findLast(
      ({ kind, line }, index) =>
        kind === 'number' &&
        line <= counter.line &&
        tokens[index - 1]?.text === '=' &&
        tokens[index - 2]?.text === counter.text,
    );
    const isFromOne = first?.text === '1';
    const isUpTo = headTokens[sign]!.text === '<=';
    if (isFromOne === isUpTo || !(isFromOne || first?.text === '0')) return [];
    const told = {
      why: `Counting from ${first.text}, the loop in line ${counter.line} goes round once ${isUpTo ? 'more' : 'less'} than ${most.text} says.`,
      ask: `How often does the loop in line ${counter.line} go round when ${most.text} is 3?`,
    };
    return isUpTo
      ? [{ ...written(headTokens[sign]!, '<', COST), told }]
      : [{ ...written(first, '0', COST), told }];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofRounds: readonly Rule[] = [asManyRounds];
