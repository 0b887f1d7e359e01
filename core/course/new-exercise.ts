import type { ExerciseData } from '../formats/exercise';

/** An exercise with a board, a half breadboard and nothing else. */
export const emptyExercise = (id: string, title: string, board: string): ExerciseData => ({
  format: 'didaktor/exercise@1',
  id,
  title,
  aim: '',
  concepts: { introduces: [], uses: [] },
  board,
  parts: [
    { ref: 'U1', kind: 'board', value: board },
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
