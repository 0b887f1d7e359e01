import type { TextEdit } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { languageOf, referencePins } from '../formats/exercise';
import { Examiner, type Examination } from '../judge/examine';
import { referenceOf } from '../judge/reference';
import { type Grammars } from '../program';
import { tokenize } from '../program/cpp/tokens';
import { applyTextEdit } from '../program/problem';
import { pythonLines } from '../program/python/lines';
import type { Token } from '../program/token';
import { programFor } from '../judge/build';

/** One number of the reference program changed, and what then happens; said before it is tried. */
export interface NumberQuestion {
  readonly edit: TextEdit;
  /** `In line 9, 500 becomes 1000. What will be seen?` */
  readonly ask: string;
  /** What the changed program does, as far as it does otherwise. */
  readonly answer: readonly string[];
}

/** Programs that are tried at most, and steps that each may run. */
const MOST_TRIES = 14;
const STEPS = 400_000;
/** Numbers that are more than a count or a level; with smaller ones little can be predicted. */
const SMALLEST = 2;

/**
 * Questions of the kind “change one number, say first what will happen, then try”: numbers of the reference
 * program that matter to what its scenarios watch, each doubled or halved, with the answer from running it; in the
 * order of the program.
 */
export function numberQuestions(exercise: Exercise, grammars: Grammars, most = 4): readonly NumberQuestion[] {
  const { program: source } = exercise.data;
  const examiner = new Examiner(referenceOf(exercise, grammars));
  const before = run(examiner, source, grammars);
  if (!before || exercise.data.scenarios.length === 0) return [];
  const found: NumberQuestion[] = [];
  let tries = 0;
  for (const token of numbersIn(exercise))
    for (const value of otherValues(token.text)) {
      if (found.length >= most || tries >= MOST_TRIES) return found;
      tries += 1;
      const edit = { line: token.line, column: token.column, length: token.text.length, by: value };
      const after = run(examiner, applyTextEdit(source, edit), grammars);
      const answer = after && differences(before, after);
      // A number that stands for a pin breaks the wiring; that is no question about behaviour.
      if (!answer || answer.length === 0 || pinsOf(after) !== pinsOf(before)) continue;
      found.push({
        edit,
        ask: `In line ${token.line}, ${token.text} becomes ${value}. What will be seen?`,
        answer,
      });
      break;
    }
  return found;
}

/** How a program does on the reference's own wiring. */
type Results = Pick<Examination, 'scenarios' | 'traces'>;

/** The pins that a program uses, as one text. */
const pinsOf = ({ traces }: Results): string =>
  [
    ...new Set(
      traces.flatMap((trace) => [
        ...trace.pins.keys(),
        ...trace.reads.keys(),
        ...trace.unknownPins.map(({ number }) => `unknown ${number}`),
      ]),
    ),
  ]
    .sort()
    .join();

function run(examiner: Examiner, source: string, grammars: Grammars): Results | undefined {
  const { exercise } = examiner.reference;
  const program = programFor(exercise, source, grammars);
  return examiner.results({ wiring: exercise.reference, program }, STEPS);
}

function numbersIn(exercise: Exercise): readonly Token[] {
  const { program: source } = exercise.data;
  const tokens =
    languageOf(exercise) === 'python'
      ? pythonLines(source).lines.flatMap((line) => line.tokens)
      : tokenize(source).tokens;
  const numbers = tokens.filter(
    ({ kind, text }) => kind === 'number' && (Number(text) >= SMALLEST || text.includes('.')),
  );
  // What may stand for a pin seldom makes a question, and is tried where there is nothing else.
  const pins = new Set(referencePins(exercise));
  const others = numbers.filter(({ text }) => !pins.has(text));
  return others.length > 0 ? others : numbers;
}

/** Twice as much and half as much, as a person would write it. */
const otherValues = (text: string): readonly string[] =>
  Number.isFinite(Number(text))
    ? [Number(text) * 2, Number(text) / 2]
        .filter((value) => text.includes('.') || Number.isInteger(value))
        .map(String)
    : [];

/** What is observed otherwise, by scenario. */
function differences(before: Results, after: Results): readonly string[] {
  const several = before.scenarios.length > 1;
  return after.scenarios.flatMap((scenario, index) =>
    scenario.expectations.flatMap(({ expected, observed }, at) => {
      const was = before.scenarios[index]?.expectations[at]?.observed;
      if (was === undefined || was === observed) return [];
      const subject = /^[\w.]+/.exec(expected)?.[0] ?? '';
      return [`${several ? `${scenario.name}: ` : ''}${subject} ${observed}; before, ${was}`];
    }),
  );
}
