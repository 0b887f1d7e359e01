import type { Exercise } from '../../formats/exercise';
import { kindOf } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import { legPoint, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { correspondence } from '../compare';
import type { Examination } from '../examine';
import { Target } from './target';

/** The built part for each part of an exercise, by name. */
type Pairs = ReadonlyMap<string, PlacedPart>;

/**
 * Parts at wrong places up to which equal ones are tried in each other's stead: where a whole row of them is wrong, what they
 * are joined to is in the wrong place, such as an LED bar.
 */
const MOST_TRIED = 4;

/**
 * The circuit that is wanted, with each of several equal parts standing for the one that makes it nearest: of two equal
 * resistors nobody says which is which, and a name in a record is no place on the breadboard. Parts that are seen or
 * handled have names that the scenarios use, and keep them.
 */
export function nearestTarget(exercise: Exercise, asked: Wiring, built: Wiring, pairs: Pairs): Target {
  let target = new Target(exercise, asked, built, pairs);
  let distance = target.distance(built);
  let now = pairs;
  const look = target.look(built);
  const tried = [...pairs].filter(([, part]) => {
    const { observed, stimulus } = kindOf(part.kind);
    const isHandled = observed !== undefined || stimulus !== undefined;
    return !isHandled && part.legs.some(({ leg }) => look.isWrong(look.rootOf(legPoint(part.ref, leg))));
  });
  if (tried.length > MOST_TRIED) return target;
  for (const [index, [one, part]] of tried.entries())
    for (const [other, like] of tried.slice(index + 1)) {
      if (part.kind !== like.kind || part.value.text !== like.value.text) continue;
      const exchanged = new Map([...now, [one, now.get(other)!], [other, now.get(one)!]]);
      const candidate = new Target(exercise, asked, built, exchanged);
      const away = candidate.distance(built);
      if (away >= distance) continue;
      [target, distance, now] = [candidate, away, exchanged];
    }
  return target;
}

type Known = Pick<Examination, 'match' | 'circuit' | 'pairs'>;

/**
 * Built parts by the part of the exercise that has their name and their value, where that is not how the two are paired.
 */
export function pairedByName(asked: Circuit, { match, circuit, pairs }: Known): Pairs | undefined {
  const byName = correspondence(asked, circuit, { ...match, parts: new Map() });
  return areUnlike(byName, pairs) ? byName : undefined;
}

/**
 * The same by names alone, where two parts have each other's value: the one may be where the other one belongs. Nothing
 * where a name that the exercise has is missing.
 */
export function pairedByNameAlone(asked: Circuit, { circuit, pairs }: Known): Pairs | undefined {
  const byName = new Map<string, PlacedPart>();
  for (const { ref, kind } of asked.parts) {
    const part = circuit.part(ref);
    if (part?.kind !== kind) return undefined;
    byName.set(ref, part);
  }
  return areUnlike(byName, pairs) ? byName : undefined;
}

const areUnlike = (one: Pairs, other: Pairs): boolean =>
  [...one].some(([name, part]) => other.get(name) !== part);

/** Some pairings, each once. */
export const differentPairings = (all: readonly (Pairs | undefined)[]): readonly Pairs[] =>
  all.reduce<readonly Pairs[]>(
    (kept, one) => (one && kept.every((other) => areUnlike(one, other)) ? [...kept, one] : kept),
    [],
  );
