import type { Language } from '../../program';
import { tokensOf } from '../../judge/repair/token-places';

/** A program with one thing otherwise. */
export interface Mutant {
  /** What was done to which line. */
  readonly name: string;
  readonly source: string;
}

/** Words and signs, each with what a hand may write instead. */
const OTHERS: Readonly<Record<string, readonly string[]>> = {
  '<': ['<=', '>'],
  '<=': ['<'],
  '>': ['<', '>='],
  '>=': ['>', '<='],
  '==': ['!=', '='],
  '!=': ['=='],
  '&&': ['||'],
  '||': ['&&'],
  '+': ['-'],
  '-': ['+'],
  '++': ['--'],
  '--': ['++'],
  '!': [''],
  not: [''],
  and: ['or'],
  or: ['and'],
  HIGH: ['LOW'],
  LOW: ['HIGH'],
  true: ['false'],
  false: ['true'],
  True: ['False'],
  False: ['True'],
  OUTPUT: ['INPUT'],
  INPUT_PULLUP: ['INPUT', 'OUTPUT'],
  digitalRead: ['analogRead'],
  analogRead: ['digitalRead'],
  digitalWrite: ['analogWrite'],
  analogWrite: ['digitalWrite'],
};

/** A statement that can be taken out or change places with the next one. */
const PLAIN: Readonly<Record<Language, RegExp>> = {
  cpp: /^\s+\w.*;$/,
  python: /^\s*(?!from|import|def|class|return)\w.*[^:]$/,
};

/** A program with each of its words, signs and numbers otherwise, and with each of its lines left out or one too early. */
export const mutantsOf = (source: string, language: Language): readonly Mutant[] => [
  ...ofTokens(source, language),
  ...ofLines(source, language),
];

function ofTokens(source: string, language: Language): readonly Mutant[] {
  const lines = source.split('\n');
  return tokensOf(source, language).flatMap(({ kind, text, line, column }) => {
    const others = kind === 'number' ? otherNumbers(text) : (OTHERS[text] ?? []);
    return others.map((by) => ({
      name: `${text} → ${by || 'nothing'} in line ${line}`,
      source: lines
        .map((there, index) =>
          index === line - 1
            ? there.slice(0, column - 1) + by + there.slice(column - 1 + text.length)
            : there,
        )
        .join('\n'),
    }));
  });
}

function otherNumbers(text: string): readonly string[] {
  const value = Number(text);
  if (!/^\d+$/.test(text)) return [String(Number((value * 10).toFixed(6)))];
  return [
    String(value + 1),
    ...(value > 0 ? [String(value - 1)] : []),
    ...(value >= 10 ? [String(Math.floor(value / 10)), String(value * 10)] : []),
  ];
}

function ofLines(source: string, language: Language): readonly Mutant[] {
  const lines = source.split('\n');
  const isPlain = (text: string | undefined): boolean => text !== undefined && PLAIN[language].test(text);
  const spaceOf = (text: string): number => /^\s*/.exec(text)![0].length;
  return lines.flatMap((line, index): readonly Mutant[] => {
    if (!isPlain(line) || spaceOf(line) === 0) return [];
    const next = lines[index + 1];
    const others = lines.filter((_, at) => at !== index);
    const left = { name: `line ${index + 1} left out`, source: others.join('\n') };
    if (next === undefined || !isPlain(next) || spaceOf(next) !== spaceOf(line)) return [left];
    const exchanged = lines.map((text, at) => (at === index ? next : at === index + 1 ? line : text));
    return [left, { name: `lines ${index + 1} and ${index + 2} exchanged`, source: exchanged.join('\n') }];
  });
}
