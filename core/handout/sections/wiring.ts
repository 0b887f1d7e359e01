import { isBoard } from '../../boards';
import { ref as makeRef } from '../../brand';
import { benchWork } from '../../course/bench-work';
import type { HouseRules } from '../../course/house-rules';
import { drawBench } from '../../drawing/bench';
import { closeUp } from '../../drawing/close-up';
import { boxAround, type Box, type Drawing } from '../../drawing/list';
import { currentPaths } from '../../electrics/paths';
import { referencePins, type Exercise } from '../../formats/exercise';
import { kindOf } from '../../parts';
import { LOCAL_RULES } from '../../plan/cautions';
import { worksheetFigures, type Connection } from '../../plan/worksheet';
import { Circuit } from '../../wiring/circuit';
import type { Wiring } from '../../wiring/wiring';
import { howMany, listText, uncapital } from '../../words/words';
import { pathSentence } from '../current-words';
import type { Block, Figure, Photo, Section } from '../document';
import type { Troubles } from '../troubles';

/** What is joined to what, in the order in which it is built. */
export function connections(exercise: Exercise): Section {
  const { connections: all } = worksheetFigures(exercise, 'without worst cases');
  const order: readonly Connection['role'][] = ['ground', 'signal', 'sense', 'supply'];
  const sorted = all.toSorted((one, other) => order.indexOf(one.role) - order.indexOf(other.role));
  return {
    title: 'Connections',
    blocks: [
      {
        type: 'table',
        head: ['what for', 'is joined', 'by'],
        rows: sorted.map(({ name, role, ends, wires }) => [
          name === '' ? role : name,
          ends.map(({ text }) => text).join(', '),
          wires.length === 0 ? 'the row' : wires.map(({ ref, colour }) => `${ref} (${colour})`).join(', '),
        ]),
      },
    ],
  };
}

export function build(
  { reference, board, data }: Exercise,
  rules: HouseRules,
  photos: ReadonlyMap<string, Photo> = new Map(),
): Section {
  const own = (data.pictures ?? []).filter(({ id }) => photos.has(id));
  const photo = ({ id, caption }: (typeof own)[number]): Block => ({ type: 'photo', id, caption });
  const { steps, trial } = benchWork(reference, board, rules);
  const rows = spanOfRows(reference);
  // All steps show the same board, and no wire moves from one picture to the next: it is one drawing with less in it.
  const whole = drawBench(reference, { crop: 'used', ...(rows ? { rows } : {}) });
  return {
    title: 'Build it',
    blocks: [
      ...own.filter(({ step }) => !steps.some(({ ref }) => ref === step)).map(photo),
      ...steps.flatMap(({ number, ref, text, checkpoint, cautions, present }): readonly Block[] => [
        {
          type: 'step',
          number,
          text,
          checkpoint,
          cautions,
          figure: {
            drawing: {
              ...whole,
              layers: whole.layers.filter(
                (layer) => layer.ref === undefined || present.has(makeRef(layer.ref)),
              ),
              description: text,
            },
            title: `After step ${number}`,
            emphasis: [ref],
          },
        },
        ...own.filter(({ step }) => step === ref).map(photo),
      ]),
      ...(trial === undefined ? [] : [{ type: 'text', text: trial } as const]),
    ],
  };
}

/** Rows that are used, so that the pictures of all steps show the same. */
function spanOfRows({ parts, breadboards }: Wiring): readonly [number, number] | undefined {
  if (breadboards.length !== 1) return undefined;
  const rows = parts.flatMap(({ legs }) => legs.flatMap(({ at }) => (at && 'row' in at ? [at.row] : [])));
  return rows.length === 0 ? undefined : [Math.max(1, Math.min(...rows) - 1), Math.max(...rows) + 1];
}

/** What is looked at before power goes on: from the circuit, no more than applies. */
export function secondLook({ reference, board }: Exercise): Section {
  // A light has a way round whatever its housing; other kinds say so of their values.
  const polar = reference.parts.filter(({ kind: name, value }) => {
    const kind = kindOf(name);
    return kind.observed === 'light' || kind.polarity?.(value) !== undefined;
  });
  const own = reference.parts.filter(({ kind }) => !kindOf(kind).conductor);
  return {
    title: 'Look twice',
    blocks: [
      {
        type: 'list',
        marks: 'boxes',
        items: [
          isBoard(board) ? 'The board is unplugged.' : 'The battery is off.',
          'Every end is in its row, counted from the top.',
          ...(polar.length > 0 ? [`The right way round: ${listText(polar.map(({ ref }) => ref))}.`] : []),
          ...(own.length > 0 ? ['No part has both legs in one row, and no bare legs touch.'] : []),
          'No wire goes straight from supply to ground.',
        ],
      },
    ],
  };
}

/** Ways of the current that are listed. */
const MOST_WAYS = 6;

export function currentWay(exercise: Exercise): Section {
  const circuit = new Circuit(exercise.reference, exercise.board);
  const sentences = currentPaths(circuit, referencePins(exercise))
    .map((path) => pathSentence(path, circuit))
    .filter((sentence) => sentence !== '');
  const shown = [...new Set(sentences)];
  return {
    title: 'The way of the current',
    blocks:
      shown.length === 0
        ? []
        : [
            { type: 'list', marks: 'dots', items: shown.slice(0, MOST_WAYS) },
            ...(shown.length > MOST_WAYS
              ? [
                  {
                    type: 'text',
                    look: 'note',
                    text: `And ${howMany(shown.length - MOST_WAYS, 'more way')} like these.`,
                  } as const,
                ]
              : []),
          ],
  };
}

/** The commonest slip of the hand beside what is right, both as seen from the same place. */
export function notLikeThis(reference: Wiring, { commonest }: Troubles): Section | undefined {
  if (!commonest) return undefined;
  const refs = new Set<string>(commonest.refs);
  const rows = spanOfRows(reference);
  const [right, wrong] = [reference, commonest.wiring].map((wiring) => {
    const whole = drawBench(wiring, { crop: 'used', ...(rows ? { rows } : {}) });
    return { whole, window: closeUp(whole, refs, { rows: 'with their names' })?.window };
  }) as [Seen, Seen];
  const window = right.window && wrong.window ? boxAround([right.window, wrong.window]) : undefined;
  const figure = ({ whole }: Seen, title: string): Figure => ({
    drawing: window ? { ...whole, window } : whole,
    title,
  });
  return {
    title: 'Not like this',
    blocks: [
      {
        type: 'pair',
        pair: [
          { figure: figure(right, 'Like this'), caption: 'Like this.' },
          { figure: figure(wrong, 'Not like this'), caption: `Not like this: ${uncapital(commonest.says)}` },
        ],
      },
    ],
  };
}

interface Seen {
  readonly whole: Drawing;
  readonly window: Box | undefined;
}

/** What a learner has wired, to be filled in by hand. */
export function record({ parts }: Wiring, address: string | undefined): Section {
  return {
    title: 'What I wired',
    blocks: [
      { type: 'text', text: 'Write down where each end is, as you built it.' },
      {
        type: 'table',
        head: ['part', 'where its ends are', ''],
        rows: parts.flatMap((part) => {
          const ends = part.legs.map(
            ({ leg }) => `${kindOf(part.kind).legs.find(({ name }) => name === leg)?.title ?? leg}:`,
          );
          const pairs = Array.from({ length: Math.ceil(ends.length / 2) }, (_, at) =>
            ends.slice(2 * at, 2 * at + 2),
          );
          return pairs.map(([one = '', other = ''], index) => [
            index === 0 ? `${part.ref}, ${kindOf(part.kind).describe(part.value)}` : '',
            one,
            other,
          ]);
        }),
      },
      ...(address === undefined
        ? []
        : [{ type: 'address', address, says: 'Opens this exercise at your bench.' } as const]),
      { type: 'text', look: 'note', text: LOCAL_RULES },
    ],
  };
}
