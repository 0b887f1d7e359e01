import { linesPut } from '../lines-put';
import { editDistance } from '../../../program/names';
import { isNumber } from '../what-names-hold';
import { bodyOf, isInside, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';
import { inEachPlace } from './places';

const [COST, ITS_NAME, OTHER, SPACED, LEFT_OUT] = [1.66, 1.6, 1.72, 1.72, 1.66];
/** Letters by which two texts may differ and be meant as one: a share of them, and so many at most. */
const [SHARE_OFF, MOST_OFF] = [0.25, 4];

/** What is printed, with each other value that a program has: `print("bars")` and `print(percent)` for `print(bars)`. */
function othersPrinted({ tokens, holdings }: Form): readonly Guess[] {
  const values = [...holdings].flatMap(([name, held]) =>
    isNumber(held) || held === 'text' || held === 'truth' ? [name] : [],
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [call, open, close] = [tokens[index - 2], tokens[index - 1], tokens[index + 1]];
    const isPrinted =
      /^(?:print|println)$/.test(call?.text ?? '') && open?.text === '(' && close?.text === ')';
    if (!isPrinted) return [];
    if (token.kind === 'text')
      return values
        .filter((name) => token.text.slice(1, -1).trim() === name)
        .map((name) => written(token, name, ITS_NAME));
    return values.includes(token.text)
      ? values.filter((name) => name !== token.text).map((name) => written(token, name, OTHER))
      : [];
  });
}

/** Texts that are printed in pieces, each with a space before it or behind it. */
const textsSpaced = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token): readonly Guess[] => {
    const { kind, text } = token;
    const inside = text.slice(1, -1);
    const quote = text.charAt(0);
    if (kind !== 'text' || inside.trim() === '' || inside !== inside.trim()) return [];
    return [` ${inside}`, `${inside} `].map((by) => written(token, `${quote}${by}${quote}`, SPACED));
  });

/** What the exercise's own program prints once, as it begins, and this one does not print at all. */
function greetingsLeftOut(form: Form, asked: Form): readonly Guess[] {
  const setup = bodyOf('setup', form);
  const wanted = bodyOf('setup', asked);
  const last = setup?.statements.at(-1);
  if (!last || !wanted) return [];
  return wanted.statements
    .filter(({ text }) => /^Serial\.print(?:ln)?\("[^"]*"\);$/.test(text))
    .filter(({ text }) => !form.source.includes(/"[^"]*"/.exec(text)![0]))
    .map(({ text }) => putIn(form, last, text, LEFT_OUT));
}

/** Each value that a program has, printed, where it begins the serial line and prints nothing. */
function valuesPrinted(form: Form): readonly Guess[] {
  const { tokens, holdings, language } = form;
  const prints = tokens.some(({ text }) => /^print(?:ln)?$/.test(text));
  const loop = bodyOf('loop', form);
  const begins = tokens.some(({ text }, index) => text === 'begin' && tokens[index - 2]?.text === 'Serial');
  if (prints || !begins || !loop || language === 'python') return [];
  const values = [...holdings].flatMap(([name, held]) => (isNumber(held) || held === 'text' ? [name] : []));
  return values.flatMap((name) =>
    inEachPlace(form, `Serial.println(${name});`, OTHER).filter(({ edits }) =>
      isInside(edits[0]!.line, loop),
    ),
  );
}

/** The line that begins the serial line, before what is printed. */
function serialBegunFirst(form: Form): readonly Guess[] {
  const setup = bodyOf('setup', form);
  const begun = setup?.statements.findIndex(({ text }) => text.startsWith('Serial.begin')) ?? -1;
  const printed = setup?.statements.findIndex(({ text }) => text.startsWith('Serial.print')) ?? -1;
  const [begin, print] = [setup?.statements[begun], setup?.statements[printed]];
  if (!begin || !print || printed > begun) return [];
  const lines = form.source.split('\n').slice(print.first.line - 1, begin.last.line);
  return [
    {
      edits: [linesPut(print.first.line, lines, [lines.at(-1)!, ...lines.slice(0, -1)])],
      text: `Move line ${begin.first.line} before line ${print.first.line}.`,
      cost: ITS_NAME,
    },
  ];
}

/** Texts that only this program has, each as the exercise's own program spells one that is nearly the same. */
function textsAsAsked(form: Form, asked: Form): readonly Guess[] {
  const [own, wanted] = [form, asked].map(({ tokens }) => tokens.filter(({ kind }) => kind === 'text'));
  const has = new Set(own!.map(({ text }) => text));
  const wants = new Set(wanted!.map(({ text }) => text));
  return own!
    .filter(({ text }) => !wants.has(text))
    .flatMap((token) =>
      [...wants]
        .filter((text) => {
          const most = Math.min(MOST_OFF, Math.max(1, Math.floor(text.length * SHARE_OFF)));
          return !has.has(text) && editDistance(token.text, text, most) <= most;
        })
        .map((text) => written(token, text, COST)),
    );
}

/** The words of a text. */
const wordsIn = (text: string): readonly string[] => text.match(/\w+/g) ?? [];

/** Texts that the exercise's own program has and of which a word is in none of this one's. */
function textsLacking(form: Form, asked: Form): readonly string[] {
  const [own, wanted] = [form, asked].map(({ tokens }) =>
    tokens.filter(({ kind }) => kind === 'text').map(({ text }) => text),
  );
  const has = new Set(own!.flatMap(wordsIn));
  return [...new Set(wanted)].filter((text) => wordsIn(text).some((word) => !has.has(word)));
}

/** What the exercise's own program prints and this one does not, printed in each place. */
function textsPrintedToo(form: Form, asked: Form): readonly Guess[] {
  if (form.language === 'python') return [];
  const isPrinted = (text: string): boolean =>
    asked.tokens.some(
      (token, index) =>
        token.text === text &&
        asked.tokens[index - 4]?.text === 'Serial' &&
        asked.tokens[index + 1]?.text === ')',
    );
  return textsLacking(form, asked)
    .filter(isPrinted)
    .slice(0, MOST_TEXTS)
    .flatMap((text) => inEachPlace(form, `Serial.println(${text});`, SPACED));
}
const MOST_TEXTS = 2;

/** What is printed in one answer to a question and not in the other, with a word that is printed nowhere: “ on” beside “ off”. */
function otherAnswersPrinted(form: Form, asked: Form): readonly Guess[] {
  const words = [...new Set(textsLacking(form, asked).flatMap(wordsIn))];
  const own = new Set(form.tokens.filter(({ kind }) => kind === 'text').flatMap(({ text }) => wordsIn(text)));
  const answers = form.blocks.filter(({ head }) => head === 'if' || head === 'else');
  return answers.flatMap((block, index) => {
    const other = [answers[index - 1], answers[index + 1]].find((one) =>
      one?.statements.some(({ text }) => PRINTS_A_TEXT.test(text)),
    );
    const print = other?.statements.find(({ text }) => PRINTS_A_TEXT.test(text))?.text;
    if (!block.isEmpty || print === undefined) return [];
    return words
      .filter((word) => !own.has(word))
      .map((word) => putIn(form, block, print.replace(PRINTED_WORD, word), COST));
  });
}
const PRINTS_A_TEXT = /^Serial\.print(?:ln)?\("[^"]*\w[^"]*"\);$/;
const PRINTED_WORD = /(?<="\W*)\w+(?=[^"]*")/;

/** The rules of this subject that something in a program speaks for. */
export const ofTexts: readonly Rule[] = [
  textsAsAsked,
  textsSpaced,
  serialBegunFirst,
  valuesPrinted,
  greetingsLeftOut,
  otherAnswersPrinted,
  textsPrintedToo,
  othersPrinted,
];
