import { isRepeated } from './lines';
import type { Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';

const [WRAPPED, TYPE] = [1.5, 1.6];
const SHIFT = /^(\w+) ?(?:<<= ?\d+|= ?\1 ?<< ?\d+|\*= ?2|= ?\1 ?\* ?2);?$/;

/** What is shifted round by round and becomes 0 in the end, begun again with what it was at first. */
function shiftsWrapped(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap((statement): readonly Guess[] => {
      const name = SHIFT.exec(statement.text)?.[1];
      const first = tokens.findIndex(({ text }, index) => text === name && tokens[index + 1]?.text === '=');
      const begins = tokens[first + 2];
      const isAsked = tokens.some(
        ({ text }, index) => text === name && /^(?:[=!]=|[<>]=?)$/.test(tokens[index + 1]?.text ?? ''),
      );
      if (name === undefined || begins?.kind !== 'number' || isAsked) return [];
      const clause =
        language === 'python'
          ? `if ${name} > 128: ${name} = ${begins.text}`
          : `if (${name} == 0) ${name} = ${begins.text};`;
      return [
        {
          ...putIn(form, statement, clause, WRAPPED),
          told: {
            why: `Line ${statement.first.line} moves the bits of ${name} on and on, until none is left.`,
            ask: `What is ${name} after eight rounds?`,
          },
        },
      ];
    }),
  );
}

/** `int pattern` that is shifted until it is 0: eight bits fall out, sixteen go on. */
function shiftedTypes({ tokens, language, blocks }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const shifted = new Set(
    blocks.flatMap(({ statements }) => statements.flatMap(({ text }) => SHIFT.exec(text)?.[1] ?? [])),
  );
  return tokens.flatMap((type, index): readonly Guess[] => {
    const name = tokens[index + 1];
    const isDeclared =
      name?.kind === 'word' && shifted.has(name.text) && /^[=;]$/.test(tokens[index + 2]?.text ?? '');
    if (!/^(?:int|long|unsigned)$/.test(type.text) || !isDeclared) return [];
    return [
      {
        ...written(type, 'byte', TYPE),
        told: {
          why: `Line ${type.line} makes ${name.text} an ${type.text}, which has more than eight bits: what is shifted out of the eighth goes on in the ninth.`,
          ask: `How many bits has an ${type.text}, and how many a byte?`,
        },
      },
    ];
  });
}

/** `pattern + 1` where the exercise moves bits and this program moves none: `pattern << 1`. */
function shiftsAsAsked({ tokens }: Form, asked: Form): readonly Guess[] {
  const shifts = ({ tokens: all }: Pick<Form, 'tokens'>): boolean =>
    all.some(({ text }) => /^<<=?$/.test(text));
  if (!shifts(asked) || shifts({ tokens })) return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!/^[-+*]=?$/.test(token.text) || tokens[index + 1]?.kind !== 'number') return [];
    return [{ ...written(token, token.text.length > 1 ? '<<=' : '<<', TYPE) }];
  });
}

/** `pattern == 128`: what is shifted out is over at 0. */
function shiftsOver({ tokens, blocks }: Form): readonly Guess[] {
  const shifted = new Set(
    blocks.flatMap(({ statements }) => statements.flatMap(({ text }) => SHIFT.exec(text)?.[1] ?? [])),
  );
  return tokens.flatMap((token, index): readonly Guess[] =>
    token.kind === 'number' &&
    token.text !== '0' &&
    /^(?:==|>=|>)$/.test(tokens[index - 1]?.text ?? '') &&
    shifted.has(tokens[index - 2]?.text ?? '')
      ? [written(token, '0', TYPE)]
      : [],
  );
}

/** The rules of this subject that something in a program speaks for. */
export const ofShifts: readonly Rule[] = [shiftsWrapped, shiftsAsAsked, shiftsOver, shiftedTypes];
