import { TAKES_PIN } from '../pin-functions';
import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { functionsIn } from './functions';
import { written, type Guess, type Rule } from './guess';
import { givenOutright } from './places';

const [IDLE, ENTRY, EXCHANGED] = [1.45, 1.5, 1.68];
/** How the names of constants are written. */
const CONSTANT = /^[A-Z][A-Z0-9_]+$/;
/** Places in which what is taken is tried; a block with more is not mended by trying. */
const MOST = 12;

/** The blocks that are given something under a name: functions, and in Python loops through something. */
const takersIn = (form: Form): readonly { readonly block: Block; readonly takes: readonly string[] }[] => [
  ...functionsIn(form),
  ...form.blocks.flatMap((block) => {
    const { head, headTokens } = block;
    const end = headTokens.findIndex(({ text }) => text === 'in');
    const names = headTokens.slice(1, end).filter(({ kind, text }) => kind === 'word' && text !== '_');
    return head === 'loop' && end > 0 ? [{ block, takes: names.map(({ text }) => text) }] : [];
  }),
];

/** Where a value stands by itself: handed to something, compared, reckoned with. */
const isValue = (tokens: readonly Token[], index: number): boolean => {
  const [before, token, after] = [tokens[index - 1], tokens[index]!, tokens[index + 1]];
  return (
    (token.kind === 'number' ||
      (token.kind === 'word' && !/^(?:self|True|False|None|not)$/.test(token.text))) &&
    /^(?:[(,*/%<>+-]|[=!<>]=|=|if|elif|return|in|while)$/.test(before?.text ?? '') &&
    !/^(?:[.(=]|\[)$/.test(after?.text ?? '')
  );
};

/** `def flash(duration):` with `time.sleep(UNIT)`: what a function or a loop is given and does nothing with, in another’s place. */
function takenAndUnused(form: Form): readonly Guess[] {
  const { tokens } = form;
  return takersIn(form).flatMap(({ block, takes }) => {
    const used = (name: string): boolean =>
      tokens.some(({ text, line }) => text === name && isInside(line, block));
    const idle = takes.filter((name) => !used(name));
    const places = tokens.filter(({ line }, index) => isInside(line, block) && isValue(tokens, index));
    if (idle.length === 0 || places.length > MOST) return [];
    return idle.flatMap((name) =>
      places.map((token): Guess => ({
        ...written(token, name, token.kind === 'word' ? IDLE : IDLE + 0.02),
        told: {
          why: `Line ${block.opens!.line} takes ${name}, and no line does anything with it.`,
          ask: `What is ${name} there for?`,
        },
      })),
    );
  });
}

/** `const int CLOSED = 0;` that no line uses, where another constant is handed on. */
function constantsUnused({ tokens, source }: Form): readonly Guess[] {
  const named = [
    ...tokens.flatMap(({ kind, text }, index) =>
      kind === 'word' && CONSTANT.test(text) && tokens[index + 1]?.text === '=' ? [text] : [],
    ),
    ...[...source.matchAll(/^#define\s+([A-Z]\w*)\s+\S/gm)].map(([, name]) => name!),
  ];
  const uses = (name: string): number => (source.match(new RegExp(`\\b${name}\\b`, 'g')) ?? []).length;
  const idle = named.filter((name) => uses(name) === 1);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    const isHandedOn = /^[(,]$/.test(before) && /^[),]$/.test(after);
    if (!isHandedOn || !(named.includes(token.text) || token.kind === 'number')) return [];
    // What a rule says of a pin that cannot do what the call wants is nearer.
    const isPin = before === '(' && TAKES_PIN.test(tokens[index - 2]?.text ?? '');
    return idle.map((name) => ({
      ...written(token, name, IDLE),
      ...(isPin
        ? {}
        : {
            told: {
              why: `No line uses ${name}, and line ${token.line} hands on ${token.text}.`,
              ask: `What is ${name} there for?`,
            },
          }),
    }));
  });
}

/** Two constants with each other’s numbers, in lines of their own one behind the other. */
function numbersOfConstantsExchanged({ tokens }: Form): readonly Guess[] {
  const given = tokens.flatMap((token, index) => {
    const value = CONSTANT.test(token.text) ? givenOutright(tokens, index) : undefined;
    return value?.kind === 'number' ? [{ token, value }] : [];
  });
  return given.flatMap(({ token, value }, at): readonly Guess[] => {
    const next = given[at + 1];
    if (next?.token.line !== token.line + 1 || next.value.text === value.text) return [];
    if (!mayBeExchanged({ name: token.text, value }, { name: next.token.text, value: next.value })) return [];
    return [
      {
        edits: [written(next.value, value.text, 0).edits[0]!, written(value, next.value.text, 0).edits[0]!],
        text: `Exchange ${value.text} in line ${value.line} and ${next.value.text} in line ${next.value.line}.`,
        cost: EXCHANGED,
        told: {
          why: `${token.text} is ${value.text} and ${next.token.text} is ${next.value.text}. Each has the number of the other.`,
          ask: `What should ${token.text} be, and what ${next.token.text}?`,
        },
      },
    ];
  });
}

/** Whether two constants are numbers of one sort, and the name of neither says that it is the larger one where it is. */
function mayBeExchanged(...both: readonly { readonly name: string; readonly value: Token }[]): boolean {
  const isFraction = ({ value }: { readonly value: Token }): boolean => /\./.test(value.text);
  const [small, large] = both.toSorted((one, other) => Number(one.value.text) - Number(other.value.text));
  const saysSo = /MIN|LOW|FIRST/.test(small!.name) && /MAX|HIGH|LAST/.test(large!.name);
  return both.every((one) => isFraction(one) === isFraction(both[0]!)) && !saysSo;
}

/** A table that is made and never asked: the entry for a name, in that name’s place. */
function entriesOfIdleTables(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  const idle = tokens.flatMap(({ kind, text }, index) =>
    kind === 'word' &&
    tokens[index + 1]?.text === '=' &&
    /^[[{]$/.test(tokens[index + 2]?.text ?? '') &&
    tokens.filter((other) => other.text === text).length === 1
      ? [text]
      : [],
  );
  if (idle.length === 0) return [];
  const guesses = takersIn(form).flatMap(({ block, takes }) =>
    tokens.flatMap((token, index): readonly Guess[] =>
      takes.includes(token.text) && isInside(token.line, block) && isValue(tokens, index)
        ? idle.map((table) => ({
            ...written(token, `${table}[${token.text}]`, ENTRY),
            told: {
              why: `No line asks ${table} for anything. Line ${token.line} uses ${token.text} itself.`,
              ask: `What is kept in ${table}, and which entry of it is meant in line ${token.line}?`,
            },
          }))
        : [],
    ),
  );
  return guesses.slice(0, MOST);
}

/** The rules of this subject that something in a program speaks for. */
export const ofIdleTakings: readonly Rule[] = [
  takenAndUnused,
  constantsUnused,
  numbersOfConstantsExchanged,
  entriesOfIdleTables,
];
