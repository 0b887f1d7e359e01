import type { ExerciseData } from '../formats/exercise';
import { kindOf } from '../parts';

/** A concept as an exercise of the course has it. */
export interface LadderConcept {
  readonly concept: string;
  /** `new`: taught here. `known`: taught before. `early`: used here and taught later or never. */
  readonly standing: 'new' | 'known' | 'early';
  /** Title of the exercise that teaches it, when another does. */
  readonly taughtBy: string | undefined;
}

/** One rung of a course's ladder. */
export interface Rung {
  readonly concepts: readonly LadderConcept[];
  /** Parts that are there from the exercise before, and those that come in. */
  readonly carriedOver: readonly string[];
  readonly added: readonly string[];
  /** Parts of the exercise before that are not there any more. */
  readonly left: readonly string[];
}

type Laddered = Pick<ExerciseData, 'title' | 'concepts' | 'parts'>;

/** The exercises of a course in their order, each with how it stands on those before it. */
export function ladderOf(exercises: readonly Laddered[]): readonly Rung[] {
  const teacher = new Map<string, number>();
  exercises.forEach(({ concepts }, index) => {
    for (const concept of concepts.introduces) if (!teacher.has(concept)) teacher.set(concept, index);
  });
  return exercises.map((exercise, index) => {
    const { introduces, uses } = exercise.concepts;
    const before = index === 0 ? undefined : exercises[index - 1];
    const [now, then] = [counted(exercise), before ? counted(before) : new Map<string, number>()];
    return {
      concepts: [
        ...introduces.map((concept): LadderConcept => {
          const first = teacher.get(concept)!;
          return first === index
            ? { concept, standing: 'new', taughtBy: undefined }
            : { concept, standing: 'known', taughtBy: exercises[first]!.title };
        }),
        ...uses
          .filter((concept) => !introduces.includes(concept))
          .map((concept): LadderConcept => {
            const first = teacher.get(concept);
            return {
              concept,
              standing: first !== undefined && first < index ? 'known' : 'early',
              taughtBy: first === undefined ? undefined : exercises[first]!.title,
            };
          }),
      ],
      carriedOver: shared(now, then),
      added: surplus(now, then),
      left: surplus(then, now),
    };
  });
}

/** Parts that are counted into bags, by what they are. */
function counted({ parts }: Laddered): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { kind, value } of parts) {
    if (kind === 'board' || kind === 'breadboard') continue;
    const read = kindOf(kind).readValue(value);
    const name = read.ok ? kindOf(kind).describe(read.value) : `${value} ${kind}`;
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return counts;
}

const phrase = (name: string, count: number): string => (count === 1 ? name : `${count} × ${name}`);

const shared = (one: ReadonlyMap<string, number>, other: ReadonlyMap<string, number>): readonly string[] =>
  [...one].flatMap(([name, count]) => {
    const both = Math.min(count, other.get(name) ?? 0);
    return both > 0 ? [phrase(name, both)] : [];
  });

/** What one has more of than the other. */
const surplus = (one: ReadonlyMap<string, number>, other: ReadonlyMap<string, number>): readonly string[] =>
  [...one].flatMap(([name, count]) => {
    const more = count - (other.get(name) ?? 0);
    return more > 0 ? [phrase(name, more)] : [];
  });
