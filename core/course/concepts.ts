import * as z from 'zod';

/** What is known of a concept that beginners meet, for its card. */
export interface Concept {
  readonly word: string;
  /** What it means, in a sentence for a twelve-year-old. */
  readonly means: string;
  /** What it is like, for a class that has no comparison of its own. */
  readonly like: string;
  /** Which part of an exercise its card shows. */
  readonly shows?: ShownPart;
}

/** Parts by what they do: seen or heard, touched, with a way round, moving, giving power, or sensing. */
export type ShownPart = 'seen' | 'touched' | 'polar' | 'moving' | 'power' | 'sensing';

const concept = (word: string, means: string, like: string, shows?: ShownPart): Concept => ({
  word,
  means,
  like,
  ...(shows === undefined ? {} : { shows }),
});

/** Concepts as exercises name them; any other name is a concept too, of which the course says itself what it means. */
const known: Readonly<Record<string, Concept>> = {
  'closed-circuit': concept(
    'closed circuit',
    'Current flows only round a whole loop, from plus back to minus.',
    'A ring road: one gap, and nobody gets round.',
    'power',
  ),
  polarity: concept(
    'polarity',
    'Some parts work only one way round: plus to plus, minus to minus.',
    'A one-way street.',
    'polar',
  ),
  'output-pin': concept(
    'output pin',
    'A pin that the program switches on and off, to drive a part.',
    'A tap that the program turns.',
    'seen',
  ),
  'input-pin': concept(
    'input pin',
    'A pin at which the program looks whether there is voltage.',
    'A window to look out of.',
    'touched',
  ),
  'pull-up': concept(
    'pull-up',
    'A resistor that holds a line HIGH as long as nobody pulls it down.',
    'A door with a spring: it closes by itself.',
    'touched',
  ),
  pause: concept(
    'pause',
    'The program waits, and does nothing else meanwhile.',
    'Counting to ten with your eyes shut.',
    'seen',
  ),
  'two-outputs': concept(
    'two outputs',
    'Each pin drives a part of its own.',
    'Two taps on one pipe.',
    'seen',
  ),
  'two-inputs': concept(
    'two inputs',
    'Each pin tells of a part of its own.',
    'Two windows in one wall.',
    'touched',
  ),
  'order-of-statements': concept(
    'order of statements',
    'The board does one line after the other, from top to bottom.',
    'A recipe.',
  ),
  if: concept(
    'if',
    'Something is done only when a question is answered with yes.',
    'An umbrella, if it rains.',
    'touched',
  ),
  state: concept('state', 'What the program remembers of before.', 'A switch that stays where you put it.'),
  counter: concept('counter', 'A number that grows by one each time.', 'Strokes on a tally.', 'touched'),
  debounce: concept(
    'debounce',
    'A button jumps when it is pressed; the program waits until it rests.',
    'A ball that bounces before it lies still.',
    'touched',
  ),
  'loop-for': concept(
    'for loop',
    'The same lines several times, with a number that goes on.',
    'Climbing stairs and counting them.',
  ),
  pwm: concept(
    'PWM',
    'A pin that goes on and off so fast that an LED looks dim.',
    'Flicking a light switch faster than the eye can follow.',
    'seen',
  ),
  'analog-input': concept(
    'analog input',
    'A pin that measures how much voltage there is, as a number.',
    'A ruler instead of a yes or no.',
    'touched',
  ),
  map: concept(
    'map',
    'A number of one range becomes the matching number of another.',
    'Centimetres read off as inches.',
    'touched',
  ),
  array: concept(
    'array',
    'Many values under one name, each with a number.',
    'Letter boxes in a row.',
    'seen',
  ),
  range: concept(
    'range',
    'Where numbers begin and where they end.',
    'The first and the last step of a ladder.',
  ),
  'three-colour-lamp': concept(
    'RGB LED',
    'Three small LEDs in one housing; together they make every colour.',
    'Three torches on one spot.',
    'seen',
  ),
  function: concept(
    'function',
    'Lines with a name, to be called whenever they are needed.',
    'A trick that a dog knows by its name.',
  ),
  divider: concept(
    'voltage divider',
    'Two resistors in series share the voltage: the larger one gets more.',
    'Two people sharing a cake by their appetite.',
    'sensing',
  ),
  threshold: concept(
    'threshold',
    'A number from which on something else is done.',
    'The mark on a jug.',
    'sensing',
  ),
  'serial-print': concept(
    'serial output',
    'The board writes text to the computer.',
    'Postcards from the board.',
  ),
  'serial-read': concept(
    'serial input',
    'The board reads what is typed on the computer.',
    'Orders called down to the kitchen.',
  ),
  servo: concept(
    'servo',
    'A motor that turns to an angle and holds it.',
    'An arm that points where it is told.',
    'moving',
  ),
  'own-supply': concept(
    'own supply',
    'A motor gets its power from its own battery; only ground is shared.',
    'A lorry fills up at its own pump.',
    'power',
  ),
  calibration: concept(
    'calibration',
    'Finding the numbers that fit this one piece.',
    'Setting the scales to zero.',
    'moving',
  ),
  library: concept('library', 'Lines that others have written, for us to use.', 'A borrowed tool.'),
  'many-parts': concept(
    'many parts',
    'A large build goes piece by piece, each tried alone.',
    'A house, room by room.',
  ),
  'table-of-actions': concept(
    'table of actions',
    'For each key, what is to be done.',
    'The labels on a lift’s buttons.',
  ),
  'second-language': concept(
    'second language',
    'The same idea in other words for the board.',
    'Good morning, in French.',
  ),
  'logic-voltage': concept(
    'logic voltage',
    'The voltage that means HIGH on a board: 5 V or 3.3 V.',
    'How loud one has to speak to be heard.',
  ),
  'stating-behaviour': concept(
    'stating behaviour',
    'Saying first what will be seen, with times.',
    'A timetable.',
  ),
};

/** What is known of a concept by its name; its word alone where it is a course's own. */
export const conceptOf = (name: string): Concept =>
  known[name] ?? { word: name.replaceAll('-', ' '), means: '', like: '' };

const fewWords = z.string().trim().max(300);

/** What a course says on the card of a concept itself; empty fields are as usual. */
export const cardSchema = z.object({
  word: fewWords.default(''),
  means: fewWords.default(''),
  like: fewWords.default(''),
});
export type CardWords = Readonly<z.infer<typeof cardSchema>>;

/** The cards of a course in its own words, by concept. */
export const cardsSchema = z.record(z.string().max(400), cardSchema);
export type CourseCards = Readonly<z.infer<typeof cardsSchema>>;

/** A card: for each concept what it is called, what it means, and what it is like. */
export interface ConceptCard extends Concept {
  readonly concept: string;
}

/** The card of a concept, in the words of the course where it has its own. */
export function cardOf(name: string, cards: CourseCards): ConceptCard {
  const [usual, own] = [conceptOf(name), cards[name]];
  return {
    concept: name,
    word: own?.word || usual.word,
    means: own?.means || usual.means,
    like: own?.like || usual.like,
    ...(usual.shows === undefined ? {} : { shows: usual.shows }),
  };
}

/** For each exercise of a course the concepts whose cards are printed with it: those that nothing before it introduces. */
export function cardsToPrint(
  exercises: readonly {
    readonly concepts: { readonly introduces: readonly string[]; readonly uses: readonly string[] };
  }[],
): readonly (readonly string[])[] {
  const printed = new Set<string>();
  return exercises.map(({ concepts }) => {
    const first = [...concepts.introduces, ...concepts.uses].filter((name) => !printed.has(name));
    for (const name of first) printed.add(name);
    return [...new Set(first)];
  });
}
