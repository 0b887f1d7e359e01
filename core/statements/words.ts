import { findKind, partKinds, type PartKind } from '../parts';
import type { Option } from './statement';
import { plural } from '../words/words';

/** What a phrase stands for. */
export type Meaning =
  | { readonly type: 'kind'; readonly kind: PartKind }
  /** Several parts that belong together, such as the LEDs of a traffic light. */
  | { readonly type: 'group'; readonly kind: PartKind; readonly values: readonly string[] }
  | { readonly type: 'value'; readonly value: string }
  | { readonly type: 'option'; readonly option: Option }
  /** A word that says where the next one belongs. */
  | { readonly type: 'sign'; readonly sign: Sign }
  /** A word that may stand there and adds nothing. */
  | { readonly type: 'filler' };

export type Sign = 'on' | 'with' | 'without' | 'from' | 'to' | 'as' | 'after' | 'across' | 'between' | 'at';

/** A phrase in lower case, its words parted by one space. */
interface Phrase {
  readonly words: string;
  readonly meaning: Meaning;
}

/** Numbers that people write as words. */
export const numberWords: Readonly<Record<string, number>> = {
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};

const option = (name: Option, ...phrases: readonly string[]): readonly Phrase[] =>
  phrases.map((words) => ({ words, meaning: { type: 'option', option: name } }));

const sign = (name: Sign, ...phrases: readonly string[]): readonly Phrase[] =>
  phrases.map((words) => ({ words, meaning: { type: 'sign', sign: name } }));

const value = (text: string, ...phrases: readonly string[]): readonly Phrase[] =>
  phrases.map((words) => ({ words, meaning: { type: 'value', value: text } }));

const kindPhrases: readonly Phrase[] = partKinds
  .filter((kind) => !kind.conductor)
  .flatMap((kind) => {
    const names = new Set(
      [kind.title, kind.kind, ...kind.alsoTyped, ...kind.alsoSaid]
        .map((words) => words.toLowerCase())
        .flatMap((words) => [words, words.replace(/-/g, ' ')]),
    );
    // Alone, the word means the board's supply.
    names.delete('supply');
    return [...names].flatMap((words) =>
      [words, plural(words)].map((form): Phrase => ({ words: form, meaning: { type: 'kind', kind } })),
    );
  });

/** A pull by a resistor beside the board, as people ask for it. */
const outside = (pull: 'pull-up' | 'pull-down'): readonly string[] =>
  ['external', 'outside', 'own'].flatMap((word) =>
    [pull, pull.replace('-', ' '), pull.replace('-', '')].map((name) => `${word} ${name}`),
  );

/** LEDs that people name as one thing, with their colours from the top. */
const lights = (values: readonly string[], ...phrases: readonly string[]): readonly Phrase[] =>
  phrases
    .flatMap((words) => [words, plural(words)])
    .map((words) => ({ words, meaning: { type: 'group', kind: findKind('led')!, values } }));

/** Cells of the finger sizes, by their number. */
function cellsSaid(count: number): readonly string[] {
  const word = Object.entries(numberWords).find(([, number]) => number === count)?.[0];
  return [`${count}`, ...(word === undefined ? [] : [word]), ...(count === 1 ? ['one', 'an'] : [])].flatMap(
    (many) =>
      ['aa', 'aaa'].flatMap((size) => [
        `${many} ${size}`,
        `${many}x${size}`,
        `${many}x ${size}`,
        `${many} x ${size}`,
      ]),
  );
}

const phrases: readonly Phrase[] = [
  ...kindPhrases,
  ...lights(['red', 'yellow', 'green'], 'traffic light', 'traffic signal', 'traffic light led'),
  ...lights(['red', 'green'], 'pedestrian light', 'pedestrian signal', 'pedestrian light led'),
  ...value('common-cathode', 'common cathode', 'common-cathode'),
  ...value('passive', 'piezo', 'speaker', 'loudspeaker', 'small speaker'),
  ...[1, 2, 3, 4, 5, 6, 8].flatMap((count) => value(`${count}x1.5V`, ...cellsSaid(count))),
  ...value('common-anode', 'common anode', 'common-anode'),
  ...option(
    'pull-up',
    'pull-up',
    'pull up',
    'pullup',
    'pulled up',
    'internal pull-up',
    'pull-up inside',
    'input_pullup',
    'input-pullup',
    ...outside('pull-up'),
  ),
  ...option('pull-down', 'pull-down', 'pull down', 'pulldown', 'pulled down', ...outside('pull-down')),
  ...option('anode-side', 'resistor first', 'resistor before', 'anode side', 'resistor on the long leg'),
  ...option('cathode-side', 'resistor last', 'resistor behind', 'cathode side', 'resistor on the short leg'),
  ...option('lit-by-low', 'lit by low', 'active low', 'lit when low'),
  ...option('no-resistor', 'without resistor', 'without a resistor', 'no resistor'),
  ...option('dimmed', 'dimmed', 'dimmable', 'faded', 'by pwm', 'with pwm', 'pwm'),
  ...option(
    'own-supply',
    'own supply',
    'with own supply',
    'its own supply',
    'own batteries',
    'own battery',
    ...['own', 'external', 'separate', 'extra'].flatMap((which) =>
      ['supply', 'power', 'power supply', '5v supply', '5 v supply'].map((what) => `${which} ${what}`),
    ),
  ),
  ...option('both-ends', 'both ends', 'between supply and ground'),
  ...option('left-free', 'left free', 'not connected', 'unconnected', 'joined to nothing'),
  ...sign('on', 'on', 'on pin', 'on pins', 'pin', 'pins', 'at pin', 'at pins', 'by pin'),
  ...sign('with', 'with', 'by', 'behind', 'through', 'via', 'using', 'has', 'having'),
  ...sign('without', 'without'),
  ...sign('from', 'from', 'powered by', 'fed by'),
  ...sign('to', 'to', 'into'),
  ...sign('as', 'as', 'named', 'called'),
  ...sign('after', 'after'),
  ...sign('across', 'across', 'over'),
  ...sign('between', 'between'),
  ...sign('at', 'at'),
  ...[
    'a',
    'an',
    'the',
    'its',
    'each',
    'of',
    'and',
    'both',
    'in',
    'series',
    'chain',
    'clip',
    'snap',
    'parallel',
    'ohm',
    'ohms',
    'ω',
    'my',
    'one',
    'please',
    'small',
    'large',
    'big',
    'mini',
    'micro',
    'tiny',
    '3mm',
    '5mm',
    '10mm',
    'bright',
    'super-bright',
    'high-brightness',
    'normal',
    'ordinary',
    'rotation',
    'backpack',
    'adapter',
    'little',
    'single',
    'some',
    'connected',
    'wired',
    'attached',
    'hooked',
    'plugged',
    'there',
    'is',
    'add',
    'use',
    'put',
    'connect',
    'attach',
    'i',
    'we',
    'want',
    'need',
    'have',
    'other',
    'side',
    'signal',
    'wiper',
    'wiper pin',
    'middle',
    ...['middle', 'centre', 'center'].flatMap((place) =>
      ['leg', 'pin', 'terminal'].map((end) => `${place} ${end}`),
    ),
    'external',
    'midpoint',
    'junction',
    'directly',
    'straight',
    'gpio',
    'digital',
    'analog',
    'analogue',
    'divider',
    'voltage divider',
    'flyback',
    'freewheeling',
    'protection',
    'protective',
    'base',
    'current-limiting',
    'limiting',
    'segments',
    'segments a to g',
    'segments a-g',
    'address',
    'at address',
    'at i2c address',
    'i2c address',
  ].map((words): Phrase => ({ words, meaning: { type: 'filler' } })),
];

/** Every phrase that lines are read by. */
export const meaningOf: ReadonlyMap<string, Meaning> = new Map(
  phrases.map(({ words, meaning }) => [words, meaning]),
);

/** Most words that a phrase has. */
export const LONGEST_PHRASE = Math.max(...phrases.map(({ words }) => words.split(' ').length));

/** Words that a typing mistake is compared with, and the phrases they stand for. */
export const spelled: ReadonlyMap<string, Meaning> = new Map(
  phrases
    .filter(({ words, meaning }) => !words.includes(' ') && meaning.type !== 'filler')
    .map(({ words, meaning }) => [words, meaning]),
);
