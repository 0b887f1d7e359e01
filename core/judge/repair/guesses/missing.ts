import { outputsChanged } from './never-changed';
import type { Token } from '../../../program/token';
import { listNameBefore } from '../token-places';
import { areAlike, isNumber } from '../what-names-hold';
import { bodyOf, isBodyOf, isInside, type Block, type Form, type Statement } from './form';
import { putIn, type Guess, type Lacking, type Rule } from './guess';
import { isRepeated } from './lines';
import { uncalledIn } from './functions';
import {
  afterBlock,
  counterOf,
  end,
  inEachPlace,
  keptIn,
  plainOf,
  setBy,
  stillIn,
  turnedOf,
  variablesIn,
  waysToChange,
} from './places';

const [UNWAITED, SPOKEN_FOR, ELSEWHERE, OF_FUNCTION] = [1.66, 1.7, 1.73, 0.02];
/** Statements that are tried; a program that lacks more is not mended by trying. */
const MOST = 90;

/**
 * Statements that were left out and that something in the program speaks for: an empty block, a value that nothing is done
 * with, a pin that nothing sets.
 */
export function statementsMissing(form: Form, lacking: Lacking): readonly Guess[] {
  const guesses = [
    ...inEmptyBlocks(form, variablesIn(form)),
    ...ofUnusedValues(form, lacking),
    ...ofUnattached(form, lacking),
    ...ofUnsetPins(form, lacking),
    ...ofOneLevel(form),
    ...ofPausesBeside(form),
    ...ofPausesNowhere(form, lacking),
    ...ofPausesUnwaited(form, lacking),
    ...ofAskedAndStill(form),
  ];
  return guesses.slice(0, MOST);
}

/** What an empty block may hold: a change of a variable, a direction of the pin that a loop counts, what stands elsewhere. */
function inEmptyBlocks(form: Form, variables: readonly string[]): readonly Guess[] {
  const empty = form.blocks.filter(({ isEmpty, opens }) => isEmpty && opens);
  if (empty.length === 0) return [];
  const copies = [...new Set(plainOf(form).flatMap(({ text }) => [text, ...turnedOf(text)]))];
  return empty.flatMap((block) => {
    const counter = block.head === 'loop' ? counterOf(block.headTokens) : undefined;
    const counted =
      counter === undefined ? [] : [counter, ...listsIn(form).map((list) => `${list}[${counter}]`)];
    const pins = counted.flatMap((pin) => [`pinMode(${pin}, OUTPUT);`, `pinMode(${pin}, INPUT_PULLUP);`]);
    const changes = variables.flatMap((name) => waysToChange(name, [], form));
    const isAnswer = block.head === 'if' || block.head === 'else';
    const calls = isAnswer
      ? uncalledIn(form).flatMap(({ name, takes }) => (takes.length === 0 ? [`${name}()${end(form)}`] : []))
      : [];
    return [...calls, ...pins, ...changes, ...copies].map((text) => putIn(form, block, text, SPOKEN_FOR));
  });
}

/** A value that nothing is done with: waited for, or written to a pin or an object that nothing is written to. */
function ofUnusedValues(form: Form, { unset }: Lacking): readonly Guess[] {
  const { tokens, blocks, language } = form;
  const stop = end(form);
  const uses = (name: string): number =>
    tokens.filter(({ text }, index) => text === name && tokens[index - 1]?.text !== '.').length;
  const taken = blocks.flatMap((block) => {
    if (block.head !== 'function') return [];
    const inside = block.headTokens.slice(2);
    return inside
      .filter(({ kind }, index) => kind === 'word' && /^[,)]$/.test(inside[index + 1]?.text ?? ')'))
      .map(({ text }) => ({ name: text, block }));
  });
  const kept = blocks.flatMap((block) =>
    block.statements.flatMap((statement) => setBy(statement).map((name) => ({ name, block }))),
  );
  const writers = writersIn(form);
  const lists = blocks.flatMap((block) => {
    const counter = block.head === 'loop' ? counterOf(block.headTokens) : undefined;
    return counter === undefined
      ? []
      : unusedLists(form).map((list) => ({ name: `${list}[${counter}]`, block }));
  });
  const values = [...taken, ...kept.filter(({ name }) => mayBeWaitedFor(name, form))]
    .filter(({ name }) => uses(name) <= 4 && tokens.some(({ text }) => text === name))
    .filter(({ name, block }) => !isRead(name, block, form))
    // A moment is no length.
    .filter(({ name }) => !isMoment(name, tokens));
  return [...lists, ...values].flatMap(({ name, block }) => {
    const texts = [
      ...(language === 'python' ? [`time.sleep(${name})`] : [`delay(${name});`]),
      ...unset.flatMap((pin) =>
        language === 'python' ? [] : [`digitalWrite(${pin}, ${name});`, `analogWrite(${pin}, ${name});`],
      ),
      ...writers.map((writer) => `${writer}(${name})${stop}`),
    ];
    return texts.flatMap((text) => [
      ...block.statements.map((statement) => putIn(form, statement, text, SPOKEN_FOR)),
      ...(block.opens ? [putIn(form, block, text, SPOKEN_FOR)] : []),
      ...blocks
        .filter((inner) => inner !== block && isWithin(inner, block))
        .flatMap((inner) =>
          inner.closes && inner.head === 'if' ? afterBlock(form, inner, text, SPOKEN_FOR) : [],
        ),
    ]);
  });
}

/** Whether what a program keeps may be the length of a pause, or what is written to a pin: a number that nothing asks for. */
const mayBeWaitedFor = (name: string, { tokens, blocks, holdings }: Form): boolean =>
  !tokens.some(
    ({ text }, index) =>
      text === name &&
      !/^(?:[-+*/]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? '') &&
      !/^(?:\+\+|--)$/.test(tokens[index - 1]?.text ?? ''),
  ) &&
  !/^(?:truth|pin|moment|text|object|list)$/.test(holdings.get(name) ?? '') &&
  !blocks.some(
    ({ head, headTokens }) =>
      (head === 'if' || head === 'loop') && headTokens.some(({ text }) => text === name),
  );

/** Whether a name is given the time that it is. */
const isMoment = (name: string, tokens: readonly Token[]): boolean =>
  tokens.some(
    ({ text }, index) =>
      text === name &&
      tokens[index + 1]?.text === '=' &&
      tokens
        .slice(index + 2, index + 5)
        .some((token) => /^(?:millis|micros|monotonic|monotonic_ns)$/.test(token.text)),
  );

/** Whether a value is asked for, reckoned with or handed on in its block. */
function isRead(name: string, { opens, closes }: Block, { tokens }: Form): boolean {
  return tokens.some(
    ({ text, line }, index) =>
      text === name &&
      (opens === undefined || line > opens.line) &&
      (closes === undefined || line <= closes.line) &&
      tokens[index + 1]?.text !== '=' &&
      !/^(?:if|while)$/.test(tokens.find((token) => token.line === line)?.text ?? ''),
  );
}

const isWithin = (inner: Block, outer: Block): boolean =>
  inner.opens !== undefined && isInside(inner.opens.line, outer);

/** The names of lists. */
const listsIn = ({ tokens }: Form): readonly string[] =>
  tokens.flatMap(({ text }, index) => {
    if (text !== '=' || !/^[[{]$/.test(tokens[index + 1]?.text ?? '')) return [];
    return listNameBefore(tokens, index) ?? [];
  });

/** Lists that are given and never looked into. */
const unusedLists = (form: Form): readonly string[] =>
  listsIn(form).filter((name) => form.tokens.filter(({ text }) => text === name).length === 1);

/** The ways of writing to an object that is made and never written to: `arm.write`. */
function writersIn({ tokens }: Form): readonly string[] {
  const objects = tokens.flatMap(({ text }, index) =>
    text === 'Servo' && tokens[index + 1]?.kind === 'word' && tokens[index + 2]?.text === ';'
      ? [tokens[index + 1]!.text]
      : [],
  );
  return objects.filter((name) => !isCalled(tokens, name, 'write')).map((name) => `${name}.write`);
}

const isCalled = (tokens: readonly Token[], object: string, method: string): boolean =>
  tokens.some(
    ({ text }, index) =>
      text === object && tokens[index + 1]?.text === '.' && tokens[index + 2]?.text === method,
  );

/** Objects that are moved and were never told their pin. */
function ofUnattached(form: Form, { unset }: Lacking): readonly Guess[] {
  const { tokens } = form;
  const setup = bodyOf('setup', form);
  if (!setup) return [];
  return tokens.flatMap(({ text }, index) => {
    const name = tokens[index + 1];
    if (text !== 'Servo' || name?.kind !== 'word' || isCalled(tokens, name.text, 'attach')) return [];
    return unset.map((pin) => putIn(form, setup, `${name.text}.attach(${pin});`, SPOKEN_FOR));
  });
}

/** A pin of what is seen that no line sets, set to what a variable holds. */
function ofUnsetPins(form: Form, { unset }: Lacking): readonly Guess[] {
  const names = [...new Set([...variablesIn(form), ...keptIn(form)])].filter((name) => {
    const held = form.holdings.get(name);
    return held === undefined || held === 'truth' || isNumber(held);
  });
  // What little is done with is likelier what was to be written.
  const uses = (name: string): number => form.tokens.filter(({ text }) => text === name).length;
  names.sort((one, other) => uses(one) - uses(other));
  const ways =
    form.language === 'python'
      ? silentOutputs(form).map((output) => (name: string) => [`${output}.value = ${name}`])
      : // A pin that stands in a list is written to by its place there.
        unset
          .filter((pin) => !isInList(pin, form))
          .map((pin) => (name: string) => [
            `analogWrite(${pin}, ${name});`,
            `digitalWrite(${pin}, ${name});`,
          ]);
  const texts = ways.flatMap((way) => names.flatMap(way));
  return texts.flatMap((text) => inEachPlace(form, text, SPOKEN_FOR));
}

/** Whether a number is an entry of a list. */
const isInList = (number: string, { tokens }: Form): boolean =>
  tokens.some(
    ({ text }, index) =>
      text === number &&
      /^[{,]$/.test(tokens[index - 1]?.text ?? '') &&
      /^[},]$/.test(tokens[index + 1]?.text ?? '') &&
      tokens.slice(0, index).findLast((token) => /^[{(]$/.test(token.text))?.text === '{',
  );

/** Outputs of a Python program that no line gives a value, and that no function is given that may do so. */
const silentOutputs = ({ tokens }: Form): readonly string[] =>
  tokens.flatMap(({ text, startsLine }, index) => {
    const [dot, what] = [tokens[index + 1]?.text, tokens[index + 2]?.text];
    if (!startsLine || dot !== '.' || !/^(?:direction|switch_to_output)$/.test(what ?? '')) return [];
    const isOutput =
      what !== 'direction' || tokens.slice(index, index + 9).some((token) => token.text === 'OUTPUT');
    return isOutput && !isCalled(tokens, text, 'value') && !isPassedOn(tokens, text) ? [text] : [];
  });

/** Whether an object is given on: to a function, into a list, or under another name. */
const isPassedOn = (tokens: readonly Token[], name: string): boolean =>
  tokens.some(
    ({ text }, index) =>
      text === name &&
      /^(?:[(,[=]|in)$/.test(tokens[index - 1]?.text ?? '') &&
      tokens[index + 1]?.text !== '.',
  );

/**
 * What is switched one way only, switched the other way: a pin in the same block, a variable anywhere, since what it
 * remembers may be over wherever something else is.
 */
function ofOneLevel(form: Form): readonly Guess[] {
  const inLoops = form.blocks.filter((block) => !isBodyOf('setup', block));
  const there = new Set(inLoops.flatMap(({ statements }) => statements.map(({ text }) => text)));
  const isOfVariable = (text: string): boolean => /^\w+ ?=/.test(text);
  const turned = (block: Block): readonly string[] =>
    [...new Set(block.statements.flatMap(({ text }) => turnedOf(text)))].filter((text) => !there.has(text));
  const near = inLoops.flatMap((block) =>
    turned(block).flatMap((text) =>
      isOfVariable(text)
        ? isFlag(/^\w+/.exec(text)![0], form)
          ? inEachPlace(form, text, SPOKEN_FOR)
          : []
        : [
            ...(block.opens ? [putIn(form, block, text, SPOKEN_FOR)] : []),
            ...block.statements.map((statement) => putIn(form, statement, text, SPOKEN_FOR)),
          ],
    ),
  );
  // Where one alone is switched off need not be near where it is switched on.
  const [alone, more] = new Set(inLoops.flatMap(turned).filter((text) => !isOfVariable(text)));
  if (alone === undefined || more !== undefined) return near;
  const said = new Set(near.map(({ text }) => text));
  return [...near, ...inEachPlace(form, alone, ELSEWHERE, OF_FUNCTION).filter(({ text }) => !said.has(text))];
}

/** Whether a variable is only ever set to yes or no, and not to what is asked. */
const isFlag = (name: string, { tokens }: Form): boolean =>
  tokens.every(
    ({ text }, index) =>
      text !== name ||
      tokens[index + 1]?.text !== '=' ||
      (/^(?:true|false|True|False|HIGH|LOW|0|1)$/.test(tokens[index + 2]?.text ?? '') &&
        !/^(?:[=!<>]=?|and|or|&&|\|\|)$/.test(tokens[index + 3]?.text ?? '')),
  );

/** A pause that stands in a block, behind each other line of it: on and off take their time both. */
function ofPausesBeside(form: Form): readonly Guess[] {
  return form.blocks.filter(isRepeated).flatMap(({ statements }) => {
    const pauses = [...new Set(statements.flatMap(({ text }) => (PAUSE.test(text) ? [text] : [])))];
    return pauses.flatMap((pause) =>
      statements.flatMap((statement, index) =>
        PAUSE.test(statement.text) || PAUSE.test(statements[index + 1]?.text ?? '')
          ? []
          : [putIn(form, statement, pause, SPOKEN_FOR)],
      ),
    );
  });
}

/** Pauses that may be meant and that a program which waits elsewhere waits nowhere, behind what it shows. */
function ofPausesUnwaited(form: Form, { milliseconds }: Lacking): readonly Guess[] {
  const { tokens, blocks, language } = form;
  const own = new Set(tokens.flatMap(({ kind, text }) => (kind === 'number' ? [Number(text)] : [])));
  const unit = language === 'python' ? 1000 : 1;
  const unwaited = milliseconds.filter((time) => !own.has(time / unit));
  const waits = blocks.some(({ statements }) => statements.some(({ text }) => PAUSE.test(text)));
  if (!waits || unwaited.length > MOST_UNWAITED) return [];
  return blocks
    .filter(isRepeated)
    .flatMap(({ statements }) =>
      statements
        .filter((one, index) => SHOWS.test(one.text) && !PAUSE.test(statements[index + 1]?.text ?? ''))
        .flatMap((one) =>
          unwaited.map((time) =>
            putIn(
              form,
              one,
              language === 'python' ? `time.sleep(${time / unit})` : `delay(${time});`,
              UNWAITED,
            ),
          ),
        ),
    );
}
const MOST_UNWAITED = 2;

/** Pauses that are tried where a block has none. */
const MOST_PAUSES = 3;

/** What is switched or sounded in a block in which nothing waits, with a pause before it or behind it. */
function ofPausesNowhere(form: Form, { milliseconds }: Lacking): readonly Guess[] {
  const { blocks, language } = form;
  const pauses = milliseconds
    .slice(0, MOST_PAUSES)
    .map((time) => (language === 'python' ? `time.sleep(${time / 1000})` : `delay(${time});`));
  const own = new Set(
    blocks.flatMap(({ head, headTokens }) =>
      head === 'function' ? (headTokens[language === 'python' ? 1 : 0]?.text ?? []) : [],
    ),
  );
  const shows = ({ text }: Statement): boolean =>
    SHOWS.test(text) || own.has(/^(\w+)\(/.exec(text)?.[1] ?? '');
  return blocks.filter(isRepeated).flatMap((block) => {
    const { statements } = block;
    const last = statements.findLast(shows);
    if (!last || statements.some(({ text }) => PAUSE.test(text))) return [];
    const inner = blocks.filter((other) => other.head === 'loop' && isWithin(other, block));
    return pauses.flatMap((pause) => [
      putIn(form, last, pause, ELSEWHERE),
      ...(block.opens ? [putIn(form, block, pause, ELSEWHERE)] : []),
      ...inner.flatMap((other) => afterBlock(form, other, pause, ELSEWHERE)),
    ]);
  });
}
const SHOWS = /^(?:(?:digitalWrite|analogWrite|tone|noTone)\(|\w+\.(?:write|value)\b)/;
const PAUSE = /^(?:delay|time\.sleep|sleep)\(.*\);?$/;

/** A variable that is asked for and never changed, set to another one: `before = now;`. */
function ofAskedAndStill(form: Form): readonly Guess[] {
  const joined = form.blocks.flatMap(({ statements }) =>
    statements.flatMap(({ text }) =>
      /&&|\|\||!|\b(?:and|or|not)\b/.test(text) ? (text.match(/\w+/g) ?? []) : [],
    ),
  );
  const asked = form.blocks
    .filter(({ head }) => head === 'if')
    .flatMap(({ headTokens }) => headTokens.map(({ text }) => text))
    .concat(joined);
  const kept = [...new Set(keptIn(form))];
  const texts = stillIn(form, variablesIn(form))
    .filter((name) => asked.includes(name))
    .flatMap((name) =>
      kept
        .filter(
          (other) =>
            other !== name &&
            asked.includes(other) &&
            areAlike(form.holdings.get(name), form.holdings.get(other)),
        )
        .map((other) => `${name} = ${other}${end(form)}`),
    );
  return texts.flatMap((text) => inEachPlace(form, text, SPOKEN_FOR));
}

/** The rules of this subject that something in a program speaks for. */
export const ofMissing: readonly Rule[] = [
  (form, _, lacking) => statementsMissing(form, lacking),
  (form) => (form.language === 'python' ? outputsChanged(form, silentOutputs(form)) : []),
];
