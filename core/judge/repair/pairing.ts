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
 * The circuits that may be wanted, first with each of several equal parts standing for the one that makes it nearest: of
 * two equal resistors nobody says which is which, and a name in a record is no place on the breadboard. Parts that are
 * seen or handled have names that the scenarios use, and keep them. Then with all of them paired as given, where that is
 * another one: what makes it nearest may be another slip.
 */
export function targetsFor(
  exercise: Exercise,
  asked: Wiring,
  built: Wiring,
  pairs: Pairs,
): readonly Target[] {
  const given = new Target(exercise, asked, built, pairs);
  const look = given.look(built);
  const tried = [...pairs].filter(([, part]) => {
    const { observed, stimulus } = kindOf(part.kind);
    const isHandled = observed !== undefined || stimulus !== undefined;
    return !isHandled && part.legs.some(({ leg }) => look.isWrong(look.rootOf(legPoint(part.ref, leg))));
  });
  if (tried.length > MOST_TRIED) return [given];
  let nearest = given;
  let distance = given.distance(built);
  let now = pairs;
  for (const [index, [one, part]] of tried.entries())
    for (const [other, like] of tried.slice(index + 1)) {
      if (part.kind !== like.kind || part.value.text !== like.value.text) continue;
      const exchanged = new Map([...now, [one, now.get(other)!], [other, now.get(one)!]]);
      const candidate = new Target(exercise, asked, built, exchanged);
      const away = candidate.distance(built);
      if (away >= distance) continue;
      [nearest, distance, now] = [candidate, away, exchanged];
    }
  return nearest === given ? [given] : [nearest, given];
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
 * where a name stands for another kind of part, or the build has a part of the kind under a name of its own.
 */
export function pairedByNameAlone(asked: Circuit, { circuit, pairs }: Known): Pairs | undefined {
  const names = new Set(asked.parts.map(({ ref }) => ref));
  const otherwise = new Set(circuit.parts.filter(({ ref }) => !names.has(ref)).map(({ kind }) => kind));
  const byName = new Map<string, PlacedPart>();
  for (const { ref, kind } of asked.parts) {
    const part = circuit.part(ref);
    if (part ? part.kind !== kind : otherwise.has(kind)) return undefined;
    if (part) byName.set(ref, part);
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
