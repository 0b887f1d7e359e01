import type { Token } from '../../../program/token';
import { isInCall, mayBeFraction } from '../what-names-hold';
import type { Form } from './form';
import { written, type Guess } from './guess';

/** Where a scale of a board ends: of a brightness, a reading, an angle, a share. */
const ENDS = ['255', '1023', '1024', '180', '100', '65535', '4095'];
const [NEARLY_ASKED, SLIGHTLY, CLEARLY, OF_ASKED, OF_SCALE] = [1.85, 1.88, 1.9, 1.92, 1.95];
/** Numbers below which one more or less is likelier than a digit too many. */
const FEW = 10;
/** Numbers from which on one more or less makes no difference that anybody sees. */
const SMALL = 20;
/** Numbers that are tried in a program; one with more is not mended by trying. */
const MOST = 240;

/**
 * Other numbers for those of a program: what the exercise's own program has and this one has not, ten times as much and
 * a tenth, one more and one less, and the ends of scales. `asked`: the numbers of the exercise's own program.
 */
export function otherNumbers(
  { tokens, language, holdings }: Form,
  asked: readonly string[],
): readonly Guess[] {
  const own = new Set(tokens.flatMap(({ kind, text }) => (kind === 'number' ? [valueOf(text)] : [])));
  const missing = asked.filter((text) => !own.has(Number(text)));
  const all = [
    ...new Set(
      tokens.flatMap(({ kind, text }, index) => {
        const isPin =
          tokens[index - 1]?.text === '=' && holdings.get(tokens[index - 2]?.text ?? '') === 'pin';
        return kind === 'number' && Number(text) > 0 && !isPin ? [text] : [];
      }),
    ),
  ];
  const guesses = tokens.flatMap((token, index): readonly Guess[] => {
    if (token.kind !== 'number' || isFixed(tokens, index)) return [];
    const suffix = suffixOf(token.text);
    if (suffix !== '')
      return missing
        .filter((by) => /^\d+$/.test(by) && Number(by) !== valueOf(token.text))
        .map((by) => written(token, by + suffix, OF_ASKED));
    const isCount = /^\d+$/.test(token.text) && Number(token.text) < FEW;
    const isOpen = mayBeFraction(tokens, index, holdings, language);
    const others: (readonly [string, number])[] = [
      ...missing.map(
        (by) =>
          [
            by,
            areNearlySame(token.text, by) || digitsOf(token.text) === digitsOf(by) ? NEARLY_ASKED : OF_ASKED,
          ] as const,
      ),
      // A pause may be as long as what the program reckons with elsewhere.
      ...(isInCall(tokens, index, /^(?:delay|sleep)$/) ? all : []).map((by) => [by, OF_ASKED] as const),
      ...(Number(token.text) < SMALL ? besides(token) : []).map(
        (by) => [by, isCount ? SLIGHTLY : CLEARLY] as const,
      ),
      // A count is seldom a hundred times too small.
      ...tenfold(token, isOpen)
        .filter((by) => !isCount || Number(by) < 100 * Number(token.text))
        .map((by) => [by, isCount ? CLEARLY : SLIGHTLY] as const),
      ...(Number(token.text) >= 10 ? ENDS.map((by) => [by, OF_SCALE] as const) : []),
    ];
    const seen = new Set([token.text]);
    return others.flatMap(([by, cost]) => {
      if (seen.has(by)) return [];
      seen.add(by);
      const fits = isOpen || !/\./.test(by);
      return fits && Number(by) !== Number(token.text) ? [written(token, by, cost)] : [];
    });
  });
  return [...guesses].sort((a, b) => a.cost - b.cost).slice(0, MOST);
}

/** What a number of C++ ends with that says its type: the `L` of `180L`. */
export const suffixOf = (text: string): string =>
  /^0x/i.test(text) ? '' : (/(?<=[\d.])(?:[uUlL]+|[fF])$/.exec(text)?.[0] ?? '');

/** How much a number is, whatever says its type. */
export const valueOf = (text: string): number => Number(text.slice(0, text.length - suffixOf(text).length));

/** Whether a number says how a module is reached or how fast is sent: only the very number will do. */
export const isFixed = (tokens: readonly Token[], index: number): boolean =>
  /^0x/i.test(tokens[index]!.text) ||
  isInCall(tokens, index, /^begin$/) ||
  isSizeOfList(tokens, index) ||
  // `LiquidCrystal_I2C lcd(0x27, 16, 2)`
  tokens
    .slice(Math.max(0, index - 8), index)
    .some(
      ({ text }, at, before) =>
        text === '(' && before[at - 1]?.kind === 'word' && /^[A-Z]\w*_/.test(before[at - 2]?.text ?? ''),
    );

/** Whether a number says how many entries a list has, and it has as many. */
function isSizeOfList(tokens: readonly Token[], index: number): boolean {
  if (tokens[index - 1]?.text !== '[' || tokens[index + 1]?.text !== ']') return false;
  let at = index + 2;
  while (tokens[at]?.text === '[' && tokens[at + 2]?.text === ']') at += 3;
  if (tokens[at]?.text !== '=' || tokens[at + 1]?.text !== '{') return false;
  const isInner = tokens[index - 2]?.text === ']';
  let [depth, entries] = [0, 1];
  for (const { text } of tokens.slice(at + 1)) {
    if (text === '{') depth += 1;
    if (text === '}' && (depth -= 1) === 0) break;
    if (text === ',' && depth === 1) entries += 1;
  }
  return isInner || entries === Number(tokens[index]!.text);
}

/** The figures of a number, wherever its point is: those of 0.2, 2 and 200 are the same. */
export const digitsOf = (text: string): string => text.replace('.', '').replace(/^0+|0+$/g, '');

/** Whether two numbers are the same but for a digit at their end: 2, 20, 25. */
export const areNearlySame = (one: string, other: string): boolean => {
  const [short, long] = one.length < other.length ? [one, other] : [other, one];
  return long.startsWith(short.slice(0, Math.max(1, long.length - 1))) && long.length - short.length < 2;
};

/** The numbers of a program that are no pins, each once. */
export const limitsIn = ({ tokens, holdings }: Form): readonly string[] => [
  ...new Set(
    tokens.flatMap(({ kind, text }, index) => {
      const name = tokens[index - 1]?.text === '=' ? tokens[index - 2]?.text : undefined;
      const isPin = name !== undefined && holdings.get(name) === 'pin';
      return kind === 'number' && !isPin ? [text] : [];
    }),
  ),
];

const COMPARES = /^[<>]=?$/;

/** The numbers that a program compares something with. */
export const comparedIn = (tokens: readonly Token[]): readonly string[] => [
  ...new Set(
    tokens.flatMap(({ kind, text }, index) =>
      kind === 'number' && COMPARES.test(tokens[index - 1]?.text ?? '') ? [text] : [],
    ),
  ),
];

/** The numbers of a program, each once. */
export const numbersIn = ({ tokens }: Form): readonly string[] => [
  ...new Set(tokens.flatMap(({ kind, text }) => (kind === 'number' ? [text] : []))),
];

/** `isOpen`: whether a number with a point may stand there. */
function tenfold({ text }: Token, isOpen: boolean): readonly string[] {
  const value = Number(text);
  if (!(value > 0)) return [];
  const isWhole = /^\d+$/.test(text);
  const shares = [10, 100].map((by) => value / by).filter((share) => isOpen || Number.isInteger(share));
  const times = [10, 100].map((by) => value * by);
  return [times[0]!, ...shares.slice(0, 1), times[1]!, ...shares.slice(1)]
    .filter((number) => number > 0 && number < 1e6)
    .map((number) => shortest(number))
    .filter((by) => isOpen || isWhole === /^\d+$/.test(by));
}

const besides = ({ text }: Token): readonly string[] =>
  /^\d+$/.test(text)
    ? [String(Number(text) + 1), ...(Number(text) > 0 ? [String(Number(text) - 1)] : [])]
    : [];

const shortest = (value: number): string => String(Number(value.toFixed(6)));
