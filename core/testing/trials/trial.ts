import type { Finding } from '../../findings/finding';
import { boardsOf, type Exercise } from '../../formats/exercise';
import { hasPassed, type Report } from '../../formats/report';
import { check } from '../../judge/check';
import { buildFor, type Build } from '../../judge/build';
import { examine, type Examination } from '../../judge/examine';
import { referenceOf } from '../../judge/reference';
import { edited } from '../../judge/repair/edited';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import { grammars } from '../beacon';
import type { Fault } from '../../faults/fault';

/** What is said of a build with slips in it, and what comes of doing what is said. */
export interface Trial {
  readonly report: Report;
  readonly causes: readonly Finding[];
  /** The build with the repairs of all its causes made; `undefined` when a cause has none. */
  readonly mended: Examination | undefined;
  /** Whether a cause names each slip as an expert would. */
  readonly isNamed: boolean;
  /** Whether for each slip a cause, or its repair, is about what the slip was made with. */
  readonly isPlaced: boolean;
  /** Whether the repairs make the build pass. */
  readonly isMended: boolean;
  /** Whether they make it the very build that was asked for, with no cause more than there were slips. */
  readonly isAsAsked: boolean;
}

const buildOf = (exercise: Exercise, { wiring, program }: Pick<Fault, 'wiring' | 'program'>): Build =>
  buildFor(exercise, wiring, program, grammars);

/** Whether a slip keeps a build from working at all. */
export const isHarmful = (exercise: Exercise, fault: Fault): boolean =>
  !hasPassed(examine(referenceOf(exercise, grammars), buildOf(exercise, fault)).verdict);

/** Has a build with `slips` in it judged, and does what is said. */
export function triedOn(
  exercise: Exercise,
  build: Pick<Fault, 'wiring' | 'program'>,
  slips: readonly Fault[],
): Trial {
  const report = check(exercise, buildOf(exercise, build), grammars);
  const causes = report.findings.filter(({ cause }) => cause);
  const mended = mendedBy(exercise, build, causes);
  const [first] = causes;
  const fits = (cause: Finding, slip: Fault): boolean => slip.codes.includes(cause.code);
  // The first cause has to be right where there is one slip; with several each has its own.
  const candidates = slips.length === 1 && first ? [first] : causes;
  const isMended = mended !== undefined && hasPassed(mended.verdict);
  return {
    report,
    causes,
    mended,
    isNamed: slips.every((slip) => candidates.some((cause) => fits(cause, slip))),
    isPlaced: slips.every((slip) => candidates.some((cause) => isAbout(cause, slip))),
    isMended,
    isAsAsked: isMended && mended.verdict === 'as-drawn' && causes.length <= slips.length,
  };
}

function mendedBy(
  exercise: Exercise,
  { wiring, program }: Pick<Fault, 'wiring' | 'program'>,
  causes: readonly Finding[],
): Examination | undefined {
  const edits = causes.map(({ repair }) => repair?.edits);
  if (edits.length === 0 || edits.includes(undefined)) return undefined;
  const after = edited(
    { table: writeTable(wiring), program },
    edits.flatMap((own) => own ?? []),
  );
  const read = readWiring(after.table, { boards: boardsOf(exercise.data) });
  if (!read.ok) throw new Error(`a repair cannot be made: ${read.problems[0]!.message}\n${after.table}`);
  const build = buildOf(exercise, { wiring: read.value, program: after.program });
  return examine(referenceOf(exercise, grammars), build);
}

/** Names of the parts that a repair moves, turns, takes out or puts in. */
export const partsMended = ({ repair }: Finding): readonly string[] =>
  (repair?.edits ?? []).flatMap((edit) =>
    'move' in edit
      ? [edit.move.slice(0, edit.move.indexOf('.'))]
      : 'flip' in edit
        ? [edit.flip]
        : 'value' in edit
          ? [edit.value]
          : 'remove' in edit
            ? [edit.remove]
            : 'add' in edit
              ? [edit.add.slice(0, edit.add.indexOf(','))]
              : [],
  );

/** Whether a cause, or its repair, is about what a slip was made with. */
function isAbout(cause: Finding, { line, refs }: Fault): boolean {
  if (line === undefined) {
    const own: readonly string[] = refs;
    return [...cause.refs, ...partsMended(cause)].some((ref) => own.includes(ref));
  }
  const lines = (cause.repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace.line] : []));
  return cause.line === line || lines.some((at) => Math.abs(at - line) <= 1);
}
