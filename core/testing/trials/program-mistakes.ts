import type { FindingCode } from '../../findings/finding';
import { languageOf, type Exercise } from '../../formats/exercise';
import type { Mistake } from './mistake';

interface Slip {
  readonly sort: string;
  /** What is replaced in a line, each place of it in turn; a global pattern. */
  readonly find: RegExp;
  readonly by: (found: string) => string;
  readonly codes: readonly FindingCode[];
}

const BEHAVIOUR: readonly FindingCode[] = [
  'not-lit',
  'not-dark',
  'stays-on',
  'stays-off',
  'timing-off',
  'order-wrong',
  'count-wrong',
  'no-response',
  'late-response',
  'angle-off',
  'tone-off',
  'text-off',
  'picture-off',
  'colour-off',
  'wrong-direction',
  'too-dim',
  'too-bright',
  'variety-off',
];

const cpp: readonly Slip[] = [
  { sort: 'a semicolon left out', find: /;$/g, by: () => '', codes: ['syntax-semicolon'] },
  { sort: 'a closing brace left out', find: /^\s*\}$/g, by: () => '', codes: ['syntax-brace'] },
  { sort: 'a bracket left out', find: /\);$/g, by: () => ';', codes: ['syntax-paren'] },
  {
    sort: 'a name in the wrong case',
    find: /\b(digitalWrite|pinMode|analogRead|digitalRead)\b/g,
    by: (text) => text.toLowerCase(),
    codes: ['name-case'],
  },
  {
    sort: 'a name misspelt',
    find: /\b(delay|OUTPUT|HIGH)\b/g,
    by: (text) => `${text.slice(0, -1)}${text.slice(-1)}${text.slice(-1)}`,
    codes: ['name-unknown'],
  },
  { sort: 'one = in a condition', find: /==/g, by: () => '=', codes: ['assign-in-condition'] },
  {
    sort: 'another pin',
    find: /(?<=(?:const (?:int|byte)|#define) \w+ (?:= )?)\d{1,2}(?=;|$)/g,
    by: (text) => String(Number(text) + 1),
    codes: ['pin-disagrees', 'wrong-pin', 'pin-unused', 'pin-lacks-function', ...BEHAVIOUR],
  },
  {
    sort: 'an output never set up',
    find: /^\s*pinMode\(.*OUTPUT\);$/g,
    by: () => '',
    codes: ['direction-unset'],
  },
  { sort: 'an input for an output', find: /\bOUTPUT\b/g, by: () => 'INPUT', codes: ['direction-unset'] },
  {
    sort: 'the pull-up left out',
    find: /\bINPUT_PULLUP\b/g,
    by: () => 'INPUT',
    codes: ['pullup-unset', 'input-floating'],
  },
  {
    sort: 'the wrong level',
    find: /\b(HIGH|LOW)\b/g,
    by: (text) => (text === 'HIGH' ? 'LOW' : 'HIGH'),
    codes: ['logic-inverted', ...BEHAVIOUR],
  },
  {
    sort: 'a pause ten times as long',
    find: /(?<=delay\()\d{2,}(?=\))/g,
    by: (text) => `${text}0`,
    codes: ['timing-off', 'missed-input', 'late-response', 'no-response', ...BEHAVIOUR],
  },
  {
    sort: 'a pause left out',
    find: /^\s*delay\(\d+\);$/g,
    by: () => '',
    codes: ['missing-pause', 'turn-overlap', 'timing-off', ...BEHAVIOUR],
  },
  {
    sort: 'a comparison turned round',
    find: / [<>] /g,
    by: (text) => (text === ' < ' ? ' > ' : ' < '),
    codes: ['logic-inverted', 'never-ends', 'out-of-range', ...BEHAVIOUR],
  },
  { sort: 'and for or', find: /&&/g, by: () => '||', codes: ['logic-inverted', ...BEHAVIOUR] },
  {
    sort: 'a semicolon behind a condition',
    find: /(?<=\)) \{$/g,
    by: () => '; {',
    codes: ['empty-body', 'syntax-semicolon'],
  },
  {
    sort: 'a number one off',
    find: /(?<=[<>=] )\d+(?=[;)])/g,
    by: (text) => String(Number(text) + 1),
    codes: ['pin-disagrees', 'wrong-pin', 'direction-unset', 'missing-pause', ...BEHAVIOUR],
  },
];

const python: readonly Slip[] = [
  { sort: 'a colon left out', find: /:$/g, by: () => '', codes: ['colon-missing'] },
  { sort: 'a bracket left out', find: /\)$/g, by: () => '', codes: ['syntax-paren'] },
  { sort: 'an indentation lost', find: /^ {4}(?=\S)/g, by: () => '', codes: ['indentation', ...BEHAVIOUR] },
  {
    sort: 'a name in the wrong case',
    find: /\b(True|False)\b/g,
    by: (text) => text.toLowerCase(),
    codes: ['name-case'],
  },
  {
    sort: 'another pin',
    find: /(?<=board\.D)\d+/g,
    by: (text) => String(Number(text) + 1),
    codes: ['pin-disagrees', 'wrong-pin', ...BEHAVIOUR],
  },
  {
    sort: 'an output never set up',
    find: /^.*Direction\.OUTPUT$/g,
    by: () => '',
    codes: ['direction-unset', 'runtime-error'],
  },
  {
    sort: 'the pull-up left out',
    find: /^.*Pull\.UP$/g,
    by: () => '',
    codes: ['pullup-unset', 'input-floating'],
  },
  {
    sort: 'the wrong level',
    find: /\b(True|False)$/g,
    by: (text) => (text === 'True' ? 'False' : 'True'),
    codes: ['logic-inverted', ...BEHAVIOUR],
  },
  { sort: 'a question turned round', find: /\bnot /g, by: () => '', codes: ['logic-inverted', ...BEHAVIOUR] },
  {
    sort: 'a pause ten times as long',
    find: /(?<=sleep\()\d+(?=\))/g,
    by: (text) => `${text}0`,
    codes: ['timing-off', ...BEHAVIOUR],
  },
  {
    sort: 'a pause left out',
    find: /(?<=^\s*)time\.sleep\(.*\)$/g,
    by: () => 'pass',
    codes: ['missing-pause', 'timing-off', ...BEHAVIOUR],
  },
  {
    sort: 'a comparison turned round',
    find: / [<>] /g,
    by: (text) => (text === ' < ' ? ' > ' : ' < '),
    codes: ['logic-inverted', ...BEHAVIOUR],
  },
];

/** Slips of the keyboard and of the mind in an exercise's own program, one at a time. */
export function* programMistakes(exercise: Exercise): Generator<Mistake> {
  const { data, reference } = exercise;
  const lines = data.program.split('\n');
  for (const { sort, find, by, codes } of languageOf(exercise) === 'python' ? python : cpp)
    for (const [index, line] of lines.entries()) {
      if (/^\s*(\/\/|#(?!define))/.test(line)) continue;
      const code = line.replace(/\s*\/\/.*$/, '');
      for (const found of code.matchAll(find)) {
        const written = code.slice(0, found.index) + by(found[0]) + code.slice(found.index + found[0].length);
        yield {
          sort,
          what: `line ${index + 1}: ${written.trim() || 'nothing'}`,
          wiring: reference,
          program: lines.with(index, written).join('\n'),
          codes,
          refs: [],
          line: index + 1,
        };
      }
    }
}
