import type { Token } from '../../../program/token';
import { isInside, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const COST = 1.4;

/** `at + 1`, with the token that it begins with. */
const nextsIn = (tokens: readonly Token[]): readonly Token[] =>
  tokens.filter(
    ({ kind }, index) =>
      kind === 'word' && tokens[index + 1]?.text === '+' && tokens[index + 2]?.text === '1',
  );

/**
 * A question for the next one and what is done with this one, or the other way round: `if (at < COUNT) play(at + 1)`,
 * `if (at + 1 < COUNT) play(at)`.
 */
function nextOnes(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  return blocks
    .filter(({ head, opens, headTokens }) => head === 'if' && opens && headTokens.length > 0)
    .flatMap((block): readonly Guess[] => {
      const inside = tokens
        .filter(({ line }) => isInside(line, block) || line === block.opens!.line)
        .filter((one) => !block.headTokens.includes(one));
      const asked = nextsIn(block.headTokens);
      const done = nextsIn(inside);
      const told = {
        why: `Line ${block.opens!.line} asks for one, and the next one is taken.`,
        ask: `Is there still one behind the last?`,
      };
      const ofQuestion = block.headTokens.filter(
        ({ text }, at) =>
          done.some((one) => one.text === text) && /^<=?$/.test(block.headTokens[at + 1]?.text ?? ''),
      );
      const ofBody = inside.filter(
        (token, at) =>
          asked.some((one) => one.text === token.text) &&
          /^[([,]$/.test(inside[at - 1]?.text ?? '') &&
          /^[)\],]$/.test(inside[at + 1]?.text ?? ''),
      );
      return [...(asked.length === 0 ? ofQuestion : []), ...(done.length === 0 ? ofBody : [])].map(
        (token) => ({ ...written(token, `${token.text} + 1`, COST), told }),
      );
    });
}

/** The rules of this subject that something in a program speaks for. */
export const ofNextOnes: readonly Rule[] = [nextOnes];
