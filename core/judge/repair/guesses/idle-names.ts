import type { Token } from '../../../program/token';
import { TAKES_PIN } from '../pin-functions';
import { declaresInside } from '../token-places';
import { isInside, type Form } from './form';
import { functionsIn, uncalledIn, type OwnFunction } from './functions';
import { putIn, written, type Guess, type Rule } from './guess';

const [BEGUN, COST] = [0.9, 1.42];
/** What is done once with everything that a program uses. */
const BEGINS = /^(?:pinMode|begin|attach|setup|init)$/;

/** A name with the tokens that do something with it, beyond its declaration and what is done once. */
interface Named {
  readonly name: string;
  /** What declares it: `const byte`, `Button`. */
  readonly type: string;
  readonly uses: readonly Token[];
}

function namedIn({ tokens, language }: Form): readonly Named[] {
  const declared = tokens.flatMap((token, index) => {
    const isNamed = token.kind === 'word' && /^[=({;]$/.test(tokens[index + 1]?.text ?? '');
    const before = tokens[index - 1];
    if (!isNamed) return [];
    const isAtTop =
      language === 'python' ? token.column === 1 : before?.kind === 'word' && !declaresInside(tokens, index);
    if (!isAtTop) return [];
    const type = language === 'python' ? (tokens[index + 2]?.text ?? '') : before!.text;
    return [{ token, type }];
  });
  return declared.map(({ token, type }) => ({
    name: token.text,
    type,
    uses: tokens.filter((one, index) => one.text === token.text && one !== token && !isBegun(tokens, index)),
  }));
}

const isBegun = (tokens: readonly Token[], index: number): boolean =>
  (tokens[index - 1]?.text === '(' && BEGINS.test(tokens[index - 2]?.text ?? '')) ||
  (tokens[index + 1]?.text === '.' && BEGINS.test(tokens[index + 2]?.text ?? ''));

/**
 * A pin or an object that is made ready and with which nothing is done, in the place of one of its sort with which the same
 * is done twice: `isPressed(UP)` twice, and never `isPressed(DOWN)`.
 */
function idleInPlaceOfTwice(form: Form): readonly Guess[] {
  const { tokens } = form;
  const named = namedIn(form);
  return named
    .filter(({ uses }) => uses.length === 0)
    .flatMap(({ name, type }) =>
      named
        .filter((other) => other.type === type && other.uses.length > 1)
        .flatMap(({ uses }) => {
          const done = (token: Token): string => {
            const at = tokens.indexOf(token);
            return tokens[at + 1]?.text === '.' ? (tokens[at + 2]?.text ?? '') : (tokens[at - 2]?.text ?? '');
          };
          return uses
            .filter((token) => uses.some((other) => other !== token && done(other) === done(token)))
            .map((token) => written(token, name, COST));
        }),
    );
}

/** `add.begin();` and never `reset.begin();`, or the one of them twice. */
function objectsBegun(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const begun = tokens.flatMap((token, at) =>
    tokens[at + 1]?.text === '.' && tokens[at + 2]?.text === 'begin' ? [token] : [],
  );
  const named = namedIn(form);
  return named.flatMap(({ name, type }): readonly Guess[] => {
    const siblings = begun.filter(
      ({ text }) => text !== name && named.some((other) => other.name === text && other.type === type),
    );
    if (siblings.length === 0 || begun.some(({ text }) => text === name)) return [];
    const told = { why: `${name} is never made ready.`, ask: `What does begin do for each ${type}?` };
    const twice = siblings.find(({ text }, at) => siblings.findIndex((one) => one.text === text) !== at);
    if (twice) return [{ ...written(twice, name, BEGUN), told }];
    const after = blocks
      .flatMap(({ statements }) => statements)
      .find(({ first }) => first === siblings.at(-1));
    return after ? [{ ...putIn(form, after, `${name}.begin();`, BEGUN), told }] : [];
  });
}

/** A function that gives something, takes nothing and is called by no line, in the place of another such that is called. */
function idleFunctions(form: Form): readonly Guess[] {
  const { tokens } = form;
  const giving = functionsIn(form).filter(
    ({ takes, block }) =>
      takes.length === 0 &&
      tokens.some(
        ({ text, line }, at) => text === 'return' && isInside(line, block) && tokens[at + 1]?.text !== ';',
      ),
  );
  const isGiving = ({ name }: Pick<OwnFunction, 'name'>): boolean => giving.some((one) => one.name === name);
  const heads = new Set(giving.flatMap(({ block }) => block.headTokens));
  const calls = tokens.filter(
    (token, at) => isGiving({ name: token.text }) && tokens[at + 1]?.text === '(' && !heads.has(token),
  );
  return uncalledIn(form)
    .filter(isGiving)
    .flatMap(({ name }) =>
      calls.map((token): Guess => ({
        ...written(token, name, COST),
        told: { why: `No line calls ${name}.`, ask: `What is ${name} there for, and who should ask it?` },
      })),
    );
}

/** `return analogRead(DIAL);` beside two constants that no line uses: the ends to which the reading is brought. */
function idleEnds({ tokens, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const uses = (name: string): number => (source.match(new RegExp(`\\b${name}\\b`, 'g')) ?? []).length;
  const idle = [...source.matchAll(/^(?:const \w+|#define) +([A-Z]\w*) *=? *-?\d/gm)].flatMap(([, name]) =>
    uses(name!) === 1 ? [name!] : [],
  );
  if (idle.length !== 2) return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [pin, close] = [tokens[index + 2], tokens[index + 3]];
    if (token.text !== 'analogRead' || close?.text !== ')' || !pin) return [];
    const is = `analogRead(${pin.text})`;
    return [idle, idle.toReversed()].map((ends, at): Guess => {
      const by = `map(${is}, 0, 1023, ${ends.join(', ')})`;
      return {
        edits: [{ line: token.line, column: token.column, length: close.endColumn - token.column, by }],
        text: `Write ${by} instead of ${is} in line ${token.line}.`,
        cost: COST + 0.01 * at,
        told: {
          why: `No line uses ${idle.join(' and ')}, and line ${token.line} takes the reading as it is.`,
          ask: `From which number to which does the reading go, and from which to which should it?`,
        },
      };
    });
  });
}

/** A pin that loops over several of them count up to, written otherwise in one of them: `pinMode(FIRST + i, …)`, `digitalWrite(FIRST, …)`. */
function pinsOfLoops({ tokens, blocks, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const lines = source.split('\n');
  const given = tokens.flatMap((token, index) => {
    if (!TAKES_PIN.test(token.text) || tokens[index + 1]?.text !== '(') return [];
    const stop = tokens.findIndex(({ text }, at) => at > index && /^[,)]$/.test(text));
    const [first, last] = [tokens[index + 2], tokens[stop - 1]];
    const loop = blocks.find((block) => block.head === 'loop' && block.opens && isInside(token.line, block));
    if (!first || last?.line !== first.line || !loop) return [];
    return [{ first, text: (lines[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1) }];
  });
  const texts = [...new Set(given.map(({ text }) => text))];
  return given.flatMap(({ first, text }) =>
    texts
      .filter((by) => by !== text && /[+[]/.test(by))
      .map((by): Guess => ({
        edits: [{ line: first.line, column: first.column, length: text.length, by }],
        text: `Write ${by} instead of ${text} in line ${first.line}.`,
        cost: COST,
        told: {
          why: `Line ${first.line} takes ${text} for the pin in each round of the loop, and another loop ${by}.`,
          ask: `Which pin is meant in each round of the loop?`,
        },
      })),
  );
}

/** The rules of this subject that something in a program speaks for. */
export const ofIdleNames: readonly Rule[] = [
  objectsBegun,
  idleInPlaceOfTwice,
  idleFunctions,
  idleEnds,
  pinsOfLoops,
];
