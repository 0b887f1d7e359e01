import type { TextEdit } from '../../../findings/finding';
import type { Token } from '../../../program/token';
import { listText } from '../../../words/words';
import { isInLoopHead } from '../token-places';
import { isInside, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { isRepeated } from './lines';

const [SIDES, LEVELS, NUMBERS] = [1.605, 1.64, 1.72];

const TURNED: Readonly<Record<string, string>> = { HIGH: 'LOW', LOW: 'HIGH', True: 'False', False: 'True' };

const replaced = (token: Token, by: string): TextEdit => ({
  line: token.line,
  column: token.column,
  length: token.text.length,
  by,
});
/** From the end, so that the places before stay what they are. */
const fromTheEnd = (edits: readonly TextEdit[]): readonly TextEdit[] =>
  edits.toSorted((one, other) => other.line - one.line || other.column - one.column);

/** Outputs that a program writes both levels to, each with all of them the other way round. */
function levelsTurned({ tokens, language }: Form): readonly Guess[] {
  const written = new Map<string, Token[]>();
  tokens.forEach(({ text }, index) => {
    const [pin, level] =
      language === 'python'
        ? [
            tokens[index + 1]?.text === '.' &&
            tokens[index + 2]?.text === 'value' &&
            tokens[index + 3]?.text === '='
              ? text
              : undefined,
            tokens[index + 4],
          ]
        : [text === 'digitalWrite' ? tokens[index + 2]?.text : undefined, tokens[index + 4]];
    if (pin === undefined || !level || !(level.text in TURNED)) return;
    written.set(pin, [...(written.get(pin) ?? []), level]);
  });
  return [...written.values()].flatMap((levels): readonly Guess[] => {
    const sorts = new Set(levels.map(({ text }) => text));
    if (sorts.size < 2) return [];
    const [one, other] = [...sorts] as [string, string];
    const lines = [...new Set(levels.map(({ line }) => line))];
    return [
      {
        edits: fromTheEnd(levels.map((token) => replaced(token, TURNED[token.text]!))),
        text: `Exchange ${one} and ${other} in lines ${listText(lines.map(String))}.`,
        cost: LEVELS,
      },
    ];
  });
}

/** Numbers that one variable is given or compared with in different lines, two of them in each other’s places. */
function numbersExchanged({ tokens }: Form): readonly Guess[] {
  const given = new Map<string, Token[]>();
  tokens.forEach(({ kind, text }, index) => {
    const [sign, value] = [tokens[index + 1], tokens[index + 2]];
    if (kind !== 'word' || value?.kind !== 'number' || tokens[index - 1]?.text === '.') return;
    // The counters of two loops are two variables.
    if (isInLoopHead(tokens, index)) return;
    const how = sign?.text === '=' ? '=' : /^[<>]=?$/.test(sign?.text ?? '') ? '<' : undefined;
    const key = `${text} ${how}`;
    if (how !== undefined) given.set(key, [...(given.get(key) ?? []), value]);
  });
  return [...given.values()].flatMap((values) =>
    values.flatMap((one, index) =>
      values.slice(index + 1).flatMap((other): readonly Guess[] =>
        one.text === other.text || one.line === other.line
          ? []
          : [
              {
                edits: fromTheEnd([replaced(one, other.text), replaced(other, one.text)]),
                text: `Exchange ${one.text} in line ${one.line} and ${other.text} in line ${other.line}.`,
                cost: NUMBERS,
              },
            ],
      ),
    ),
  );
}

/** Limits that a program gives a name to, two of them in each other’s places. */
function limitsExchanged({ tokens }: Form): readonly Guess[] {
  const isLimit = (name: string): boolean =>
    tokens.some(
      ({ text }, index) =>
        text === name &&
        (/^[<>]=?$/.test(tokens[index - 1]?.text ?? '') || /^[<>]=?$/.test(tokens[index + 1]?.text ?? '')),
    );
  const limits = tokens.flatMap((token, index) => {
    const [sign, value] = [tokens[index + 1], tokens[index + 2]];
    const isGiven = sign?.text === '=' && value?.kind === 'number' && !isInLoopHead(tokens, index);
    const isOnly =
      tokens.filter(({ text }, at) => text === token.text && tokens[at + 1]?.text === '=').length === 1;
    return isGiven && isOnly && isLimit(token.text) ? [{ name: token.text, value }] : [];
  });
  return limits.flatMap((one, at) =>
    limits.slice(at + 1).flatMap((other): readonly Guess[] =>
      one.value.text === other.value.text
        ? []
        : [
            {
              edits: fromTheEnd([
                replaced(one.value, other.value.text),
                replaced(other.value, one.value.text),
              ]),
              text: `Exchange ${one.value.text} in line ${one.value.line} and ${other.value.text} in line ${other.value.line}.`,
              cost: NUMBERS,
              told: {
                why: `${one.name} is ${one.value.text} and ${other.name} is ${other.value.text}: they are in each other’s places.`,
                ask: `Which of ${one.name} and ${other.name} has to be the larger one?`,
              },
            },
          ],
    ),
  );
}

/** A yes or a no that is given, turned round instead: `on = !on` of `on = true`. */
function flagsToggled({ blocks, tokens, language, holdings }: Form): readonly Guess[] {
  const repeated = blocks.filter(isRepeated);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, sign, value, after] = [-1, 1, 2, 3].map((by) => tokens[index + by]);
    const isAlone = after === undefined || after.text === ';' || after.line > token.line;
    const begins = before === undefined || before.line < token.line || /^[;{})]$|^else$/.test(before.text);
    const isSet = sign?.text === '=' && /^(?:true|false|True|False)$/.test(value?.text ?? '') && isAlone;
    if (!isSet || !begins || holdings.get(token.text) !== 'truth') return [];
    if (!repeated.some((block) => isInside(token.line, block))) return [];
    const by = `${language === 'python' ? 'not ' : '!'}${token.text}`;
    return [
      {
        edits: [replaced(value!, by)],
        text: `Write ${by} instead of ${value!.text} in line ${token.line}.`,
        cost: NUMBERS,
      },
    ];
  });
}

/** Tokens of `{ time.sleep(0.01) }` at most: what is longer has more in it than the pause. */
const WAIT_TOKENS = 9;

/** `if` with nothing but a pause in it, asked again and again: a wait that has to go on for as long as that is so. */
function questionsRepeated({ blocks, tokens }: Form): readonly Guess[] {
  return blocks.flatMap(({ headTokens: [word], opens, closes, statements }): readonly Guess[] => {
    const [only] = statements;
    if (word?.text !== 'if' || !opens || !closes || !only || statements.length > 1) return [];
    const isPause = /^(?:delay|time\.sleep|sleep)\(/.test(only.text);
    if (!isPause || tokens.indexOf(closes) - tokens.indexOf(opens) > WAIT_TOKENS) return [];
    return [
      {
        edits: [replaced(word, 'while')],
        text: `Write while instead of if in line ${word.line}.`,
        cost: LEVELS,
      },
    ];
  });
}

const SCALES = ['/ 10', '/ 100', '/ 1000'];
const SCALED = 1.86;

/** A number that is shown as it is, in tens, hundreds or thousands. */
export function printsScaled({ tokens, language }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [call, open, close] = [tokens[index - 2], tokens[index - 1], tokens[index + 1]];
    const isShown = /^(?:print|println)$/.test(call?.text ?? '') && open?.text === '(' && close?.text === ')';
    if (!isShown || token.kind !== 'word') return [];
    return SCALES.map((scale) => {
      const by = `${token.text} ${language === 'python' ? scale.replace('/', '//') : scale}`;
      return {
        edits: [replaced(token, by)],
        text: `Write ${by} instead of ${token.text} in line ${token.line}.`,
        cost: SCALED,
      };
    });
  });
}

/** `before = LOW;` of what a program only ever gives its first value: another one that it asks for is meant. */
function rememberedOtherwise(form: Form): readonly Guess[] {
  const { tokens, holdings, blocks } = form;
  const given = (name: string): readonly string[] =>
    tokens.flatMap(({ text }, index) =>
      text === name && tokens[index + 1]?.text === '=' ? [tokens[index + 2]!.text] : [],
    );
  const isAsked = (name: string): boolean =>
    tokens.some(
      ({ text }, index) =>
        text === name && /^(?:[=!]=|&&|\|\||\)|and|or|:)$/.test(tokens[index + 1]?.text ?? ''),
    );
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap(({ first }): readonly Guess[] => {
      const at = tokens.indexOf(first);
      const [sign, value] = [tokens[at + 1], tokens[at + 2]];
      const isLevel = /^(?:HIGH|LOW|true|false|True|False)$/.test(value?.text ?? '');
      const values = given(first.text);
      const isStill = values.length > 1 && new Set(values).size === 1;
      if (sign?.text !== '=' || !value || !isLevel || !isStill || !isAsked(first.text)) return [];
      return [...holdings]
        .filter(([name, held]) => name !== first.text && held === 'truth' && isAsked(name))
        .map(([name]) => ({
          edits: [replaced(value, name)],
          text: `Write ${name} instead of ${value.text} in line ${first.line}.`,
          cost: LEVELS,
          told: {
            why: `Line ${first.line} gives ${first.text} the value that it has already, so it is always ${value.text}.`,
            ask: `What should ${first.text} remember from one time round to the next?`,
          },
        }));
    }),
  );
}

/** `on ? LOW : HIGH`: both sides of a choice in each other’s places. */
const sidesExchanged = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [one, colon, other] = tokens.slice(index + 1, index + 4);
    const isPlain = one && other && colon?.text === ':' && /^(?:word|number)$/.test(one.kind);
    if (token.text !== '?' || !isPlain || one.text === other.text || one.line !== other.line) return [];
    return [
      {
        edits: [written(other, one.text, 0).edits[0]!, written(one, other.text, 0).edits[0]!],
        text: `Exchange ${one.text} and ${other.text} in line ${one.line}.`,
        cost: SIDES,
        told: {
          why: `Line ${one.line} gives ${one.text} where the answer is yes, and ${other.text} where it is no; it is the other way round.`,
          ask: `Which of ${one.text} and ${other.text} does line ${one.line} give when the answer is yes?`,
        },
      },
    ];
  });

/** The rules of this subject that something in a program speaks for. */
export const ofTurnedRound: readonly Rule[] = [
  sidesExchanged,
  flagsToggled,
  questionsRepeated,
  levelsTurned,
  numbersExchanged,
  limitsExchanged,
  rememberedOtherwise,
];
