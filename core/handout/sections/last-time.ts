import { boardsOf, type Exercise } from '../../formats/exercise';
import type { HouseRules } from '../../course/house-rules';
import { kindOf } from '../../parts';
import { changeSteps } from '../../plan/build-steps';
import { readWiring } from '../../wiring/read';
import type { PlacedPart, Wiring } from '../../wiring/wiring';
import { listText } from '../../words/words';
import type { Block, Section } from '../document';

/** The build that stands there from before. */
export interface LastBuild {
  readonly title: string;
  readonly wiring: Wiring;
}

/** The build that an exercise goes on with: what it was made from, else the one before it, where any of that stays. */
export function lastBuildOf(exercise: Exercise, before: Exercise | undefined): LastBuild | undefined {
  const { basedOn } = exercise.data;
  if (basedOn) {
    const read = readWiring(basedOn.layout, { boards: boardsOf(exercise.data) });
    if (read.ok) return { title: basedOn.title, wiring: read.value };
  }
  return before?.board.id === exercise.board.id
    ? { title: before.data.title, wiring: before.reference }
    : undefined;
}

/** From the last build to this one: what stays, what is taken out and goes back into the box, what moves, what is new. */
export function fromLastTime(
  { reference }: Exercise,
  last: LastBuild | undefined,
  { wiringOrder }: Pick<HouseRules, 'wiringOrder'>,
): Section | undefined {
  if (!last) return undefined;
  const steps = changeSteps(last.wiring, reference, wiringOrder);
  const changed = new Set(steps.flatMap(({ deed, ref }) => (deed === 'remove' ? [] : [ref])));
  const stays = reference.parts.filter(({ ref }) => !changed.has(ref));
  // Where nothing stays there is nothing to go on with: the build is taken apart, and begun from the first step.
  if (!stays.some((part) => !kindOf(part.kind).conductor)) return undefined;
  const list = (deed: 'remove' | 'move' | 'add'): readonly string[] =>
    steps.filter((step) => step.deed === deed).map(({ text }) => text);
  const part = (title: string, items: readonly string[]): readonly Block[] =>
    items.length === 0
      ? []
      : [
          { type: 'text', text: title },
          { type: 'list', marks: 'boxes', items },
        ];
  const back = steps.flatMap(({ deed, ref }) => {
    const gone = deed === 'remove' ? last.wiring.parts.find((one) => one.ref === ref) : undefined;
    return gone ? [gone] : [];
  });
  return {
    title: `If ${last.title} still stands`,
    blocks: [
      {
        type: 'text',
        text: `Go on with it instead of building anew. These stay: ${listText(stays.map(({ ref }) => ref))}.`,
      },
      ...part('Take out:', list('remove')),
      ...part('Move:', list('move')),
      ...part('Put in:', list('add')),
      ...(back.length > 0
        ? [{ type: 'text', text: `Back into the box: ${listText(counted(back))}.` } as const]
        : []),
    ],
  };
}

/** Parts of one sort together: `2 × yellow wire`. */
function counted(parts: readonly PlacedPart[]): readonly string[] {
  const counts = new Map<string, number>();
  for (const { kind, value } of parts) {
    const name = kindOf(kind).describe(value);
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return [...counts].map(([name, count]) => (count === 1 ? name : `${count} × ${name}`));
}
