import { isBoard } from '../boards';
import { asksForProgram, type Exercise } from '../formats/exercise';
import { kindOf } from '../parts';
import { looksLikeInput } from '../wiring/inputs';
import { referencePins } from '../formats/exercise';
import { Circuit } from '../wiring/circuit';
import { withArticle } from '../words/words';

/** Challenges of the author's own, in an exercise's text. */
const OWN = 'challenges';

/** The author's own challenges, as they were written. */
export function ownChallenges({ text }: Exercise['data']): readonly string[] {
  const given = text[OWN];
  return typeof given === 'string'
    ? given
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '')
    : [];
}

/**
 * A ladder of challenges beyond an exercise, each a little harder: another number, another rule, another part. The author's own
 * stand in their stead where there are any.
 */
export function challengesOf(exercise: Exercise): readonly string[] {
  const own = ownChallenges(exercise.data);
  if (own.length > 0) return own;
  if (!asksForProgram(exercise)) return [];
  return [number(exercise), rule(exercise), part(exercise), withoutPause(exercise)].filter(
    (challenge) => challenge !== undefined,
  );
}

function number({ data }: Exercise): string | undefined {
  for (const { expect } of data.scenarios)
    for (const expectation of expect)
      if ('rhythm' in expectation && 'lamp' in expectation) {
        const [on, off] = expectation.rhythm;
        if (on !== undefined && off !== undefined && on !== off)
          return `Let ${expectation.lamp} be lit for ${off} s and dark for ${on} s.`;
        if (on !== undefined) return `Let ${expectation.lamp} go twice as fast.`;
      }
  return undefined;
}

function rule({ reference }: Exercise): string | undefined {
  const touched = reference.parts.find(({ kind }) => kindOf(kind).stimulus !== undefined);
  if (!touched) return undefined;
  const { title } = kindOf(touched.kind);
  return `Turn the rule round: what happened with the ${title} ${touched.ref} one way now happens the other way.`;
}

/** A second one of what is seen, on a pin that is free. */
function part(exercise: Exercise): string | undefined {
  const { reference, board } = exercise;
  if (!isBoard(board)) return undefined;
  const light = reference.parts.find(({ kind }) => kindOf(kind).observed === 'light');
  const used = new Set(referencePins(exercise));
  const free = board.pins.find(
    ({ name, functions }) =>
      !used.has(name) && functions.includes('digital') && !functions.includes('serial'),
  );
  if (!light || !free) return undefined;
  return `Add ${withArticle(kindOf(light.kind).describe(light.value))} with its resistor on pin ${free.name}, lit exactly when ${light.ref} is dark. Draw it before you build it.`;
}

function withoutPause(exercise: Exercise): string | undefined {
  const circuit = new Circuit(exercise.reference);
  const hasInput = referencePins(exercise).some((pin) => looksLikeInput(circuit, pin));
  return hasInput && /\b(delay|sleep(_ms)?)\s*\(/.test(exercise.data.program)
    ? 'Do it without any pause, so that no press is ever missed.'
    : undefined;
}
