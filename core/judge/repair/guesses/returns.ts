import type { Token } from '../../../program/token';
import { linesPut } from '../lines-put';
import { isInside, type Block, type Form } from './form';
import { functionsIn } from './functions';
import { written, type Guess, type Rule } from './guess';
import { counterOf, end, setBy } from './places';

const [COST_OF_NO_MORE, GIVEN_BACK, RETURNED] = [1.38, 1.4, 1.5];

/** Numbers that a function gives back, one of them twice: each case has its own. */
function returnsToldApart({ tokens, blocks }: Form): readonly Guess[] {
  return blocks
    .filter(({ head }) => head === 'function')
    .flatMap((block): readonly Guess[] => {
      const values = returnedIn(block, tokens);
      const numbers = values.map(({ text }) => text);
      const missing = values.map((_, at) => String(at)).filter((one) => !numbers.includes(one));
      if (values.length < 3 || values.some(({ kind }) => kind !== 'number') || missing.length === 0)
        return [];
      return values
        .filter(({ text }) => numbers.filter((one) => one === text).length > 1)
        .flatMap((value) =>
          missing.map((by) => ({
            ...written(value, by, RETURNED),
            told: {
              why: `Line ${value.line} gives back ${value.text}, and so does another case of the function.`,
              ask: `Which case does each number stand for that the function gives back?`,
            },
          })),
        );
    });
}

/** What stands behind each `return` of a function. */
const returnedIn = (block: Block, tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap(({ text, line }, index) =>
    text === 'return' && isInside(line, block) ? (tokens[index + 1] ?? []) : [],
  );

/** A function that gives something back in some cases and nothing in the last: what it gives back there. */
function lastReturns(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  return functionsIn(form).flatMap(({ block }): readonly Guess[] => {
    const last = lastIn(block, form);
    const values = returnedIn(block, tokens);
    const isEnded = tokens.some(
      ({ text, line, column }) =>
        text === 'return' &&
        column === block.space.length + 1 &&
        isInside(line, block) &&
        line === last?.line,
    );
    if (!last || values.length === 0 || isEnded || isOfNothing(block, form)) return [];
    const numbers = values.flatMap(({ kind, text }) => (kind === 'number' ? [Number(text)] : []));
    const [no, yes] = language === 'python' ? ['False', 'True'] : ['false', 'true'];
    const given = values.some(({ text }) => /^(?:true|false)$/i.test(text))
      ? [no, yes]
      : numbers.length > 0
        ? [Math.max(...numbers) + 1, Math.min(...numbers) - 1, 0].map(String)
        : [];
    return [...new Set(given)].map((value) => ({
      ...returnPut(block, last, value, form),
      cost: RETURNED,
      told: {
        why: `Where no question of the function is met, it ends in line ${last.line} and gives nothing back.`,
        ask: `What does the function give back when none of its questions is met?`,
      },
    }));
  });
}

/** A function that is asked for something, works it out under a name, and gives nothing back. */
function valuesGivenBack(form: Form): readonly Guess[] {
  const { tokens } = form;
  return functionsIn(form).flatMap(({ name, block }): readonly Guess[] => {
    const last = lastIn(block, form);
    const inside = tokens.filter(({ line }) => isInside(line, block));
    if (!last || inside.some(({ text }) => text === 'return') || !isAskedFor(name, block, form)) return [];
    // The one that is used for nothing else is the likeliest.
    const uses = (one: string): number => inside.filter(({ text }) => text === one).length;
    return [...new Set(block.statements.flatMap(setBy))]
      .toSorted((one, other) => uses(one) - uses(other))
      .map((one, at) => ({
        ...returnPut(block, last, one, form),
        cost: GIVEN_BACK + 0.01 * at,
        told: {
          why: `${name} works something out and gives nothing back to the line that asks for it.`,
          ask: `What does ${name} give back?`,
        },
      }));
  });
}

/** The last token of what a function does. */
const lastIn = ({ closes }: Block, { tokens, language }: Form): Token | undefined =>
  language === 'python' || !closes ? closes : tokens[tokens.indexOf(closes) - 1];

/** A `return` behind the last line of a function. */
const returnPut = (
  { space }: Block,
  last: Token,
  value: string,
  form: Form,
): Pick<Guess, 'edits' | 'text'> => ({
  edits: [
    { line: last.line, column: last.endColumn, length: 0, by: `\n${space}return ${value}${end(form)}` },
  ],
  text: `Add return ${value}${end(form)} after line ${last.line}.`,
});

/** Whether a function says of itself that it gives nothing. */
const isOfNothing = ({ headTokens }: Block, { tokens, language }: Form): boolean =>
  language === 'cpp' && tokens[tokens.indexOf(headTokens[0]!) - 1]?.text === 'void';

/** Whether a function gives something by its type, or in Python by what is done with its calls. */
const isAskedFor = (name: string, block: Block, form: Form): boolean => {
  const { tokens, language } = form;
  if (language === 'cpp') return !isOfNothing(block, form);
  return tokens.some(
    ({ text, startsLine, line }, index) =>
      text === name &&
      !startsLine &&
      tokens[index + 1]?.text === '(' &&
      tokens[index - 1]?.text !== 'def' &&
      !(tokens[index - 1]?.text === '.' && tokens[index - 2]?.startsLine) &&
      !isInside(line, block),
  );
};

/** A function that looks through a list and gives back a place in it: -1 behind the loop, where nothing was found. */
function nothingFound(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  return blocks.flatMap((loop): readonly Guess[] => {
    const around = blocks.find(
      (one) => one.head === 'function' && loop.opens && isInside(loop.opens.line, one),
    );
    const counter =
      loop.head === 'loop' && loop.headTokens[0]?.text === 'for' ? counterOf(loop.headTokens) : undefined;
    const isSearch =
      counter !== undefined &&
      tokens.some(
        ({ text, line }, index) =>
          text === 'return' && tokens[index + 1]?.text === counter && isInside(line, loop),
      );
    if (!around?.closes || !isSearch || !loop.closes) return [];
    const told = {
      why: `Where the loop in line ${loop.opens!.line} finds nothing, the function has to say so with a number that is no place in the list.`,
      ask: `What does the function give back when it has found nothing?`,
    };
    const behind = tokens.flatMap((token, index) =>
      token.text === 'return' && token.line > loop.closes!.line && isInside(token.line, around)
        ? (tokens[index + 1] ?? [])
        : [],
    );
    const [value] = behind;
    if (value) return value.kind === 'number' ? [{ ...written(value, '-1', RETURNED), told }] : [];
    const inside = tokens.filter(({ text, line }) => text === 'return' && isInside(line, loop));
    if (inside.length > 1) return [];
    return [{ ...returnPut(around, loop.closes, '-1', form), cost: RETURNED, told }];
  });
}

/** A `return` at the end of a loop that no question stands before: behind the loop, which goes round only once with it. */
function returnsBehindLoops({ tokens, blocks, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const lines = source.split('\n');
  return blocks.flatMap((loop): readonly Guess[] => {
    const { closes, opens } = loop;
    const last =
      closes &&
      tokens.findLast(
        ({ startsLine, line, text }) =>
          startsLine && text === 'return' && line < closes.line && line > opens!.line,
      );
    if (loop.head !== 'loop' || !last || !closes) return [];
    const isInner = blocks.some(
      (block) =>
        block !== loop && block.opens && block.opens.line > opens!.line && isInside(last.line, block),
    );
    const next = tokens.find(({ line }) => line > last.line);
    if (isInner || next !== closes || lines[closes.line - 1]?.trim() !== '}') return [];
    const [text, brace] = [lines[last.line - 1]!, lines[closes.line - 1]!];
    return [
      {
        edits: [
          linesPut(last.line, lines.slice(last.line - 1, closes.line), [
            brace,
            `${' '.repeat(closes.column - 1)}${text.trim()}`,
          ]),
        ],
        text: `Move line ${last.line} behind line ${closes.line}.`,
        cost: GIVEN_BACK,
        told: {
          why: `Line ${last.line} ends the function in the first round of the loop, whatever was asked.`,
          ask: `How often does the loop in line ${opens!.line} go round?`,
        },
      },
    ];
  });
}

/** `return STEP;` in two cases one after the other: the other way in one of them. */
function returnsOpposite({ tokens, blocks }: Form): readonly Guess[] {
  return blocks
    .filter(({ head }) => head === 'function')
    .flatMap((block): readonly Guess[] => {
      const given = tokens.flatMap(({ text, line }, index) => {
        if (text !== 'return' || !isInside(line, block)) return [];
        const minus = tokens[index + 1]?.text === '-' ? tokens[index + 1] : undefined;
        const value = tokens[index + (minus ? 2 : 1)];
        const isAll = value?.line === line && (tokens[tokens.indexOf(value) + 1]?.text ?? ';') === ';';
        return value && isAll && /^(?:word|number)$/.test(value.kind) ? [{ minus, value }] : [];
      });
      return given
        .filter(
          ({ minus, value }) =>
            !/^(?:0|true|false|True|False|None|HIGH|LOW)$/.test(value.text) &&
            given.some(
              (other) => other.value !== value && other.value.text === value.text && !other.minus === !minus,
            ),
        )
        .map(({ minus, value }) => ({
          ...(minus
            ? {
                edits: [
                  {
                    line: minus.line,
                    column: minus.column,
                    length: value.endColumn - minus.column,
                    by: value.text,
                  },
                ],
                text: `Write ${value.text} instead of -${value.text} in line ${value.line}.`,
                cost: GIVEN_BACK,
              }
            : written(value, `-${value.text}`, GIVEN_BACK)),
          told: {
            why: `Line ${value.line} gives back ${minus ? '-' : ''}${value.text}, and so does another case of the function.`,
            ask: `In which direction does each case go?`,
          },
        }));
    });
}

/** `pressed = now; return true;`: what has just been kept is given back. */
function keptAndGivenBack({ tokens, blocks }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const value = tokens[index + 1];
    const isTurned = value?.text === '!' || value?.text === 'not';
    const isYes = /^(?:true|True)$/.test(value?.text ?? '');
    if (token.text !== 'return' || !(isTurned || isYes)) return [];
    const block = blocks.findLast((one) => one.opens && isInside(token.line, one));
    const before = block?.statements.findLast(({ last }) => last.line < token.line);
    const kept = before ? setBy(before) : [];
    if (isYes) return kept.map((name) => written(value!, name, GIVEN_BACK));
    const turned = tokens[index + 2];
    return turned && kept.includes(turned.text)
      ? [
          {
            edits: [
              { line: value!.line, column: value!.column, length: turned.column - value!.column, by: '' },
            ],
            text: `Write ${turned.text} without ${value!.text} in line ${turned.line}.`,
            cost: COST_OF_NO_MORE,
          },
        ]
      : [];
  });
}

/** `(volts - 0.5) * 100;` as the last line of what gives a number: it is worked out and not given back. */
function lastWorkedOut(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language === 'python') return [];
  return functionsIn(form).flatMap(({ block }): readonly Guess[] => {
    const last = lastIn(block, form);
    const first = tokens.find(({ line, startsLine }) => startsLine && line === last?.line);
    if (
      !first ||
      !last ||
      isOfNothing(block, form) ||
      !/^[(\d]/.test(first.text) ||
      !isInside(last.line, block)
    )
      return [];
    return [
      {
        edits: [{ line: first.line, column: first.column, length: 0, by: 'return ' }],
        text: `Write return at the beginning of line ${first.line}.`,
        cost: GIVEN_BACK,
        told: {
          why: `Line ${first.line} works out what the function should give, and does not give it back.`,
          ask: `How does a function give back what it has worked out?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofReturns: readonly Rule[] = [
  lastWorkedOut,
  returnsOpposite,
  keptAndGivenBack,
  returnsToldApart,
  lastReturns,
  valuesGivenBack,
  nothingFound,
  returnsBehindLoops,
];
