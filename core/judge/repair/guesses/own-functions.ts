import type { Token } from '../../../program/token';
import { isNumber } from '../what-names-hold';
import { bodyOf, isInside, type Form } from './form';
import { functionsIn, uncalledIn } from './functions';
import { putIn, written, type Guess, type Rule } from './guess';
import { numbersIn } from './numbers';
import { isRepeated } from './lines';
import { loopNamesOf } from './python-forms';
import { afterBlock, counterOf, variablesIn } from './places';

const [CALLED, GIVEN, INSTEAD, LEFT_OUT] = [1.6, 1.69, 1.7, 1.73];
/** Numbers that a function may be given where it is called with none. */
const MOST_NUMBERS = 8;

/** `beep;` and `beep`: a function that is named and not called, called with what it takes. `asked`: the exercise's own program. */
function functionsCalled(form: Form, asked: Form): readonly Guess[] {
  const { tokens } = form;
  const numbers = [...new Set([...numbersIn(asked), ...numbersIn(form)])].filter((text) => Number(text) > 0);
  return functionsIn(form).flatMap(({ name, takes }) =>
    tokens.flatMap((token, index): readonly Guess[] => {
      if (token.text !== name || !isAlone(tokens, index)) return [];
      if (takes.length === 0) return [written(token, `${name}()`, CALLED)];
      return takes.length > 1
        ? []
        : [...loopNamesAt(token, form), ...truthsGivenTo(name, tokens), ...numbers]
            .slice(0, MOST_NUMBERS)
            .map((given) => written(token, `${name}(${given})`, CALLED));
    }),
  );
}

/** What the loops around a word call the ones that they go through. */
const loopNamesAt = (token: Token, { blocks }: Form): readonly string[] =>
  blocks.filter((block) => block.head === 'loop' && isInside(token.line, block)).flatMap(loopNamesOf);

/** Yes and no, as they are written, where a function is given one of them elsewhere. */
function truthsGivenTo(name: string, tokens: readonly Token[]): readonly string[] {
  const pairs = [
    ['True', 'False'],
    ['true', 'false'],
    ['HIGH', 'LOW'],
  ];
  return tokens.flatMap(({ text }, index) =>
    text === name && tokens[index + 1]?.text === '('
      ? (pairs.find((pair) => pair.includes(tokens[index + 2]?.text ?? '')) ?? [])
      : [],
  );
}

/** `toDegrees` and `play;` of a function that takes a value: called with what stands near, in the lines where that is missing. */
export function functionsGiven(form: Form, lines: readonly number[]): readonly Guess[] {
  const { tokens, blocks, holdings } = form;
  const numbers = [...holdings].flatMap(([name, held]) => (isNumber(held) ? [name] : []));
  const lists = [...holdings].flatMap(([name, held]) =>
    held === 'list' && tokens.filter(({ text }) => text === name).length === 1 ? [name] : [],
  );
  const pins = [...holdings].flatMap(([name, held]) =>
    tokens.every(({ text }, index) => text !== name || /=|pinMode/.test(besides(tokens, index))) &&
    (held === 'pin' || held === 'whole' || held === undefined)
      ? [`analogRead(${name})`, `digitalRead(${name})`]
      : [],
  );
  return functionsIn(form).flatMap(({ name, takes, block: own }) =>
    tokens.flatMap((token, index): readonly Guess[] => {
      if (token.text !== name || !lines.includes(token.line) || tokens[index + 1]?.text === '(') return [];
      if (takes.length === 0) return [written(token, `${name}()`, CALLED)];
      if (takes.length > 1 || isInside(token.line, own)) return [];
      const counters = blocks.flatMap((block) => {
        const counter =
          block.head === 'loop' && isInside(token.line, block) ? counterOf(block.headTokens) : undefined;
        return counter === undefined ? [] : [...lists.map((list) => `${list}[${counter}]`), counter];
      });
      return [...counters, ...pins, ...numbers.filter((one) => one !== takes[0])]
        .slice(0, MOST_NUMBERS)
        .map((given) => written(token, `${name}(${given})`, CALLED));
    }),
  );
}

/** What stands right behind a name, or two places before it. */
const besides = (tokens: readonly Token[], index: number): string =>
  `${tokens[index + 1]?.text} ${tokens[index - 2]?.text}`;

/** `show();` of a function that takes something: given what it is given elsewhere, or a variable. */
export function argumentsGiven(form: Form): readonly Guess[] {
  const { tokens, holdings } = form;
  const variables = [...holdings].flatMap(([name, held]) => (isNumber(held) ? [name] : []));
  return functionsIn(form)
    .filter(({ takes }) => takes.length === 1)
    .flatMap(({ name, takes, block }) => {
      // A place in a list begins with the first.
      const isPlace = tokens.some(
        ({ text, line }, at) => text === takes[0] && tokens[at - 1]?.text === '[' && isInside(line, block),
      );
      const elsewhere = tokens.flatMap(({ text }, index) =>
        text === name && tokens[index + 3]?.text === ')' ? [tokens[index + 2]!.text] : [],
      );
      const all = [...new Set([...(isPlace ? ['0'] : []), ...variables, ...elsewhere])];
      return tokens.flatMap((token, index): readonly Guess[] => {
        const close = tokens[index + 2];
        // What stands in the same function is nearest.
        const given = all.toSorted((a, b) => Number(isNear(b, token, form)) - Number(isNear(a, token, form)));
        if (token.text !== name || tokens[index + 1]?.text !== '(' || close?.text !== ')') return [];
        return given.slice(0, MOST_NUMBERS).map((one) => ({
          edits: [{ line: close.line, column: close.column, length: 0, by: one }],
          text: `Write ${name}(${one}) instead of ${name}() in line ${token.line}.`,
          cost: CALLED,
        }));
      });
    });
}

/** Whether a name is declared or set in the function that a word stands in. */
function isNear(name: string, token: Token, { blocks, tokens }: Form): boolean {
  const own = blocks.find((block) => block.head === 'function' && isInside(token.line, block));
  return (
    own !== undefined &&
    tokens.some(
      ({ text, line }, index) => text === name && isInside(line, own) && tokens[index + 1]?.text === '=',
    )
  );
}

/** A value handed on as it is, where a function that nothing calls is to make something of it first: `show(levelOf(reading))`. */
function idleWrapped(form: Form): readonly Guess[] {
  const { tokens } = form;
  const own = functionsIn(form);
  const idle = own.filter(
    ({ name, takes }) => takes.length === 1 && tokens.filter(({ text }) => text === name).length === 1,
  );
  return idle.flatMap(({ name, block }) =>
    tokens.flatMap((token, index): readonly Guess[] => {
      const isGiven =
        /^[(,]$/.test(tokens[index - 1]?.text ?? '') && /^[),]$/.test(tokens[index + 1]?.text ?? '');
      const call = tokens[index - 2]?.text ?? '';
      const isHead = own.some((one) => one.block.headTokens.includes(token));
      if (
        token.kind !== 'word' ||
        !isGiven ||
        isHead ||
        isInside(token.line, block) ||
        /^(?:if|while|switch|pinMode)$/.test(call)
      )
        return [];
      return [
        {
          ...written(token, `${name}(${token.text})`, CALLED),
          told: {
            why: `Line ${token.line} hands on ${token.text} as it is, and no line calls ${name}.`,
            ask: `What is ${name} for, and who should call it?`,
          },
        },
      ];
    }),
  );
}

/** A function that nothing calls and that takes nothing, in the place of each line that calls another. */
function othersCalled(form: Form): readonly Guess[] {
  const { blocks } = form;
  const idle = uncalledIn(form).flatMap(({ name, takes }) => (takes.length === 0 ? [name] : []));
  const names = new Set(functionsIn(form).map(({ name }) => name));
  return idle.flatMap((name) =>
    blocks.flatMap(({ statements }) =>
      statements.flatMap(({ text, first }): readonly Guess[] => {
        const [call, other] = /^(\w+)\([^()]*\)/.exec(text) ?? [];
        return call === undefined || !names.has(other!)
          ? []
          : [
              {
                edits: [{ line: first.line, column: first.column, length: call.length, by: `${name}()` }],
                text: `Write ${name}() instead of ${call} in line ${first.line}.`,
                cost: INSTEAD,
              },
            ];
      }),
    ),
  );
}

/** A pin that a function is given and does nothing with, switched in it. */
function givenPinsWritten(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language === 'python') return [];
  return functionsIn(form).flatMap(({ takes, block }) => {
    const inside = tokens.filter(({ line }) => isInside(line, block));
    const last = block.statements.at(-1);
    return takes
      .filter((name) => !inside.some(({ text }) => text === name))
      .flatMap((name) =>
        ['HIGH', 'LOW'].map((level) => putIn(form, last ?? block, `digitalWrite(${name}, ${level});`, GIVEN)),
      );
  });
}

/** A function that takes a number and that nothing calls, called where a question is asked. `asked`: the exercise's own program. */
function callsLeftOut(form: Form, asked: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  const numbers = numbersIn(asked).filter((text) => /^[1-9]\d?$/.test(text));
  return functionsIn(form)
    .filter(
      ({ name, takes }) => takes.length === 1 && tokens.filter(({ text }) => text === name).length === 1,
    )
    .flatMap(({ name }) =>
      numbers.slice(0, MOST_NUMBERS / 2).flatMap((number) =>
        blocks
          .filter(({ head, opens }) => head === 'if' && opens)
          .flatMap((block) => {
            const call = `${name}(${number})${language === 'python' ? '' : ';'}`;
            return block.statements.map((statement) => putIn(form, statement, call, LEFT_OUT));
          }),
      ),
    );
}

/** A function that takes a number and is called only where the program begins, or with a number, called with a variable where something is asked. */
function callsRepeated(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const variables = variablesIn(form).filter((name) => isNumber(holdings.get(name)));
  const setup = language === 'python' ? undefined : bodyOf('setup', form);
  const readings = tokens.flatMap(({ text }, index) =>
    tokens[index + 1]?.text === '=' && /^(?:analogRead|pulseIn)$/.test(tokens[index + 2]?.text ?? '')
      ? [text]
      : [],
  );
  const idle = functionsIn(form).filter(
    ({ name, takes }) => takes.length === 1 && tokens.filter(({ text }) => text === name).length === 1,
  );
  /** What another function that nothing calls makes of what is read. */
  const composed = (name: string): readonly string[] =>
    idle.flatMap((other) =>
      other.name === name ? [] : readings.map((reading) => `${other.name}(${reading})`),
    );
  return functionsIn(form)
    .filter(({ name, takes, block }) => {
      const calls = tokens.filter(
        ({ text, line }, index) =>
          text === name && tokens[index + 1]?.text === '(' && line !== block.opens?.line,
      );
      const isFixed = (call: Token): boolean => tokens[tokens.indexOf(call) + 2]?.kind === 'number';
      return (
        takes.length === 1 &&
        setup !== undefined &&
        calls.every((call) => isInside(call.line, setup) || isFixed(call))
      );
    })
    .flatMap(({ name, block: own }) =>
      [...variables.slice(0, MOST_NUMBERS / 2), ...composed(name)].flatMap((variable) =>
        blocks
          .filter((block) => isRepeated(block) && block !== own && block.statements.length > 0)
          .flatMap((block) => {
            const call = `${name}(${variable});`;
            return [
              ...block.statements.map((statement) => putIn(form, statement, call, LEFT_OUT)),
              ...(block.head === 'function' ? [] : afterBlock(form, block, call, LEFT_OUT)),
            ];
          }),
      ),
    );
}

/** Whether a word is a whole statement. */
function isAlone(tokens: readonly Token[], index: number): boolean {
  const [before, token, after] = [tokens[index - 1], tokens[index]!, tokens[index + 1]];
  const begins = before === undefined || before.line < token.line || /^[;{}:]$/.test(before.text);
  return begins && (after === undefined || after.text === ';' || after.line > token.line);
}

/** What a function is given and does nothing with, in the place of each number and level in it. */
function parametersUsed(form: Form): readonly Guess[] {
  const { tokens } = form;
  return functionsIn(form).flatMap(({ takes, block }) => {
    const inside = tokens.filter(({ line }) => isInside(line, block));
    return takes
      .filter((name) => !inside.some(({ text }) => text === name))
      .flatMap((name) =>
        inside
          .filter(
            ({ kind, text }) =>
              kind === 'number' ||
              /^(?:HIGH|LOW|True|False|true|false)$/.test(text) ||
              /^(?:list|object)$/.test(form.holdings.get(text) ?? ''),
          )
          .map((token) => written(token, name, GIVEN)),
      );
  });
}

/** One more or one less of what a function of the program is given: `beep(2)` for `beep(3)`. */
function givenBesides(form: Form): readonly Guess[] {
  const { tokens } = form;
  const names = new Set(functionsIn(form).map(({ name }) => name));
  return tokens.flatMap((token, index): readonly Guess[] => {
    const count = Number(token.text);
    const isGiven =
      token.kind === 'number' &&
      tokens[index - 1]?.text === '(' &&
      tokens[index + 1]?.text === ')' &&
      names.has(tokens[index - 2]?.text ?? '');
    if (!isGiven || !Number.isInteger(count) || count < 1 || count > MOST_COUNTED) return [];
    return [count + 1, count - 1].map((by) => written(token, String(by), BESIDES));
  });
}
const [BESIDES, MOST_COUNTED] = [1.66, 20];

/** The rules of this subject that something in a program speaks for. */
export const ofOwnFunctions: readonly Rule[] = [
  functionsCalled,
  parametersUsed,
  othersCalled,
  givenPinsWritten,
  callsLeftOut,
  givenBesides,
  callsRepeated,
  idleWrapped,
];
