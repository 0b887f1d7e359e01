import { isInside, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';
import { end, inEachPlace } from './places';

const [TO_COME, COST, ANYWHERE] = [1.4, 1.62, 1.72];

/** A moment that is asked for: `millis() - since`, with the names that are asked for beside it. */
interface Timer {
  readonly name: string;
  readonly clock: string;
  readonly beside: readonly string[];
}

/**
 * Moments from which a time is counted and that are not taken where it begins: with the variable that is asked for beside
 * them, or in place of a plain number that they are given.
 */
function timersBegun(form: Form): readonly Guess[] {
  return timersIn(form).flatMap((timer) => [
    ...withTheirFlags(timer, form),
    ...inPlaceOfNumbers(timer, form),
    ...takenNowhere(timer, form),
  ]);
}

/** `until = WAIT`, `until = millis() - WAIT`: a moment to come, which is asked with the clock itself. */
function momentsToCome(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  const isClock = (index: number): boolean => /^(?:millis|monotonic)$/.test(tokens[index]?.text ?? '');
  const asked = new Set(
    tokens.flatMap(({ kind, text }, index) => {
      // `millis() > until`
      const isLater = /^[<>]=?$/.test(tokens[index - 1]?.text ?? '') && isClock(index - 4);
      return kind === 'word' && isLater ? [text] : [];
    }),
  );
  const clock = clockText(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, value, next] = tokens.slice(index + 1, index + 4);
    if (!asked.has(token.text) || sign?.text !== '=' || value?.line !== token.line) return [];
    const told = {
      why: `Line ${token.line}: ${token.text} is a moment to come, and the clock is asked whether it is there. It is now, and so much more.`,
      ask: `Which moment is ${token.text}, counted from when the program began?`,
    };
    const isPlain = (!next || next.line > token.line || next.text === ';') && value.text !== '0';
    if (isPlain && (value.kind === 'number' || /^[A-Z]/.test(value.text)))
      return [{ ...written(value, `${clock} + ${value.text}`, TO_COME), told }];
    const minus = tokens.find(
      (one, at) =>
        one.line === token.line &&
        one.text === '-' &&
        at > index &&
        tokens[at - 1]?.text === ')' &&
        isClock(at - 3),
    );
    return minus && (language === 'python' || tokens.indexOf(minus) < index + 9)
      ? [{ ...written(minus, '+', TO_COME), told }]
      : [];
  });
}

/** Taken in each place, where it is taken nowhere: it is what it was at the beginning. */
function takenNowhere({ name, clock }: Timer, form: Form): readonly Guess[] {
  const given = form.tokens.flatMap(({ text }, at) =>
    text === name && form.tokens[at + 1]?.text === '=' ? [form.tokens[at + 2]?.text] : [],
  );
  const times = given.filter((value) => value !== 'None').length;
  // What is none while nothing is timed has no moment of its own to begin with.
  return times > (given.length > times ? 0 : 1)
    ? []
    : inEachPlace(form, `${name} = ${clock}${end(form)}`, ANYWHERE);
}

const clockText = (form: Form): string => (form.language === 'python' ? 'time.monotonic()' : 'millis()');

function timersIn(form: Form): readonly Timer[] {
  const { tokens, blocks } = form;
  const moments = tokens.flatMap(({ kind, text }, index) => {
    const before = tokens.slice(Math.max(0, index - 6), index);
    const isAgo =
      before.at(-1)?.text === '-' &&
      (before.some((one) => /^(?:millis|monotonic)$/.test(one.text)) ||
        form.holdings.get(before.at(-2)?.text ?? '') === 'moment');
    return kind === 'word' && isAgo ? [text] : [];
  });
  return [...new Set(moments)].map((name) => ({
    name,
    clock: clockText(form),
    beside: blocks
      .filter(({ head, headTokens }) => head === 'if' && headTokens.some(({ text }) => text === name))
      .flatMap(({ headTokens }) => headTokens.map(({ text }) => text))
      .filter((other) => form.holdings.get(other) === 'truth'),
  }));
}

/** Taken where what is asked for beside it is switched on. */
function withTheirFlags({ name, clock, beside }: Timer, form: Form): readonly Guess[] {
  const statement = `${name} = ${clock}${end(form)}`;
  return form.blocks
    .filter(({ opens }) => opens)
    .flatMap((block) =>
      block.statements
        .filter(({ text }) =>
          beside.some((flag) => new RegExp(`^${flag} = (?!false|False|LOW|0)`).test(text)),
        )
        .filter(() => !block.statements.some(({ text }) => text.startsWith(`${name} =`)))
        .map((one) => putIn(form, one, statement, COST)),
    );
}

/** `since = 0;` where something happens: the time is meant. */
function inPlaceOfNumbers({ name, clock }: Timer, form: Form): readonly Guess[] {
  return form.blocks
    .filter(({ opens }) => opens)
    .flatMap(({ statements }) =>
      statements.flatMap(({ text, first }): readonly Guess[] => {
        const [, before, number] =
          new RegExp(`^(${name} = )(\\d[\\d.]*|[A-Z][A-Z0-9_]*);?$`).exec(text) ?? [];
        if (before === undefined || number === undefined) return [];
        return [
          {
            edits: [
              { line: first.line, column: first.column + before.length, length: number.length, by: clock },
            ],
            text: `Write ${clock} instead of ${number} in line ${first.line}.`,
            cost: COST,
          },
        ];
      }),
    );
}

/** `millis() + began`: a moment added to the clock, where the time since then is meant. */
const momentsTakenOff = ({ tokens, holdings }: Form): readonly Guess[] =>
  tokens.flatMap((sign, index) =>
    sign.text === '+' &&
    /^(?:millis|micros|monotonic)$/.test(tokens[index - 3]?.text ?? '') &&
    holdings.get(tokens[index + 1]?.text ?? '') === 'moment'
      ? [written(sign, '-', COST)]
      : [],
  );

/** `micros()` in a program that reckons in `millis()`, and the other way round. */
function clocksAlike({ tokens }: Form): readonly Guess[] {
  const read = tokens.filter(
    ({ text }, index) => /^(?:millis|micros)$/.test(text) && tokens[index + 1]?.text === '(',
  );
  const sorts = new Set(read.map(({ text }) => text));
  return sorts.size < 2
    ? []
    : read.map((token) => ({
        ...written(token, token.text === 'millis' ? 'micros' : 'millis', CLOCK),
        told: {
          why: `Line ${token.line} counts in ${token.text === 'millis' ? 'milliseconds' : 'millionths of a second'}, and the moment beside it is taken in other units.`,
          ask: `In which units does each clock of the program count?`,
        },
      }));
}
const CLOCK = 1.3;

/** `since - now < HOLD`: the moment that is past comes off the one that is now. */
function timesTurned({ tokens, blocks, language }: Form): readonly Guess[] {
  const isNow = (name: string): boolean =>
    name === 'now' ||
    tokens.some(
      ({ text }, index) =>
        text === name &&
        tokens[index + 1]?.text === '=' &&
        tokens.slice(index + 2, index + 5).some((one) => /^(?:millis|monotonic)$/.test(one.text)) &&
        blocks.some((block) => block.head !== 'none' && isInside(tokens[index]!.line, block)),
    );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [past, now, sign] = [tokens[index - 1], tokens[index + 1], tokens[index + 2]];
    const before = tokens[index - 2]?.text ?? '';
    const isAsked = /^(?:[<>]=?)$/.test(sign?.text ?? '') && !/^[-+*/.]$/.test(before);
    if (token.text !== '-' || past?.kind !== 'word' || now?.kind !== 'word' || !isAsked) return [];
    if (!isNow(now.text) || isNow(past.text) || past.line !== now.line) return [];
    return [
      {
        edits: [
          {
            line: past.line,
            column: past.column,
            length: now.endColumn - past.column,
            by: `${now.text} - ${past.text}`,
          },
        ],
        text: `Write ${now.text} - ${past.text} instead of ${past.text} - ${now.text} in line ${past.line}.`,
        cost: TO_COME,
        told: {
          why: `Line ${past.line} takes now from what is past: that is ${language === 'python' ? 'below zero' : 'no time at all'}, and grows no larger.`,
          ask: `Which of the two moments in line ${past.line} is the later one?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofTimers: readonly Rule[] = [
  momentsToCome,
  timesTurned,
  clocksAlike,
  timersBegun,
  momentsTakenOff,
];
