import { isBoard } from '../boards';
import { ref as makeRef } from '../brand';
import { bringUpText } from '../course/bench-work';
import type { HouseRules } from '../course/house-rules';
import { drawBench } from '../drawing/bench';
import { closeUp } from '../drawing/close-up';
import { boxAround, type Box, type Drawing } from '../drawing/list';
import { drawPartAlone } from '../drawing/part-card';
import { fourBands } from '../electrics/values/bands';
import { currentPaths } from '../electrics/paths';
import { asksForProgram, referencePins, type Exercise } from '../formats/exercise';
import { explainProgram } from '../generated/explain';
import { givenProgram } from '../generated/given';
import type { NumberQuestion } from '../generated/questions';
import { taskOf, type Task } from '../generated/task';
import { cautionsOf, LOCAL_RULES } from '../plan/cautions';
import { worksheetFigures, type Connection } from '../plan/worksheet';
import { benchWork } from '../course/bench-work';
import { kindOf } from '../parts';
import type { Grammars } from '../program';
import { Circuit } from '../wiring/circuit';
import type { Wiring } from '../wiring/wiring';
import { capital, howMany, listText, uncapital } from '../words/words';
import { pathSentence } from './current-words';
import type { Block, Figure, Handout, HandoutForm, ProgramLine, Section } from './document';
import type { Troubles } from './troubles';

/** What a handout is made of beside its exercise. */
export interface HandoutOptions {
  readonly form: HandoutForm;
  readonly rules: HouseRules;
  /** The course and the place of the exercise in it: `The working harbour, exercise 3`. */
  readonly place: string;
  readonly questions: readonly NumberQuestion[];
  readonly troubles: Troubles;
  /** Where the exercise is opened at a bench. */
  readonly address?: string;
}

/** The handout of an exercise; everything in it follows from the exercise and the rules of its course. */
export function handoutOf(exercise: Exercise, options: HandoutOptions, grammars: Grammars): Handout {
  const { form, rules, place } = options;
  const task = taskOf(exercise, { ...rules, stepsAtBench: 'shown' }, true);
  const isTeaching = form === 'instructor';
  const sections: readonly (Section | undefined)[] = [
    aim(exercise, task, isTeaching),
    partsSection(task),
    connections(exercise),
    build(exercise, rules),
    secondLook(exercise),
    isBoard(exercise.board) ? bringUp(exercise, rules) : undefined,
    program(exercise, rules, grammars, isTeaching),
    seen(task),
    predictions(exercise, options.questions, isTeaching),
    currentWay(exercise),
    notLikeThis(exercise.reference, options.troubles),
    isTeaching ? usualTroubles(options.troubles) : undefined,
    record(exercise.reference, options.address),
  ];
  return {
    title: exercise.data.title,
    subtitle: `${place}${isTeaching ? ', instructor’s copy' : ''}`,
    form,
    sections: sections.filter(
      (section) => section !== undefined && section.blocks.length > 0,
    ) as readonly Section[],
  };
}

function aim(exercise: Exercise, { aim: text, build: why, open }: Task, isTeaching: boolean): Section {
  const { minutes, concepts, text: own } = exercise.data;
  const note = own['authorNote'];
  return {
    title: 'What we build',
    blocks: [
      { type: 'text', text, look: 'lead' },
      ...(why === undefined ? [] : [{ type: 'text', text: why } as const]),
      ...(open ? [{ type: 'text', text: `Yours to decide: ${open.asks}` } as const] : []),
      ...(isTeaching
        ? [
            {
              type: 'text',
              look: 'note',
              text: [
                ...(minutes === undefined ? [] : [`${howMany(minutes, 'minute')} are planned.`]),
                ...(concepts.introduces.length > 0 ? [`New: ${conceptList(concepts.introduces)}.`] : []),
                ...(concepts.uses.length > 0 ? [`Used: ${conceptList(concepts.uses)}.`] : []),
                ...(typeof note === 'string' ? [note] : []),
              ].join(' '),
            } as const,
          ]
        : []),
      ...cautionsOf(exercise, [])
        .filter(({ refs, step }) => refs.length === 0 && step === 'build')
        .map(({ text: caution }): Block => ({ type: 'caution', text: caution })),
    ],
  };
}

const conceptList = (concepts: readonly string[]): string =>
  listText(concepts.map((concept) => concept.replaceAll('-', ' ')));

/** Parts with their pictures; wires, which are many and alike, in one line. */
function partsSection({ parts, cautions }: Task): Section {
  const isWire = ({ kind }: Task['parts'][number]): boolean => kindOf(kind).conductor;
  const wires = parts.filter(isWire).map(({ refs, title }) => counted(refs.length, title));
  return {
    title: 'In the bag',
    blocks: [
      ...parts
        .filter((part) => !isWire(part))
        .map(({ refs, kind, value, title, ohms, knownBy }): Block => {
          const drawing = drawPartAlone(kind, value);
          const warnings = cautions.flatMap(({ when, refs: about, text }) =>
            when === 'with-parts' && about.some((ref) => refs.includes(ref)) ? [text] : [],
          );
          return {
            type: 'part',
            title: `${capital(counted(refs.length, title))}, ${listText(refs)}`,
            lines: [
              ...(ohms === undefined ? [] : [`Bands: ${listText(fourBands(ohms).map(String))}.`]),
              ...knownBy.map(capital),
              ...warnings,
            ],
            ...(drawing ? { figure: { drawing, title } } : {}),
          };
        }),
      ...(wires.length > 0 ? [{ type: 'text', text: `${capital(listText(wires))}.` } as const] : []),
    ],
  };
}

const counted = (count: number, title: string): string => (count === 1 ? title : `${count} × ${title}`);

/** What is joined to what, in the order in which it is built. */
function connections(exercise: Exercise): Section {
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

function build({ reference, board }: Exercise, rules: HouseRules): Section {
  const { steps, trial } = benchWork(reference, board, rules);
  const rows = spanOfRows(reference);
  // All steps show the same board, and no wire moves from one picture to the next: it is one drawing with less in it.
  const whole = drawBench(reference, { crop: 'used', ...(rows ? { rows } : {}) });
  return {
    title: 'Build it',
    blocks: [
      ...steps.map(({ number, ref, text, checkpoint, cautions, present }): Block => ({
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
      })),
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
function secondLook({ reference, board }: Exercise): Section {
  const polar = reference.parts.filter(({ kind }) =>
    kindOf(kind).legs.some(({ title }) => /long|stripe|flat|\+|plus/i.test(title)),
  );
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

function bringUp({ board }: Exercise, rules: HouseRules): Section {
  const { packages, libraries, waits, harmlessMessages, bySystem } = board.bringUp;
  return {
    title: 'Onto the board',
    blocks: [
      { type: 'text', text: bringUpText(board, rules) },
      {
        type: 'list',
        marks: 'dots',
        items: [
          ...(packages.length > 0 ? [`Needed once: ${listText(packages)}.`] : []),
          ...(libraries.length > 0 ? [`Libraries: ${listText(libraries)}.`] : []),
          ...bySystem.map(({ system, driver }) => `${capital(system.replaceAll('-', ' '))}: ${driver}`),
          ...waits.map(({ what, seconds }) => `${capital(what)}: about ${seconds} s.`),
        ],
      },
      ...(harmlessMessages.length > 0
        ? [
            {
              type: 'text',
              look: 'note',
              text: `These mean no harm: ${listText(harmlessMessages.map((one) => `“${one}”`))}.`,
            } as const,
          ]
        : []),
    ],
  };
}

/** The program as the course gives it; for who teaches, the reference with what each line does. */
function program(
  exercise: Exercise,
  rules: HouseRules,
  grammars: Grammars,
  isTeaching: boolean,
): Section | undefined {
  if (!asksForProgram(exercise)) return undefined;
  if (isTeaching) {
    const says = new Map(explainProgram(exercise, grammars).map((line) => [line.line, line.says]));
    return {
      title: 'Program, with what each line does',
      blocks: [listing(exercise.data.program, (line) => says.get(line))],
    };
  }
  const given = givenProgram(exercise, rules);
  if (given === '')
    return {
      title: 'Your program',
      blocks: [
        { type: 'text', text: 'Write it yourself, from the first line.' },
        { type: 'lines', count: 14 },
      ],
    };
  return {
    title: rules.programGiven === 'gaps' ? 'Program with gaps' : 'A program to begin with',
    blocks: [
      {
        type: 'text',
        text:
          rules.programGiven === 'gaps'
            ? 'Fill in what is missing.'
            : 'It works, and does something else. Make it do what is asked.',
      },
      listing(given),
    ],
  };
}

const listing = (source: string, says: (line: number) => string | undefined = () => undefined): Block => ({
  type: 'program',
  lines: source
    .replace(/\n+$/, '')
    .split('\n')
    .map((text, index): ProgramLine => {
      const said = says(index + 1);
      return said === undefined ? { text } : { text, says: said };
    }),
});

function seen({ runs, marked }: Task): Section {
  return {
    title: 'What must be seen',
    blocks: [
      ...runs.flatMap(({ name, done, seen: wanted }): readonly Block[] => [
        ...(runs.length > 1 || done.length > 0
          ? [
              {
                type: 'text',
                text: `${capital(name)}: ${done.length === 0 ? 'nothing is touched' : done.join(', ')}.`,
              } as const,
            ]
          : []),
        { type: 'list', marks: 'boxes', items: wanted.map((sentence) => `${sentence}.`) },
      ]),
      ...(marked.length > 0 ? [{ type: 'list', marks: 'dots', items: marked } as const] : []),
    ],
  };
}

/** What changes with a number: for who teaches by its line; a learner's program may have it elsewhere. */
function predictions({ data }: Exercise, questions: readonly NumberQuestion[], isTeaching: boolean): Section {
  const lines = data.program.split('\n');
  return {
    title: 'Say it first, then try',
    blocks: questions.flatMap(({ ask, answer, edit }, index): readonly Block[] => {
      const now = lines[edit.line - 1]!.slice(edit.column - 1, edit.column - 1 + edit.length);
      return [
        {
          type: 'text',
          text: `${index + 1}. ${isTeaching ? ask : `In your program, write ${edit.by} in place of ${now}. What will be seen?`}`,
        },
        isTeaching
          ? { type: 'list', marks: 'dots', items: answer.map(capital) }
          : { type: 'lines', count: 2 },
      ];
    }),
  };
}

/** Ways of the current that are listed. */
const MOST_WAYS = 6;

function currentWay(exercise: Exercise): Section {
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
function notLikeThis(reference: Wiring, { commonest }: Troubles): Section | undefined {
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

function usualTroubles({ usual }: Troubles): Section {
  return {
    title: 'Usual troubles, and what to ask',
    blocks: [
      {
        type: 'table',
        head: ['what it looks like', 'ask first', 'what mends it'],
        rows: usual.map(({ title, ask, repair }) => [title, ask, repair]),
      },
    ],
  };
}

/** What a learner has wired, to be filled in by hand. */
function record({ parts }: Wiring, address: string | undefined): Section {
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
