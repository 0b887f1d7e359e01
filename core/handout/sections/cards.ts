import { isBoard, type BoardProfile } from '../../boards';
import type { ConceptCard, ShownPart } from '../../course/concepts';
import { drawBoard } from '../../drawing/board';
import { drawPartAlone } from '../../drawing/part-card';
import { fourBands } from '../../electrics/values/bands';
import type { Exercise } from '../../formats/exercise';
import { isPowerSource, isResistor, kindOf } from '../../parts';
import type { PlacedPart } from '../../wiring/wiring';
import { ohms as ohmsText } from '../../units';
import { capital, listText } from '../../words/words';
import type { Card, Section } from '../document';

/** A card for each concept that is new: word, meaning, comparison, and a picture where the exercise has one of it. */
export function conceptCards(cards: readonly ConceptCard[], exercise: Exercise): Section | undefined {
  if (cards.length === 0) return undefined;
  return {
    title: 'Cards to cut out',
    blocks: [
      {
        type: 'cards',
        size: 'card',
        cards: cards.map(({ word, means, like, shows }): Card => {
          const figure = pictureFor(shows, exercise);
          return {
            title: capital(word),
            lines: [...(means ? [means] : []), ...(like ? [`Like: ${like}`] : [])],
            ...(means ? {} : { blanks: 3 }),
            ...(figure ? { figure } : {}),
          };
        }),
      },
    ],
  };
}

/** The first part of the exercise that does what a concept is about. */
function pictureFor(shows: ShownPart | undefined, { reference }: Exercise): Card['figure'] {
  const part = shows && reference.parts.find(does[shows]);
  const drawing = part && drawPartAlone(part.kind, part.value.text);
  return drawing ? { drawing, title: kindOf(part.kind).title } : undefined;
}

const does: Readonly<Record<ShownPart, (part: PlacedPart) => boolean>> = {
  seen: ({ kind }) => ['light', 'sound'].includes(kindOf(kind).observed ?? ''),
  touched: ({ kind }) => ['press', 'turn'].includes(kindOf(kind).stimulus ?? ''),
  polar: ({ kind: name, value }) => {
    const kind = kindOf(name);
    return kind.observed === 'light' || kind.polarity?.(value) !== undefined;
  },
  moving: ({ kind }) => ['angle', 'turning'].includes(kindOf(kind).observed ?? ''),
  power: isPowerSource,
  sensing: ({ kind }) => ['light', 'warm', 'distance'].includes(kindOf(kind).stimulus ?? ''),
};

/** A walk over the board, with questions; for who teaches with their answers. */
export function boardTour(board: BoardProfile, isTeaching: boolean): Section | undefined {
  if (!isBoard(board) || board.landmarks.length === 0) return undefined;
  return {
    title: 'A walk over the board',
    blocks: [
      {
        type: 'figure',
        figure: { drawing: drawBoard(board), title: board.short },
        caption: 'Mark each place on the picture, or point at it on your own board.',
      },
      {
        type: 'table',
        head: ['find it', 'where it is', 'what it is for'],
        rows: board.landmarks.map(({ name, where, means }) => [
          capital(name),
          isTeaching ? where : '',
          isTeaching ? means : '',
        ]),
      },
      ...board.landmarks
        .flatMap(({ name, patterns = [] }) => patterns.map((pattern) => ({ name, ...pattern })))
        .slice(0, MOST_QUESTIONS)
        .flatMap(({ name, shows, means }): Section['blocks'] => [
          { type: 'text', text: `${capital(name)}: ${shows}. What does that tell you?` },
          isTeaching ? { type: 'list', marks: 'dots', items: [means] } : { type: 'lines', count: 1 },
        ]),
    ],
  };
}

const MOST_QUESTIONS = 6;

/** Values whose bands beginners mix up, beside those of the exercise. */
const USUAL_OHMS: readonly number[] = [100, 220, 330, 470, 1000, 2200, 4700, 10_000, 47_000, 100_000];
const BAND_CARDS = 8;

/** Resistors to be sorted by their bands: cut out, laid in order, turned over. */
export function bandsToSort({ reference }: Exercise, isTeaching: boolean): Section | undefined {
  const own = reference.parts.flatMap((part) =>
    isResistor(part) && part.value.amount !== undefined ? [part.value.amount] : [],
  );
  if (own.length === 0) return undefined;
  const values = [...new Set([...own, ...USUAL_OHMS])].slice(0, BAND_CARDS);
  // Not in their order, and always in the same one.
  const mixed = values.map((_, index) => values[(index * 5 + 3) % values.length]!);
  const shuffled = new Set(mixed).size === values.length ? mixed : values.toReversed();
  return {
    title: 'Bands to sort',
    blocks: [
      { type: 'text', text: 'Cut them out, read the bands, and lay them in order, the smallest first.' },
      {
        type: 'cards',
        size: 'label',
        cards: shuffled.map((ohms): Card => {
          const drawing = drawPartAlone('resistor', String(ohms));
          return {
            title: isTeaching ? ohmsText(ohms) : listText(fourBands(ohms).map(String)),
            lines: [],
            ...(isTeaching ? {} : { blanks: 1 }),
            ...(drawing ? { figure: { drawing, title: 'a resistor with its bands' } } : {}),
          };
        }),
      },
    ],
  };
}
