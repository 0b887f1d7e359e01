import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { isInside, type Form } from './form';
import { inCpp, written, type Guess, type Rule } from './guess';

const [COST, EXCHANGED] = [1.4, 1.6];
/** Functions that change nothing and give back what they make of their first value. */
const GIVING = /^(?:constrain|min|max|map|abs)$/;

/** A call of one of these, with the places of its commas. */
interface Call {
  readonly name: Token;
  readonly index: number;
  readonly close: number;
  readonly commas: readonly number[];
}

function callsIn({ tokens }: Form): readonly Call[] {
  return tokens.flatMap((name, index): readonly Call[] => {
    const close = GIVING.test(name.text) ? closing(tokens, index + 1, '(', ')') : undefined;
    if (close === undefined || tokens[close]!.line !== name.line) return [];
    let depth = 0;
    const commas = tokens.slice(index + 2, close).flatMap(({ text }, at) => {
      depth += /[([{]/.test(text) ? 1 : /[)\]}]/.test(text) ? -1 : 0;
      return text === ',' && depth === 0 ? [index + 2 + at] : [];
    });
    return [{ name, index, close, commas }];
  });
}

/** `constrain(angle + 2, 0, 180);`: what it gives is kept in what it is made of. */
function keptInTheFirst(form: Form): readonly Guess[] {
  const { tokens } = form;
  return callsIn(form).flatMap(({ name, index, close }): readonly Guess[] => {
    const first = tokens.slice(index + 2, close).find(({ kind }) => kind === 'word');
    const isAlone = name.startsLine && tokens[close + 1]?.text === ';';
    return isAlone && first ? [put(name, `${first.text} = `, `at the beginning of line ${name.line}`)] : [];
  });
}

/** `angle = constrain(step(), 0, 180)`: what is kept within limits begins anew each time, without what it was before. */
function fromWhatItWas(form: Form): readonly Guess[] {
  const { tokens } = form;
  return callsIn(form).flatMap(({ index, close }): readonly Guess[] => {
    const [kept, sign] = [tokens[index - 2], tokens[index - 1]];
    const [first] = tokens.slice(index + 2);
    if (sign?.text !== '=' || kept?.kind !== 'word' || !kept.startsLine || !first) return [];
    const isIn = tokens.slice(index + 2, close).some(({ text }) => text === kept.text);
    return isIn || tokens[index]!.text === 'map'
      ? []
      : [put(first, `${kept.text} + `, `before ${first.text} in line ${first.line}`)];
  });
}

const put = ({ line, column }: Token, by: string, where: string): Guess => ({
  edits: [{ line, column, length: 0, by }],
  text: `Write ${by.trim()} ${where}.`,
  cost: COST,
});

/** `constrain(angle, 180, 0)`: the lower limit comes first. */
function limitsTurned(form: Form): readonly Guess[] {
  const { tokens, source } = form;
  return callsIn(form).flatMap(({ name, close, commas }): readonly Guess[] => {
    const [low, high] = commas.map((at) => tokens[at + 1]!);
    if (name.text !== 'constrain' || commas.length !== 2 || commas[1]! + 2 !== close || !low || !high)
      return [];
    const [one, other] = [low, high].map(({ text }) => valueOfName(text, source));
    if (one === undefined || other === undefined || one <= other) return [];
    const { line, column } = low;
    const between = (source.split('\n')[line - 1] ?? '').slice(low.endColumn - 1, high.column - 1);
    const [is, by] = [`${low.text}${between}${high.text}`, `${high.text}${between}${low.text}`];
    return [
      {
        edits: [{ line, column, length: is.length, by }],
        text: `Write ${by} instead of ${is} in line ${line}.`,
        cost: COST,
        told: {
          why: `Line ${line}: constrain takes the lower limit first, and ${low.text} is the higher one.`,
          ask: `Which of its two limits does constrain take first?`,
        },
      },
    ];
  });
}

/** The number that a constant stands for, or that a number is. */
function valueOfName(text: string, source: string): number | undefined {
  if (/^\d/.test(text)) return Number(text);
  const found = new RegExp(`\\b${text}\\b\\s*=?\\s*(-?\\d+(?:\\.\\d+)?)`).exec(source)?.[1];
  return found === undefined ? undefined : Number(found);
}

/** `angle = constrain(…, 0, 180)` and `angle > 180`: what is kept within limits is never beyond them. */
function beyondLimits(form: Form): readonly Guess[] {
  const { tokens } = form;
  const limits = callsIn(form).flatMap(({ name, index, commas }) =>
    /^(?:constrain|min|max)$/.test(name.text) && tokens[index - 1]?.text === '='
      ? [{ kept: tokens[index - 2]!.text, texts: commas.map((at) => tokens[at + 1]?.text ?? '') }]
      : [],
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1]?.text, tokens[index + 1]?.text];
    const isBeyond =
      /^[<>]$/.test(token.text) &&
      limits.some(({ kept, texts }) => kept === before && texts.includes(after ?? ''));
    return isBeyond
      ? [
          {
            ...written(token, `${token.text}=`, COST),
            told: {
              why: `Line ${token.line}: ${before} is kept within its limits, so it gets to ${after} and never beyond.`,
              ask: `How far does ${before} go?`,
            },
          },
        ]
      : [];
  });
}

/** `angle = angle + step();` beside names for a lowest and a highest value that limit nothing. */
function limitsLeftOut(form: Form): readonly Guess[] {
  const { tokens, source, blocks } = form;
  const named = [
    ...source.matchAll(/^(?:const \w+|#define) +([A-Z]\w*) *=? *(-?\d+)(?:\.\d+)?;?[ \t]*$/gm),
  ].map(([, name = '', value]) => ({ name, value: Number(value) }));
  if (tokens.some(({ text }) => GIVING.test(text))) return [];
  return tokens.flatMap((kept, index): readonly Guess[] => {
    const stop = tokens.findIndex(({ text }, at) => at > index && text === ';');
    const [sign, first] = tokens.slice(index + 1, index + 3);
    const value = tokens.slice(index + 2, stop);
    const isChanged =
      sign?.text === '=' && kept.startsLine && value.length > 2 && value[0]?.text === kept.text;
    const isHere = blocks.some((block) => block.head === 'function' && isInside(kept.line, block));
    const last = value.at(-1);
    if (!isChanged || !isHere || !first || last?.line !== kept.line || !/^[-+]$/.test(value[1]!.text))
      return [];
    const text = (source.split('\n')[kept.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
    return named.flatMap((low) =>
      named
        .filter((high) => high.value > low.value)
        .map((high): Guess => {
          const by = `constrain(${text}, ${low.name}, ${high.name})`;
          return {
            edits: [{ line: kept.line, column: first.column, length: text.length, by }],
            text: `Write ${by} instead of ${text} in line ${kept.line}.`,
            cost: COST,
          };
        }),
    );
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofLimits: readonly Rule[] = inCpp([
  keptInTheFirst,
  fromWhatItWas,
  limitsTurned,
  beyondLimits,
  limitsLeftOut,
  mapEndsNamed,
  bytesForEntries,
  onePastTheEnd,
  rangesExchanged,
]);

/** `map(x, 0, 1023, MAX, MIN)`: the names of the ends say which of them comes first. */
function mapEndsNamed(form: Form): readonly Guess[] {
  const { tokens, source } = form;
  return callsIn(form).flatMap(({ name, close, commas }): readonly Guess[] => {
    const [low, high] = [tokens[close - 3], tokens[close - 1]];
    const isTurned = /MAX|HIGH|MOST/.test(low?.text ?? '') && /MIN|LOW|LEAST/.test(high?.text ?? '');
    if (name.text !== 'map' || commas.length !== 4 || !isTurned || !low || !high) return [];
    const is = (source.split('\n')[low.line - 1] ?? '').slice(low.column - 1, high.endColumn - 1);
    const by = `${high.text}, ${low.text}`;
    return [
      {
        edits: [{ line: low.line, column: low.column, length: is.length, by }],
        text: `Write ${by} instead of ${is} in line ${low.line}.`,
        cost: COST,
      },
    ];
  });
}

/** `map(x, 0, 40, 0, 1023)`: from what the reading goes, and to what it should, in each other's places. */
function rangesExchanged(form: Form): readonly Guess[] {
  const { tokens, source } = form;
  return callsIn(form).flatMap(({ name, close, commas }): readonly Guess[] => {
    const ends = commas.map((at) => tokens[at + 1]!);
    const isPlain = commas.every((at, place) => (commas[place + 1] ?? close) === at + 2);
    if (name.text !== 'map' || ends.length !== 4 || !isPlain) return [];
    const [first, , , last] = ends as [Token, Token, Token, Token];
    const is = (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
    const by = [...ends.slice(2), ...ends.slice(0, 2)].map(({ text }) => text).join(', ');
    return [
      {
        edits: [{ line: first.line, column: first.column, length: is.length, by }],
        text: `Write ${by} instead of ${is} in line ${first.line}.`,
        cost: EXCHANGED,
        told: {
          why: `Line ${first.line}: map takes first from which number to which the reading goes, and then to which it should be brought.`,
          ask: `Which two of the four numbers belong to the reading?`,
        },
      },
    ];
  });
}

/** `sizeof(list)`: how many bytes it has, and not how many entries. */
function bytesForEntries({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [open, list, close, next] = tokens.slice(index + 1, index + 5);
    const isAlone = token.text === 'sizeof' && open?.text === '(' && close?.text === ')';
    if (!isAlone || !list || next?.text === '/' || tokens[index - 1]?.text === '/') return [];
    const by = ` / sizeof(${list.text}[0])`;
    return [
      {
        edits: [{ line: close.line, column: close.endColumn, length: 0, by }],
        text: `Write${by} after sizeof(${list.text}) in line ${close.line}.`,
        cost: COST,
        told: {
          why: `Line ${close.line}: sizeof(${list.text}) counts bytes, and each entry of ${list.text} has several.`,
          ask: `How many entries has ${list.text}, and how many bytes each of them?`,
        },
      },
    ];
  });
}

/** `at + 1 <= COUNT`, where that is how many entries a list has: one too far. */
function onePastTheEnd({ tokens, source }: Form): readonly Guess[] {
  const counts = new Set([...source.matchAll(/\b(\w+) *= *sizeof\b/g)].map(([, name]) => name!));
  return tokens.flatMap((token, index): readonly Guess[] =>
    token.text === '<=' && counts.has(tokens[index + 1]?.text ?? '') ? [written(token, '<', COST)] : [],
  );
}

/** `map` with the three values of `constrain`, and the other way round, where the exercise's own program has no such call. */
export function limitsAndMaps(form: Form, asked: Form): readonly Guess[] {
  return callsIn(form).flatMap(({ name, commas }): readonly Guess[] => {
    if (asked.tokens.some(({ text }) => text === name.text)) return [];
    if (name.text === 'map' && commas.length === 2) return [written(name, 'constrain', COST)];
    return name.text === 'constrain' && commas.length === 4 ? [written(name, 'map', COST)] : [];
  });
}
