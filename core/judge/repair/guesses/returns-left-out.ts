import { isBodyOf, isEndless, outerOf, type Block, type Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.5;

/**
 * A case that ends where its block does, and behind which the program goes on as in every other case: `return` at its end in
 * C++, `continue` in the loop of a program in Python.
 */
function caseLeftEarly(form: Form): readonly Guess[] {
  return form.blocks.flatMap((block): readonly Guess[] => {
    const { opens, closes } = block;
    if (block.head !== 'if' || !opens || !closes || block.isEmpty || !goesOnBehind(block, form)) return [];
    const isPython = form.language === 'python';
    const [line, word] = [closes.line, isPython ? 'continue' : 'return;'];
    return [
      {
        edits: [
          isPython
            ? { line, column: closes.endColumn, length: 0, by: `\n${block.space}${word}` }
            : { line, column: closes.column, length: 0, by: `${word} ` },
        ],
        text: isPython ? `Add ${word} after line ${line}.` : `Add ${word} before the } in line ${line}.`,
        cost: COST,
        told: {
          why: `After line ${line} the program goes on below, as in every other case.`,
          ask: `What does the program do after line ${line}?`,
        },
      },
    ];
  });
}

/** Whether what stands behind a block without another side is done after it. */
function goesOnBehind(block: Block, form: Form): boolean {
  const { tokens, language } = form;
  const [from, to] = [tokens.indexOf(block.opens!), tokens.indexOf(block.closes!)];
  const outer = outerOf(block, form);
  const isWhole =
    language === 'python'
      ? outer?.head === 'loop' && isEndless(outer)
      : outer?.head === 'function' && !isBodyOf('setup', outer);
  const isLeft = tokens.slice(from, to).some(({ text }) => /^(?:return|break|continue)$/.test(text));
  const next = tokens[to + 1];
  // Another question behind it is asked otherwise: as the other side of this one.
  const isBehind = next !== undefined && (language === 'cpp' || next.column - 1 === outer?.space.length);
  return isWhole && !isLeft && isBehind && !/^(?:if|else|elif|\})$/.test(next.text);
}

/** The rule of this subject that something in a program speaks for. */
export const ofReturnsLeftOut: readonly Rule[] = [caseLeftEarly];
