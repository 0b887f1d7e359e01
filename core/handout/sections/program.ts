import { bringUpText } from '../../course/bench-work';
import type { HouseRules } from '../../course/house-rules';
import { asksForProgram, type Exercise } from '../../formats/exercise';
import { gapPlaces, gapsOf } from '../../formats/gaps';
import { explainProgram } from '../../generated/explain';
import { givenProgram } from '../../generated/given';
import type { NumberQuestion } from '../../generated/questions';
import type { Task } from '../../generated/task';
import { cautionsOf } from '../../plan/cautions';
import type { Grammars } from '../../program';
import { capital, listText } from '../../words/words';
import type { Block, ProgramLine, Section } from '../document';

export function bringUp(exercise: Exercise, rules: HouseRules): Section {
  const { board } = exercise;
  const { packages, libraries, waits, harmlessMessages, bySystem } = board.bringUp;
  return {
    title: 'Onto the board',
    blocks: [
      { type: 'text', text: bringUpText(board, rules) },
      ...cautionsOf(exercise, [])
        .filter(({ step }) => step === 'bring-up')
        .map(({ text }): Block => ({ type: 'caution', text })),
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
export function program(
  exercise: Exercise,
  rules: HouseRules,
  grammars: Grammars,
  isTeaching: boolean,
): Section | undefined {
  if (!asksForProgram(exercise)) return undefined;
  if (isTeaching) {
    const says = new Map(explainProgram(exercise, grammars).map((line) => [line.line, line.says]));
    const left = rules.programGiven === 'gaps' ? gapAnswers(exercise) : [];
    return {
      title: 'Program, with what each line does',
      blocks: [
        listing(exercise.data.program, (line) => says.get(line)),
        ...(left.length > 0
          ? ([
              { type: 'text', text: 'What belongs in the gaps:' },
              { type: 'list', marks: 'dots', items: left },
            ] as const)
          : []),
      ],
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

/** What an author has left out for learners to fill in, by its line. */
const gapAnswers = ({ data }: Exercise): readonly string[] =>
  gapPlaces(data.program, gapsOf(data)).map(
    ({ from, to }) =>
      `Line ${data.program.slice(0, from).split('\n').length}: ${data.program.slice(from, to)}`,
  );

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

export function seen({ runs, marked }: Task): Section {
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
export function predictions(
  { data }: Exercise,
  questions: readonly NumberQuestion[],
  isTeaching: boolean,
): Section {
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
