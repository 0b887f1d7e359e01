import type { Observation } from '../findings/finding';
import { kindOf } from '../parts';
import { nameOf } from '../wiring/wiring';
import type { ComparingRule } from './subject';
import { partText, placeText } from '../wiring/words';
import { capital } from '../words/words';

/** Layouts that work and that the exercise’s own house rules do differently. */
export const layoutConventions: ComparingRule = ({ circuit }, { exercise }) => {
  if (exercise.data.rules['cathode'] !== 'own-row') return [];
  return circuit.parts.flatMap((part): readonly Observation[] => {
    if (kindOf(part.kind).body !== 'dome') return [];
    const short = part.legs[1]?.at;
    if (short?.type !== 'rail') return [];
    return [
      {
        code: 'layout-convention',
        severity: 'advice',
        refs: [part.ref],
        at: [nameOf(short)],
        message: `${capital(partText(part))} has its short leg straight in ${placeText(short)}. It works, but in this course every leg gets a row of its own.`,
        hints: [
          `Where does the drawing put the short leg?`,
          `The short leg of ${part.ref} is in a rail.`,
          `Put the short leg in a row of its own, and connect that row to the rail.`,
        ],
      },
    ];
  });
};
