import { preparedText } from '../../program/cpp/prepared';
import { lineWordsIn, lineWordsOf } from '../../formats/line-words';
import { languageOf, type Exercise } from '../../formats/exercise';
import { compileProgram, type Grammars } from '../../program';
import { circuitWords } from './circuit-words';
import { explainCpp } from './cpp';
import { explainPython } from './python';

/** What one line of a program does, in a beginner's words. */
export interface LineExplanation {
  /** Counted from 1. */
  readonly line: number;
  readonly says: string;
}

const levelWords = {
  cpp: { high: 'HIGH', low: 'LOW' },
  python: { high: 'True', low: 'False' },
} as const;

/**
 * Explains an exercise's program line by line, from its tree and from what hangs on each pin. Lines that only
 * close something, are empty or are remarks of the author's have none; a program that does not compile has none
 * at all. Where the author says it in words of their own, these stand.
 */
export function explainProgram(exercise: Exercise, grammars: Grammars): readonly LineExplanation[] {
  const { board, data, reference } = exercise;
  const language = languageOf(exercise);
  if (!compileProgram(data.program, board, grammars, language).compiled) return [];
  const circuit = circuitWords(reference, board, levelWords[language]);
  const said = new Map<number, string[]>();
  const say = (line: number, sentence: string): void => {
    said.set(line, [...(said.get(line) ?? []), sentence]);
  };
  if (language === 'python')
    grammars.python(data.program, (root) => explainPython(root, { board, circuit, say }));
  else grammars.cpp(preparedText(data.program, board), (root) => explainCpp(root, { board, circuit, say }));
  const own = lineWordsIn(data.program, lineWordsOf(data));
  for (const [line, { says }] of own) said.set(line, [says]);
  return [...said]
    .map(([line, sentences]) => ({ line, says: [...new Set(sentences)].join(' ') }))
    .sort((one, other) => one.line - other.line);
}
