import type { Token } from '../../../program/token';
import type { Block, Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { digitsOf, numbersIn } from './numbers';
import { inEachPlace } from './places';

const [RATE, TYPE, TERM, QUESTION] = [1.4, 1.6, 1.74, 1.74];
/** Terms and questions that are tried. */
const MOST = 40;

/** `- 0.5`: a sign and a number that stand in the exercise's own program behind a value. */
interface Term {
  readonly sign: string;
  readonly number: string;
}

/** What only the exercise's own program reckons with, put where this one reckons: `(volts - 0.5) * 100` of `volts * 100`. */
function termsMissing(form: Form, asked: Form): readonly Guess[] {
  const own = new Set(numbersIn(form).map(Number));
  // A number that has only its point elsewhere is there, and wrong.
  const digits = new Set(numbersIn(form).map(digitsOf));
  const terms = asked.tokens.flatMap((token, index): readonly Term[] => {
    const [before, number] = [asked.tokens[index - 1], asked.tokens[index + 1]];
    // What is added may stand behind a product.
    const isBehind =
      before?.kind === 'word' ||
      /^[)\]]$/.test(before?.text ?? '') ||
      (before?.kind === 'number' && /^[-+]$/.test(token.text));
    return /^[-+*/]$/.test(token.text) &&
      isBehind &&
      number?.kind === 'number' &&
      !own.has(Number(number.text)) &&
      !digits.has(digitsOf(number.text))
      ? [{ sign: token.text, number: number.text }]
      : [];
  });
  // A program in other units has all its numbers so many times larger.
  const inThousands = numbersIn(asked).some((text) => Number(text) > 0 && own.has(Number(text) * 1000));
  const scaled = inThousands
    ? asked.tokens.flatMap((token, index): readonly Term[] => {
        const number = Number(asked.tokens[index + 1]?.text) * 1000;
        return /^[-+]$/.test(token.text) && Number.isInteger(number)
          ? [{ sign: token.text, number: String(number) }]
          : [];
      })
    : [];
  const { tokens, holdings } = form;
  const places = tokens.filter(({ kind, text }, index) => {
    const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    const isReckoned = /^[-+*/]$/.test(after) || /^[-+*/]$/.test(before);
    const isName = kind === 'word' && before !== '.' && after !== '.' && after !== '(';
    return isName && isReckoned && !/^(?:pin|moment)$/.test(holdings.get(text) ?? '');
  });
  return [...scaled, ...terms]
    .flatMap(({ sign, number }) => places.map((place) => withTerm(place, sign, number, tokens)))
    .slice(0, MOST);
}

function withTerm(place: Token, sign: string, number: string, tokens: readonly Token[]): Guess {
  const at = tokens.indexOf(place);
  const [before, after] = [tokens[at - 1]?.text ?? '', tokens[at + 1]?.text ?? ''];
  const isBound = /^[-+]$/.test(sign) && (/^[*/]$/.test(after) || /^[-*/]$/.test(before));
  const whole = `${place.text} ${sign} ${number}`;
  const by = isBound ? `(${whole})` : whole;
  return written(place, by, TERM);
}

/** The rate at which the serial line is begun, as the exercise's own program has it. */
function ratesAsAsked({ tokens }: Form, asked: Form): readonly Guess[] {
  const rateIn = (all: readonly Token[]): readonly Token[] =>
    all.filter(
      ({ kind }, index) =>
        kind === 'number' && all[index - 2]?.text === 'begin' && all[index - 4]?.text === 'Serial',
    );
  const [wanted] = rateIn(asked.tokens);
  return wanted
    ? rateIn(tokens)
        .filter(({ text }) => text !== wanted.text)
        .map((token) => written(token, wanted.text, RATE))
    : [];
}

/** A tone that is ended and never begun, as high as the exercise's own program has it. */
function tonesBegun(form: Form, asked: Form): readonly Guess[] {
  const { tokens } = form;
  if (tokens.some(({ text }) => text === 'tone')) return [];
  const pins = new Set(
    tokens.flatMap(({ text }, index) => (text === 'noTone' ? [tokens[index + 2]?.text ?? ''] : [])),
  );
  const heights = new Set(
    asked.tokens.flatMap(({ text }, index) => (text === 'tone' ? [asked.tokens[index + 4]?.text ?? ''] : [])),
  );
  return [...pins].flatMap((pin) =>
    [...heights]
      .filter((height) => /^\d+$/.test(height))
      .flatMap((height) => inEachPlace(form, `tone(${pin}, ${height});`, TERM)),
  );
}

/** Shares of the speed of sound as they are written: in m/s, in cm/µs, in mm/µs. */
const SPEED_OF_SOUND = /^(?:34\d(?:\.\d+)?|0?\.0*34\d*|0?\.34\d*)$/;

/** What an echo takes there and back, halved. */
function echoesHalved({ tokens }: Form): readonly Guess[] {
  if (!tokens.some(({ text }) => text === 'pulseIn')) return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const around = [tokens[index - 1]?.text, tokens[index + 1]?.text];
    return SPEED_OF_SOUND.test(token.text) && around.includes('*')
      ? [written(token, `${token.text} / 2`, TERM)]
      : [];
  });
}

const TURNED: Readonly<Record<string, string>> = { '>': '<', '>=': '<', '<': '>', '<=': '>' };

/** `else` for all other cases, where the exercise's own program asks for a second limit: `else if (warmth < 26)`. */
function limitsOfElse(form: Form, asked: Form): readonly Guess[] {
  const own = new Set(numbersIn(form).map(Number));
  const limits = asked.tokens.flatMap(({ kind, text }, index) =>
    kind === 'number' && !own.has(Number(text)) && /^[<>]=?$/.test(asked.tokens[index - 1]?.text ?? '')
      ? [text]
      : [],
  );
  return form.blocks
    .filter(({ head, opens }) => head === 'else' && opens)
    .flatMap((block): readonly Guess[] => {
      const question = questionBefore(block, form);
      const compared = question?.headTokens.flatMap((token, index) => {
        const sign = TURNED[question.headTokens[index + 1]?.text ?? ''];
        return token.kind === 'word' && sign !== undefined ? [`${token.text} ${sign}`] : [];
      });
      const [word] = block.headTokens;
      if (!word || compared?.length !== 1) return [];
      return limits.map((limit) => {
        const clause = `${compared[0]!} ${limit}`;
        const by = form.language === 'python' ? `elif ${clause}` : `else if (${clause})`;
        return written(word, by, QUESTION);
      });
    });
}

/** The question to which an `else` belongs: the last one that ends before it. */
const questionBefore = ({ headTokens: [word] }: Block, { blocks }: Form): Block | undefined =>
  blocks
    .filter(({ head, closes }) => head === 'if' && closes && word && isBefore(closes, word))
    .sort((one, other) => (isBefore(one.closes!, other.closes!) ? 1 : -1))[0];

const isBefore = (one: Token, other: Token): boolean =>
  one.line < other.line || (one.line === other.line && one.column < other.column);

/** Variables of whole numbers that are given what has a point, made for such. */
function typesWidened({ tokens, language, holdings }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((type, index): readonly Guess[] => {
    const name = tokens[index + 1];
    const isDeclared =
      /^(?:int|long|byte)$/.test(type.text) && name?.kind === 'word' && tokens[index + 2]?.text !== '(';
    if (!isDeclared || holdings.get(name.text) === 'pin') return [];
    const isGivenShares = tokens.some(({ text }, at) => {
      if (text !== name.text || tokens[at + 1]?.text !== '=') return false;
      const stop = tokens.findIndex((token, to) => to > at && token.text === ';');
      const value = tokens.slice(at + 2, stop);
      return value.some(
        (token) =>
          token.text === '/' ||
          (token.kind === 'number' && token.text.includes('.')) ||
          holdings.get(token.text) === 'fraction',
      );
    });
    return isGivenShares ? [written(type, 'float', TYPE)] : [];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofAsTheExerciseAsks: readonly Rule[] = [
  tonesBegun,
  typesWidened,
  ratesAsAsked,
  echoesHalved,
  termsMissing,
  limitsOfElse,
];
