import { isBoard, type BoardProfile } from '../boards';
import type { Exercise } from '../formats/exercise';
import { batterySort, isPowerSource, kindOf } from '../parts';
import { cautionsOf } from '../plan/cautions';
import type { PlacedPart } from '../wiring/wiring';
import { howMany, listText } from '../words/words';

/** What is ticked off around a meeting. */
export interface Checklists {
  /** Before anybody comes, at the start, and for packing up. */
  readonly before: readonly string[];
  readonly start: readonly string[];
  readonly end: readonly string[];
}

/** The lists of a meeting, each line of which follows from its exercises. */
export function checklistsOf(exercises: readonly Exercise[], benches: number): Checklists {
  const parts = exercises.flatMap(({ reference }) => reference.parts);
  const boards = new Map(
    exercises.filter(({ board }) => isBoard(board)).map(({ board }) => [board.id, board] as const),
  );
  const centred = sorts(parts.filter(({ kind, value }) => kindOf(kind).spokenTo?.(value) === 'angle'));
  const sources = sorts(parts.filter(isPowerSource));
  const every = (part: PlacedPart, count: number): string =>
    `every ${kindOf(part.kind).describe(part.value)}, ${benches * count} in all`;
  const hazards = [...new Set(parts.flatMap(({ kind }) => kindOf(kind).hazards))];
  return {
    before: [
      ...[...boards.values()].flatMap((board) => boardLines(board, benches)),
      ...centred.map(
        ([part, count]) => `Centre ${every(part, count)}: at 90°, before anything is screwed on.`,
      ),
      ...sources.map(([part, count]) => {
        const { volts } = isBattery(part) ? batterySort(part.value) : { volts: undefined };
        return volts === undefined
          ? `Set and try ${every(part, count)}.`
          : `Measure ${every(part, count)}: at least ${volts} V. Charge or change what has less.`;
      }),
      ...exercises.flatMap(({ data }) =>
        (data.calibrations ?? []).map(
          ({ name, unit }) => `Have a sheet for ${name}${unit && ` in ${unit}`} at each bench.`,
        ),
      ),
      `Pack ${howMany(benches, 'bag')}, and the spares apart.`,
      `Print ${howMany(benches, 'handout')} of ${listText(exercises.map(({ data }) => data.title))}, and one instructor’s copy.`,
    ],
    start: [
      boards.size > 0 ? 'Every board is unplugged.' : 'Every battery is off.',
      'Each bench has its bag, and has said what is missing.',
      'Everybody is signed in at their bench.',
      ...hazards,
    ],
    end: [
      'Programs are handed in, or saved under their names.',
      boards.size > 0 ? 'Boards are unplugged, cables rolled up.' : 'Batteries are out.',
      ...(sources.length > 0 ? ['Batteries are out of everything, and counted.'] : []),
      ...new Set(
        exercises.flatMap((exercise) =>
          cautionsOf(exercise, [])
            .filter(({ isOwn, text }) => isOwn && /after|end|pack/i.test(text))
            .map(({ text }) => text),
        ),
      ),
      `${howMany(benches, 'bag')} back and counted; what is broken or lost is written down.`,
    ],
  };
}

function boardLines(board: BoardProfile, benches: number): readonly string[] {
  const { packages, libraries, bySystem } = board.bringUp;
  return [
    board.onBoard.length > 0
      ? `Load a blinking program on each ${board.short}, ${benches} in all: its own LED blinks. Mark those that do not.`
      : `Load a program on each ${board.short}, ${benches} in all. Mark those that do not take it.`,
    ...(packages.length + libraries.length > 0
      ? [`On each computer: ${listText([...packages, ...libraries])}.`]
      : []),
    ...bySystem.map(({ system, driver }) => `Driver, ${system.replaceAll('-', ' ')}: ${driver}`),
  ];
}

const isBattery = ({ kind }: PlacedPart): boolean => kindOf(kind).body === 'cell';

/** Parts that are alike, with how many there are on a bench. */
function sorts(parts: readonly PlacedPart[]): readonly (readonly [PlacedPart, number])[] {
  const found = new Map<string, readonly [PlacedPart, number]>();
  for (const part of parts) {
    const key = `${part.kind} ${part.value.text}`;
    found.set(key, [part, (found.get(key)?.[1] ?? 0) + 1]);
  }
  return [...found.values()];
}
