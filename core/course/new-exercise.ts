import { isBoard } from '../boards';
import type { ExerciseData } from '../formats/exercise';
import type { HouseRules } from './house-rules';

/** An exercise with a board, a half breadboard and nothing else, in the language that its course begins in. */
export const emptyExercise = (
  id: string,
  title: string,
  board: string,
  language: HouseRules['language'] = 'board',
): ExerciseData => ({
  format: 'didaktor/exercise@1',
  id,
  title,
  aim: '',
  concepts: { introduces: [], uses: [] },
  board,
  ...(language === 'board' ? {} : { language }),
  parts: [
    ...(isBoard({ id: board }) ? [{ ref: 'U1', kind: 'board', value: board }] : []),
    { ref: 'B1', kind: 'breadboard', value: 'half' },
  ],
  nets: [],
  lines: [],
  free: {},
  program: '',
  scenarios: [],
  rules: {},
  text: {},
  cautions: [],
});
