import { ledCurrentMa } from '../electrics/values/kit';
import { ledColours, ledModels, ohmsText, partKinds } from '../parts';
import { figure } from '../units';
import type { BoardProfile } from '../boards';
import type { TakenPins } from './wishes';
import { adviseOnPins } from './pin-advice';
import { readLine } from './read';
import { recipeFor, recipesOn, type Recipe } from './recipes';
import { tokensOf } from './tokens';
import { meaningOf } from './words';
import type { Statement, StatementContext } from './statement';
import { inWords } from '../words/words';

/** A way to go on with a line. */
export interface Completion {
  /** The whole line with it. */
  readonly line: string;
  /** The words that it adds or ends. */
  readonly words: string;
  /** What speaks for it, or what it does. */
  readonly note: string;
}

const MOST = 8;

/** Lines that a person may begin with, the kinds of a first lesson before the others. */
const beginningsOn = (board: BoardProfile): readonly NonNullable<Recipe['beginning']>[] =>
  [...recipesOn(board).values()].flatMap(({ beginning }) => beginning ?? []);

/** Ways to go on with a line from its end, the likeliest first. */
export function completionsOf(
  text: string,
  context: StatementContext,
  taken: TakenPins,
): readonly Completion[] {
  const typed = text.trimStart();
  const say = (words: string): string => inWords(words, context.rules.words);
  if (typed === '')
    return beginningsOn(context.board).map(({ line, note }) => ({
      line: `${say(line)} `,
      words: say(line),
      note: say(note),
    }));
  const lastWord = /\S*$/.exec(typed)![0].toLowerCase();
  const before = typed.slice(0, typed.length - lastWord.length);
  const sign = tokensOf(before).at(-1)?.text;
  if (sign === 'on' || sign === 'pin' || (sign === ',' && /\bon\b[^a-z]*$/i.test(before))) {
    const pins = pinCompletions(before, lastWord, context, taken);
    if (pins.some(({ words }) => words.toLowerCase() === lastWord))
      return [...nextPieces(typed, context, taken), ...pins.slice(1)].slice(0, MOST);
    // After a comma another piece may begin as well.
    if (pins.length > 0 && !(sign === ',' && lastWord === '')) return pins;
  }
  if (sign === 'with') return ohmsCompletions(before, lastWord, context);
  const words = lastWord === '' ? [] : wordCompletions(before, lastWord, say);
  const pieces = nextPieces(typed, context, taken);
  // A word that is whole is gone on with; one that is not is ended.
  return (meaningOf.has(lastWord) ? [...pieces, ...words] : [...words, ...pieces]).slice(0, MOST);
}

function pinCompletions(
  before: string,
  lastWord: string,
  context: StatementContext,
  taken: TakenPins,
): readonly Completion[] {
  const { statement } = readLine(before.replace(/\bon\s*$/i, ''), context);
  const does = statement
    ? (recipeFor(statement.kind.kind, context.board).needs(statement)[0]?.does ?? 'digital')
    : 'digital';
  return adviseOnPins(context.board, does, taken)
    .filter(({ pin, fits }) => fits && pin.toLowerCase().startsWith(lastWord))
    .slice(0, MOST)
    .map(({ pin, takenBy, betterFree, can }) => ({
      line: `${before}${pin}`,
      words: pin,
      note:
        takenBy !== undefined
          ? `taken by ${takenBy}`
          : betterFree !== undefined
            ? `better left free: ${betterFree}`
            : ['free', ...can].join(', '),
    }));
}

function ohmsCompletions(before: string, lastWord: string, context: StatementContext): readonly Completion[] {
  const { statement } = readLine(before.replace(/\bwith\s*$/i, ''), context);
  const values = context.kit.ohms.filter((ohms) => ohmsText(ohms).startsWith(lastWord));
  const model =
    statement && recipeFor(statement.kind.kind, context.board).isLight
      ? ledModels.get(statement.value || 'red')
      : undefined;
  if (!model)
    return values.slice(0, MOST).map((ohms) => ({
      line: `${before}${ohmsText(ohms)}`,
      words: ohmsText(ohms),
      note: 'in the kit',
    }));
  const { drive, logicVolts } = context.board;
  return values
    .map((ohms) => ({ ohms, currentMa: ledCurrentMa(model, logicVolts, ohms + drive.outputOhms) }))
    .filter(({ currentMa }) => currentMa <= drive.absoluteMa && currentMa > LEAST_MA)
    .slice(0, MOST)
    .map(({ ohms, currentMa }) => ({
      line: `${before}${ohmsText(ohms)}`,
      words: ohmsText(ohms),
      note: `${figure(currentMa)} mA`,
    }));
}

/** Below this current in mA an LED is hardly seen. */
const LEAST_MA = 0.5;

/** Words that begin with what is typed: kinds, colours, options. */
function wordCompletions(
  before: string,
  lastWord: string,
  say: (words: string) => string,
): readonly Completion[] {
  const kinds = partKinds.filter((kind) => !kind.conductor).map((kind) => kind.title);
  const known: readonly (readonly [string, string])[] = [
    ...ledColours.map((colour) => [`${colour} LED`, 'LED'] as const),
    ...kinds.map((title) => [title, 'part'] as const),
    ['pull-up', 'held high inside the board'],
    ['pull-down 10k', 'held low by a resistor'],
    ['own supply', 'batteries of its own, grounds joined'],
    ['lit by low', 'from the supply to the pin'],
    ['resistor first', 'on the long leg'],
    ['common cathode', 'shared leg to ground'],
    ['common anode', 'shared leg to supply'],
    ['dimmed', 'on a pin with PWM'],
  ];
  return known
    .map(([words, note]) => ({ line: `${before}${say(words)}`, words: say(words), note: say(note) }))
    .filter(({ words }) => words.toLowerCase().startsWith(lastWord) && words.toLowerCase() !== lastWord);
}

/** The pieces that a line still lacks. */
function nextPieces(typed: string, context: StatementContext, taken: TakenPins): readonly Completion[] {
  const { statement } = readLine(typed, context);
  if (!statement) return [];
  const gap = typed.endsWith(' ') ? '' : ' ';
  const add = (words: string, note: string): Completion => ({
    line: `${typed}${words.startsWith(',') ? '' : gap}${words}`,
    words: words.replace(/^, /, ''),
    note,
  });
  const needs = recipeFor(statement.kind.kind, context.board).needs(statement);
  if (needs.length > 0 && statement.pins.length === 0)
    return pinCompletions(`${typed}${gap}on `, '', context, taken)
      .slice(0, 4)
      .map((completion) => ({ ...completion, words: `on ${completion.words}` }));
  return openPieces(statement).map(([words, note]) => add(words, note));
}

function openPieces({
  kind,
  options,
  resistor,
  source,
  currentMa,
}: Statement): readonly (readonly [string, string])[] {
  if (kind.observed === 'light')
    return resistor || currentMa !== undefined || options.has('no-resistor')
      ? []
      : [
          ['with 330', 'its resistor'],
          ['at 8 mA', 'the resistor is worked out'],
        ];
  if (kind.contact !== undefined)
    return options.has('pull-up') || options.has('pull-down')
      ? []
      : [
          [', pull-up', 'held high inside the board'],
          [', pull-down 10k', 'held low by a resistor'],
        ];
  if (kind.powerLegs !== undefined && !source && !options.has('own-supply'))
    return [[', own supply', 'batteries of its own, grounds joined']];
  return [];
}
