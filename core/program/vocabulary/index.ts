import type { BoardProfile } from '../../boards';
import type { Language } from '..';
import { cppWords } from './cpp';
import { pythonMembers, pythonWords } from './python';
import type { Word } from './word';

export type { Word, WordSort } from './word';

/** Words that are offered for what has been typed, and where that begins. */
export interface Completions {
  readonly from: number;
  readonly words: readonly Word[];
}

/** Words that are offered at once. */
const MOST_OFFERED = 40;

/** The words of a language on a board, its pins among them. */
export function wordsOf(board: BoardProfile, language: Language): readonly Word[] {
  const known = language === 'python' ? pythonWords : cppWords;
  return [...known, ...pinsOf(board, language)];
}

function pinsOf(board: BoardProfile, language: Language): readonly Word[] {
  if (language === 'python')
    return board.pins.map(({ name, functions }) => ({
      name: `board.${/^\d/.test(name) ? `D${name}` : name}`,
      sort: 'constant',
      form: /^\d/.test(name) ? `D${name}` : name,
      says: `Pin ${name} of the board${functions.includes('pwm') ? ', with PWM' : ''}${functions.includes('analog') ? ', which can measure' : ''}.`,
    }));
  return Object.entries(board.names).map(([name, number]) => ({
    name,
    sort: 'constant',
    form: name,
    says: name === 'LED_BUILTIN' ? 'The pin of the LED on the board.' : `Pin ${name}, number ${number}.`,
  }));
}

/** Names that a program gives itself, with the line in which each first stands. */
function ownWords(source: string, known: ReadonlySet<string>, language: Language): readonly Word[] {
  const lines = source.split('\n');
  const found = new Map<string, number>();
  for (const [index, line] of lines.entries())
    for (const [name] of withoutTexts(line, language).matchAll(/\b[A-Za-z_]\w{2,}/g))
      if (!known.has(name) && !found.has(name)) found.set(name, index + 1);
  return [...found].map(([name, line]) => ({
    name,
    sort: 'own',
    form: name,
    says: `A name of this program, first in line ${line}.`,
  }));
}

const withoutTexts = (line: string, language: Language): string =>
  line.replace(/"[^"]*"?|'[^']*'?/g, '').replace(language === 'python' ? /#.*$/ : /\/\/.*$/, '');

/** Whether a place of a line is in a text or a remark, where nothing is to be completed. */
function isInText(before: string, language: Language): boolean {
  const rest = before.replace(/"[^"]*"|'[^']*'/g, '');
  return rest.includes('"') || rest.includes("'") || rest.includes(language === 'python' ? '#' : '//');
}

/** The class of a variable that a program declares, for what stands behind its dot. */
function classOf(name: string, source: string): string {
  const [, type] =
    new RegExp(`\\b(Servo|String|LiquidCrystal_I2C|LedControl)\\s+${name}\\b`).exec(source) ?? [];
  return type ?? name;
}

/**
 * What a program may go on with at a place, counted from 0: words of the language, of the board and of the program
 * itself that begin as what was typed does. `undefined` where nothing is to be offered.
 */
export function completionsAt(
  source: string,
  place: number,
  board: BoardProfile,
  language: Language,
): Completions | undefined {
  const before = source.slice(source.lastIndexOf('\n', place - 1) + 1, place);
  if (isInText(before, language)) return undefined;
  const [, owner, typed = ''] = /(?:([A-Za-z_]\w*)\.)?([#A-Za-z_]\w*)?$/.exec(before) ?? [];
  if (owner === undefined && typed.length < 2) return undefined;
  const words = wordsOf(board, language);
  const from = place - typed.length;
  const fits = ({ name }: Word, start = typed): boolean =>
    name.toLowerCase().startsWith(start.toLowerCase()) && name !== start;
  if (owner !== undefined) {
    const prefix = `${classOf(owner, source)}.`;
    const members = words
      .filter(({ name }) => name.startsWith(prefix))
      .map((word) => ({ ...word, name: word.name.slice(prefix.length) }));
    const all = members.length > 0 ? members : language === 'python' ? pythonMembers : [];
    const offered = all.filter((word) => fits(word) && word.name !== 'new');
    return offered.length === 0 ? undefined : { from, words: offered.slice(0, MOST_OFFERED) };
  }
  const plain = words.filter(({ name }) => !name.includes('.'));
  const known = new Set(plain.map(({ name }) => name));
  // What is being typed is no name yet.
  const others = `${source.slice(0, from)} ${source.slice(place)}`;
  const offered = [...ownWords(others, known, language), ...plain].filter((word) => fits(word));
  return offered.length === 0 ? undefined : { from, words: offered.slice(0, MOST_OFFERED) };
}

/** The word of the language or the board that stands at a place, counted from 0, with where it stands. */
export function wordAt(
  source: string,
  place: number,
  board: BoardProfile,
  language: Language,
): { readonly word: Word; readonly from: number; readonly to: number } | undefined {
  const isLetter = (letter: string | undefined): boolean => /[#\w]/.test(letter ?? '');
  let [from, to] = [place, place];
  while (from > 0 && isLetter(source[from - 1])) from -= 1;
  while (isLetter(source[to])) to += 1;
  const name = source.slice(from, to);
  if (name === '') return undefined;
  const [, owner] = /([A-Za-z_]\w*)\.$/.exec(source.slice(0, from)) ?? [];
  const words = wordsOf(board, language);
  const find = (wanted: string): Word | undefined => words.find((word) => word.name === wanted);
  const word =
    owner === undefined
      ? find(name)
      : (find(`${classOf(owner, source)}.${name}`) ??
        (language === 'python' ? pythonMembers.find((member) => member.name === name) : undefined));
  return word && { word, from, to };
}
