import type { Token } from '../../../program/token';
import { isNumber } from '../what-names-hold';
import { bodyOf, isBodyOf, isInside, type Block, type Form } from './form';
import { putIn, type Guess, type Rule } from './guess';
import { isRepeated } from './lines';
import { end } from './places';

const [COST, ALSO_ASKED] = [1.68, 1.87];
const COMPARES = /^(?:[<>]=?|==)$/;

/**
 * Counters that are asked for and lack what belongs to that: one that nothing counts up, counted before it is asked for;
 * one that nothing sets back, set back where it has come so far.
 */
function countersAsked(form: Form): readonly Guess[] {
  return form.blocks
    .filter(({ head, opens, headTokens }) => head === 'if' && opens && isInRounds(headTokens, form))
    .flatMap((block) =>
      comparedIn(block)
        .filter((name) => isNumber(form.holdings.get(name)))
        .flatMap((name) => [...countedBefore(name, block, form), ...setBackIn(name, block, form)]),
    );
}

/** The names that a question compares with something. */
const comparedIn = ({ headTokens }: Block): readonly string[] => [
  ...new Set(
    headTokens.flatMap(({ kind, text }, index) => {
      const [before, after] = [headTokens[index - 1]?.text ?? '', headTokens[index + 1]?.text ?? ''];
      return kind === 'word' && before !== '.' && (COMPARES.test(after) || COMPARES.test(before))
        ? [text]
        : [];
    }),
  ),
];

/** Whether a question is asked round by round, and not once at the start. */
const isInRounds = ([first]: readonly Token[], form: Form): boolean =>
  first !== undefined &&
  form.blocks.some(
    (block) => /^(?:loop|function)$/.test(block.head) && isRepeated(block) && isInside(first.line, block),
  );

/** What is given to a name, from its first value on: `undefined` of what is counted. */
function changesOf(name: string, { tokens }: Form) {
  const given: (string | undefined)[] = [];
  let isCounted = false;
  tokens.forEach(({ text }, index) => {
    if (text !== name || tokens[index - 1]?.text === '.') return;
    const sign = tokens[index + 1]?.text ?? '';
    const value = tokens.slice(index + 2, index + 5).map((token) => token.text);
    if (/^(?:\+\+|--|[-+]=)$/.test(sign) || (sign === '=' && value[0] === name)) isCounted = true;
    else if (/^(?:\+\+|--)$/.test(tokens[index - 1]?.text ?? '')) isCounted = true;
    else if (sign === '=') given.push(/^\d/.test(value[0] ?? '') ? value[0] : undefined);
  });
  return { given, isCounted };
}

function countedBefore(name: string, block: Block, form: Form): readonly Guess[] {
  const { given, isCounted } = changesOf(name, form);
  // What is given something that is no number is read from elsewhere.
  if (isCounted || given.length === 0 || given.includes(undefined)) return [];
  const statement = form.language === 'python' ? `${name} += 1` : `${name}++;`;
  const [first] = block.headTokens;
  const line = first?.line ?? 1;
  const written = form.source.split('\n')[line - 1] ?? '';
  const space = /^\s*/.exec(written)![0];
  // An elif belongs to what stands before it.
  if (!first || !/^\s*if\b/.test(written)) return [];
  return [
    {
      edits: [{ line, column: 1, length: 0, by: `${space}${statement}\n` }],
      text: `Add ${statement} before line ${line}.`,
      cost: COST,
    },
  ];
}

/** The statement that sets a counter back to where it begins; `undefined` of what is no counter, or is set elsewhere too. */
function settingBack(name: string, form: Form): string | undefined {
  const { given, isCounted } = changesOf(name, form);
  return isCounted && given.length === 1 && given[0] !== undefined
    ? `${name} = ${given[0]}${end(form)}`
    : undefined;
}

function setBackIn(name: string, block: Block, form: Form): readonly Guess[] {
  const statement = settingBack(name, form);
  if (statement === undefined) return [];
  const last = block.statements.at(-1);
  return [...(last ? [putIn(form, last, statement, COST)] : []), putIn(form, block, statement, COST)];
}

/** `rest = 2` of what is counted or asked how much it is: `rest = rest + 2`. */
function addedTo({ blocks, holdings, tokens }: Form): readonly Guess[] {
  const isAsked = (name: string): boolean =>
    tokens.some(
      ({ text }, index) => text === name && /^(?:[<>]=?|-=|--)$/.test(tokens[index + 1]?.text ?? ''),
    );
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap(({ text, first }): readonly Guess[] => {
      const [, name = '', amount = ''] = /^(\w+) ?= ?(\d[\d.]*);?$/.exec(text) ?? [];
      if (!(Number(amount) > 0) || !isNumber(holdings.get(name)) || !isAsked(name)) return [];
      const by = `${name} + ${amount}`;
      const column = first.column + text.lastIndexOf(amount);
      return [
        {
          edits: [{ line: first.line, column, length: amount.length, by }],
          text: `Write ${by} instead of ${amount} in line ${first.line}.`,
          cost: COST,
        },
      ];
    }),
  );
}

/**
 * What is only counted up and asked whether it is this or that, `which == 1`, `which == 2`, begun again behind the last of
 * them.
 */
function countedRound(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  const numbersAskedOf = (name: string): readonly number[] =>
    tokens.flatMap(({ text }, index) => {
      const [sign, number] = [tokens[index + 1], tokens[index + 2]];
      return text === name && sign?.text === '==' && number?.kind === 'number' ? [Number(number.text)] : [];
    });
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap((statement): readonly Guess[] => {
      const [, name = ''] = /^(\w+) ?(?:\+\+|\+= ?1|= ?\1 ?\+ ?1);?$/.exec(statement.text) ?? [];
      const asked = name === '' ? [] : numbersAskedOf(name);
      const { given } = changesOf(name, form);
      if (asked.length < 2 || given.length !== 1 || given[0] === undefined) return [];
      const most = Math.max(...asked);
      return [...new Set([most, most + 1])].map((limit) => {
        const question =
          language === 'python' ? `if ${name} > ${limit}: ${name} = ` : `if (${name} > ${limit}) ${name} = `;
        return putIn(form, statement, `${question}${given[0]!}${end(form)}`, COST);
      });
    }),
  );
}

/** What is only counted up and asked whether anything is left of it, counted down: by one, or by as much as is waited. */
function countedDown(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const pauses = tokens.flatMap(({ text }, index) => {
    const amount = tokens[index + 2];
    return /^(?:delay|sleep)$/.test(text) && amount?.kind === 'number' ? [amount.text] : [];
  });
  return blocks
    .filter(({ head, opens }) => head === 'if' && opens)
    .flatMap((block) =>
      comparedIn(block)
        .filter((name) => isNumber(holdings.get(name)) && isLeftOf(name, block) && !isLessened(name, tokens))
        .flatMap((name) =>
          [...new Set(['1', ...pauses])].map((amount) =>
            putIn(form, block, `${name} = ${name} - ${amount}${language === 'python' ? '' : ';'}`, COST),
          ),
        ),
    );
}

/** Whether a question asks whether anything is left: `rest > 0`. */
const isLeftOf = (name: string, { headTokens }: Block): boolean =>
  headTokens.some(
    ({ text }, index) =>
      text === name &&
      /^(?:>|>=|!=)$/.test(headTokens[index + 1]?.text ?? '') &&
      /^[01]$/.test(headTokens[index + 2]?.text ?? ''),
  );

const isLessened = (name: string, tokens: readonly Token[]): boolean =>
  tokens.some(({ text }, index) => {
    const [sign, own, minus] = tokens.slice(index + 1, index + 4).map((token) => token.text);
    return (
      text === name && (/^(?:-=|--)$/.test(sign ?? '') || (sign === '=' && own === name && minus === '-'))
    );
  });

/** Variables that begin anew with a number in every round though the rounds change them: left as they are. */
function begunEachRound(form: Form): readonly Guess[] {
  const rounds = form.blocks.filter((block) =>
    form.language === 'python'
      ? block.head === 'loop' && block.headTokens[0]?.text === 'while'
      : isBodyOf('loop', block),
  );
  return rounds.flatMap((block) =>
    block.statements.flatMap(({ text, first, last }): readonly Guess[] => {
      const [, name] = /^(\w+) = (?:\d[\d.]*|true|false|True|False);?$/.exec(text) ?? [];
      const isChanged = form.tokens.some(
        (token, index) =>
          token.text === name &&
          token.line > last.line &&
          isInside(token.line, block) &&
          /^(?:\+\+|--|[-+]?=)$/.test(form.tokens[index + 1]?.text ?? ''),
      );
      return name !== undefined && isChanged
        ? [
            {
              edits: [
                { line: first.line, column: first.column, length: last.endColumn - first.column, by: '' },
              ],
              text: `Remove ${text} from line ${first.line}.`,
              cost: COST,
            },
          ]
        : [];
    }),
  );
}

/** Variables that are asked for and that nothing sets, read from a pin that nothing else is done with. */
function readingsLeftOut(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language === 'python') return readingsInPython(form);
  const uses = (name: string) => tokens.filter(({ text }) => text === name).length;
  const isSet = (name: string): boolean =>
    tokens.some(
      ({ text }, index) => text === name && /^(?:[-+*/]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? ''),
    );
  const unset = tokens.flatMap(({ kind, text }, index) => {
    const [type, after] = [tokens[index - 1], tokens[index + 1]?.text ?? ''];
    const isDeclared =
      kind === 'word' && /^(?:int|long|float|bool|boolean)$/.test(type?.text ?? '') && /^[;,]$/.test(after);
    return isDeclared && uses(text) > 1 && !isSet(text) ? [text] : [];
  });
  // A pin that has a name, and is used no more than to be set up.
  const idle = tokens.flatMap(({ kind, text }, index) => {
    const isNamed = kind === 'word' && tokens[index + 1]?.text === '=' && tokens[index - 1]?.text === 'int';
    const value = tokens[index + 2];
    const isPin = value?.kind === 'number' || /^A\d$/.test(value?.text ?? '');
    const others = tokens.filter(
      (token, at) => token.text === text && at !== index && tokens[at - 2]?.text !== 'pinMode',
    );
    return isNamed && isPin && others.length === 0 ? [text] : [];
  });
  const loop = bodyOf('loop', form);
  return loop
    ? unset.flatMap((name) =>
        idle.flatMap((pin) =>
          ['analogRead', 'digitalRead'].map((read) => putIn(form, loop, `${name} = ${read}(${pin});`, COST)),
        ),
      )
    : [];
}

/** The same of the pin objects of Python: names that nothing gives, read from an object that nothing is asked of. */
function readingsInPython({ tokens, blocks, ...form }: Form): readonly Guess[] {
  const given = new Set(
    tokens.flatMap(({ text }, index) =>
      /^(?:=|in)$/.test(tokens[index + 1]?.text ?? '') && tokens[index - 1]?.text !== '.' ? [text] : [],
    ),
  );
  const idle = tokens.flatMap(({ text }, index) => {
    const isMade =
      tokens[index + 1]?.text === '=' &&
      tokens.slice(index, index + 6).some((one) => /^(?:DigitalInOut|AnalogIn)$/.test(one.text));
    const isAsked = tokens.some(
      (one, at) => one.text === text && tokens[at + 1]?.text === '.' && tokens[at + 2]?.text === 'value',
    );
    return isMade && !isAsked ? [text] : [];
  });
  const unset = [
    ...new Set(
      tokens.flatMap(({ kind, text }, index) => {
        const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
        const isAsked = /^(?:if|elif|while|not|and|or|=|[<>]=?|[!=]=)$/.test(before);
        const isName =
          kind === 'word' && !/^(?:True|False|None|not|[A-Z].*)$/.test(text) && !/^[.(]$/.test(after);
        return isName && isAsked && !given.has(text) ? [text] : [];
      }),
    ),
  ];
  const loop = blocks.find(({ head, headTokens }) => head === 'loop' && headTokens[0]?.text === 'while');
  return loop
    ? unset.flatMap((name) =>
        idle.map((object) => putIn({ tokens, blocks, ...form }, loop, `${name} = ${object}.value`, COST)),
      )
    : [];
}

/** Outputs of Python that nothing is given to, changed in each block that belongs to a question. */
export function outputsChanged(form: Form, outputs: readonly string[]): readonly Guess[] {
  return outputs.flatMap((output) =>
    form.blocks
      .filter(({ head, opens }) => head === 'if' && opens)
      .map((block) => putIn(form, block, `${output}.value = not ${output}.value`, COST)),
  );
}

/** Variables in which a program remembers a yes or a no: given nothing but these, or turned round. */
const flagsIn = ({ tokens, holdings }: Form): readonly string[] =>
  [...holdings].flatMap(([name, held]) => {
    const given = tokens.flatMap(({ text }, index) =>
      text === name && tokens[index + 1]?.text === '=' && tokens[index - 1]?.text !== '.'
        ? [[tokens[index + 2]?.text ?? '', tokens[index + 3]?.text ?? '']]
        : [],
    );
    const isRemembered = given.every(
      ([value, next]) =>
        /^(?:true|false|True|False)$/.test(value!) || (/^(?:!|not)$/.test(value!) && next === name),
    );
    return held === 'truth' && given.length > 0 && isRemembered ? [name] : [];
  });

/** Questions with one more that has to be met: `&& !isRunning`. */
export function flagsToo(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  const flags = flagsIn(form);
  const [joint, not] = language === 'python' ? ['and', 'not '] : ['&&', '!'];
  return form.blocks
    .filter(({ head, opens }) => head === 'if' && opens)
    .flatMap(({ opens, headTokens }) => {
      const last = tokens[tokens.indexOf(opens!) - (language === 'python' ? 1 : 2)];
      if (!last) return [];
      return flags
        .filter((flag) => !headTokens.some(({ text }) => text === flag))
        .flatMap((flag) =>
          [`${not}${flag}`, flag].map((clause) => ({
            edits: [{ line: last.line, column: last.endColumn, length: 0, by: ` ${joint} ${clause}` }],
            text: `Add ${joint} ${clause} in line ${last.line}, right after ${last.text}.`,
            cost: ALSO_ASKED,
          })),
        );
    });
}

/** Counters that nothing sets back, set back in each block that belongs to a question. */
export function countersSetBack(form: Form): readonly Guess[] {
  return [...form.holdings].flatMap(([name, held]) => {
    if (!isNumber(held)) return [];
    const statement = settingBack(name, form);
    if (statement === undefined) return [];
    return form.blocks
      .filter(({ head, opens, statements }) => head === 'if' && opens && statements.length > 0)
      .map((block) => putIn(form, block, statement, ALSO_ASKED));
  });
}

/** `if (isWarm)`: a question that asks for one variable alone, with each other one that is a yes or a no beside it. */
function flagsBeside(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  const flags = flagsIn(form);
  const joints = language === 'python' ? ['or', 'and'] : ['||', '&&'];
  return form.blocks
    .filter(({ head, opens }) => head === 'if' && opens)
    .flatMap(({ opens }) => {
      // In C++ the head ends with its parenthesis, which stays behind what is added.
      const at = tokens.indexOf(opens!) - (language === 'python' ? 1 : 2);
      const [before, last] = [tokens[at - 1], tokens[at]];
      const isAlone = /^(?:\(|!|if|not)$/.test(before?.text ?? '');
      if (!last || !isAlone || !flags.includes(last.text)) return [];
      return flags
        .filter((flag) => flag !== last.text)
        .flatMap((flag) =>
          joints.map((joint) => ({
            edits: [{ line: last.line, column: last.endColumn, length: 0, by: ` ${joint} ${flag}` }],
            text: `Add ${joint} ${flag} in line ${last.line}, right after ${last.text}.`,
            cost: COST + 0.04,
          })),
        );
    });
}

/** The rules of this subject that something in a program speaks for. */
export const ofNeverChanged: readonly Rule[] = [
  begunEachRound,
  readingsLeftOut,
  countersAsked,
  addedTo,
  countedDown,
  countedRound,
  flagsBeside,
];
