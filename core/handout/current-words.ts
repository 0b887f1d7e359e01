import type { CurrentPath } from '../electrics/paths';
import { kindOf } from '../parts';
import type { Circuit } from '../wiring/circuit';
import { shortNameOf, type Point } from '../wiring/wiring';
import { withArticle } from '../words/words';

/** The way of a current in a sentence: `From pin 13 through the yellow wire W1, the amber LED D1, … to GND.` */
export function pathSentence({ steps, isComplete }: CurrentPath, circuit: Circuit): string {
  const [first] = steps;
  const last = steps.at(-1);
  if (first?.type !== 'start' || !isComplete || last?.type !== 'arrives') return '';
  const through = steps.flatMap((step): readonly string[] => {
    if (step.type !== 'wire' && step.type !== 'part') return [];
    const part = circuit.part(step.ref);
    return part ? [`the ${kindOf(part.kind).describe(part.value)} ${part.ref}`] : [];
  });
  return `From ${placeWords(first.at)} through ${through.join(', then ')}, and home to ${placeWords(last.at)}.`;
}

const placeWords = (at: Point): string =>
  at.type === 'pin'
    ? /^\d|^A\d/.test(at.pin)
      ? `pin ${at.pin}`
      : at.pin
    : at.type === 'leg'
      ? `${withArticle(String(at.leg))} of ${at.ref}`
      : shortNameOf(at);
