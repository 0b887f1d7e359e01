import type { Exercise } from '../formats/exercise';
import { pick, randomFrom } from '../random';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import type { Wiring } from '../wiring/wiring';
import { boardsOf } from '../formats/exercise';
import { courseExercises } from './course';
import { slipped, tokensOf } from './slips';

/** A build that somebody might hand in who has slipped in the wiring, in the program, or in both. */
export interface MutatedBuild {
  readonly what: string;
  readonly exercise: Exercise;
  readonly wiring: Wiring;
  readonly source: string;
}

/** Moves ends by rows or to other sockets, exchanges them, or takes rows away; what can still be read. */
function mutatedTable(random: () => number, table: string): string {
  const [header, ...rows] = table.trimEnd().split('\n');
  const times = 1 + Math.floor(random() * 3);
  for (let time = 0; time < times; time += 1) {
    const at = Math.floor(random() * rows.length);
    const cells = rows[at]!.split(',');
    switch (Math.floor(random() * 5)) {
      case 0:
        cells[4] = (cells[4] ?? '').replace(/\d+$/, (row) =>
          String(Math.max(1, Number(row) + pick(random, [-2, -1, 1, 2]))),
        );
        break;
      case 1: {
        const other = Math.floor(random() * rows.length);
        const theirs = rows[other]!.split(',');
        [cells[4], theirs[4]] = [theirs[4] ?? '', cells[4] ?? ''];
        rows[other] = theirs.join(',');
        break;
      }
      case 2:
        cells[2] = pick(random, ['33', '10k', 'red', '', '1M', 'common-anode']);
        break;
      case 3:
        cells[4] = '';
        break;
      default:
        rows.splice(at, 1);
        continue;
    }
    rows[at] = cells.join(',');
  }
  return `${[header, ...rows].join('\n')}\n`;
}

function mutatedSource(random: () => number, source: string): string {
  if (random() < 0.6) return slipped(random, [source]);
  const tokens = [...tokensOf(source)];
  for (let time = 0; time < 3; time += 1) {
    const at = Math.floor(random() * tokens.length);
    if (random() < 0.5) tokens.splice(at, 1);
    else tokens.splice(at, 0, pick(random, tokens));
  }
  return tokens.join('');
}

/** So many builds of all exercises of the course that can be read, the same ones for the same seed. */
export function mutatedBuilds(seed: number, count: number): readonly MutatedBuild[] {
  const random = randomFrom(seed);
  const builds: MutatedBuild[] = [];
  for (let number = 0; builds.length < count; number += 1) {
    const { name, exercise } = courseExercises[number % courseExercises.length]!;
    const [hitsWiring, hitsProgram] = pick(random, [
      [true, false],
      [false, true],
      [true, true],
    ] as const);
    const table = writeTable(exercise.reference);
    const read = readWiring(hitsWiring ? mutatedTable(random, table) : table, {
      boards: boardsOf(exercise.data),
    });
    const source = hitsProgram ? mutatedSource(random, exercise.data.program) : exercise.data.program;
    if (read.ok) builds.push({ what: `${name}, build ${number}`, exercise, wiring: read.value, source });
  }
  return builds;
}
