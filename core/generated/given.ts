import type { HouseRules } from '../course/house-rules';
import { asksForProgram, languageOf, type Exercise } from '../formats/exercise';
import { gapPlaces, gapsOf, withGapsOpen } from '../formats/gaps';
import { diagnosticProgram } from './diagnostic';
import { hookupOf } from './hookup';
import { starterProgram } from './starter';

/**
 * The program that a learner finds at the bench: an example that works and does something else, one with gaps, or
 * nothing, as the course says. It follows from the connections alone; of the reference program there is only what an
 * author has left between gaps of their own.
 */
export function givenProgram(
  exercise: Exercise,
  { programGiven, nameStyle, pinNames }: Pick<HouseRules, 'programGiven' | 'nameStyle' | 'pinNames'>,
): string {
  if (programGiven === 'nothing' || !asksForProgram(exercise)) return '';
  const gaps = programGiven === 'gaps' ? gapsOf(exercise.data) : [];
  if (gapPlaces(exercise.data.program, gaps).length > 0) return withGapsOpen(exercise.data.program, gaps);
  const pins = hookupOf(exercise.reference, exercise.board);
  const writing = {
    title: exercise.data.title,
    language: languageOf(exercise),
    names: nameStyle,
    pinNames,
  };
  return programGiven === 'gaps'
    ? starterProgram(pins, writing, 'gaps')
    : diagnosticProgram(pins, writing, [
        exercise.data.title,
        'Tries each part in turn.',
        'Make it do what is asked.',
      ]);
}
