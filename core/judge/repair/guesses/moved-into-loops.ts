import { isBodyOf, isInside, type Form } from './form';
import { functionsIn } from './functions';
import type { Guess, Rule } from './guess';

const COST = 1.45;
const CLOCK = /^(?:millis|micros|monotonic)$/;

/** `light = measure()` above the loop that asks for light: what a function reads is read again in every round. */
function callsMovedIntoLoop(form: Form): readonly Guess[] {
  const { tokens, blocks, source, language } = form;
  const functions = new Set(functionsIn(form).map(({ name }) => name));
  const loop = blocks.find((block) =>
    language === 'python'
      ? block.head === 'loop' && block.headTokens[1]?.text === 'True'
      : isBodyOf('loop', block),
  );
  if (!loop?.opens) return [];
  const lines = source.split('\n');
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, call, open] = tokens.slice(index + 1, index + 4);
    // `now = time.monotonic()`, `unsigned long now = millis();`
    const isClock = tokens
      .slice(index + 2, index + 5)
      .some(
        (one, at, few) =>
          one.line === token.line && CLOCK.test(one.text) && (at === 0 || few[at - 1]?.text === '.'),
      );
    const isGiven =
      sign?.text === '=' && call && ((functions.has(call.text) && open?.text === '(') || isClock);
    const text = (lines[token.line - 1] ?? '').trim();
    const isOutside = !blocks.some((block) => block.opens && isInside(token.line, block));
    const uses = tokens.filter((other) => other.text === token.text && isInside(other.line, loop));
    const isSetInside = uses.some((use) => /^[-+*/]?=$/.test(tokens[tokens.indexOf(use) + 1]?.text ?? ''));
    if (token.kind !== 'word' || !isGiven || !isOutside || uses.length === 0 || isSetInside) return [];
    const put = {
      line: loop.opens!.line,
      column: loop.opens!.endColumn,
      length: 0,
      by: `\n${loop.space}${text}`,
    };
    const out = { line: token.line, column: 1, length: (lines[token.line - 1] ?? '').length, by: '' };
    return [
      {
        edits: token.line > put.line ? [out, put] : [put, out],
        text: `Move line ${token.line} into the loop, behind line ${put.line}.`,
        cost: COST,
        told: {
          why: `Line ${token.line} stands outside of the loop, so ${token.text} is worked out once and never again.`,
          ask: `How often is line ${token.line} run?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofMovedIntoLoops: readonly Rule[] = [callsMovedIntoLoop];
