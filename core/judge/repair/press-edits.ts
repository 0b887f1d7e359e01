import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import type { Candidate } from './candidate';
import { oneEdgeOf } from './one-edge';
import { pausesForBounces } from './pauses-for-bounces';
import { waitsForRelease } from './waits-for-release';
import { cost, type ProgramWishes } from './wishes';

/** Changes of how a program takes a press, where it takes one for several. */
export function pressCandidates(
  { source, language }: Program,
  { bouncingLine, heldLine, changeLine }: ProgramWishes,
  makeAll: (edits: readonly TextEdit[], amount: number, text: string) => Candidate,
): readonly Candidate[] {
  const waits = heldLine === undefined ? [] : waitsForRelease(source, language, heldLine);
  const asking = bouncingLine ?? changeLine;
  const pauses = asking === undefined ? [] : pausesForBounces(source, language, asking);
  const edges = changeLine === undefined ? [] : oneEdgeOf(source, language, changeLine);
  return [
    ...waits.map(({ edit, line, shown }) => makeAll([edit], cost.press, `Add ${shown} after line ${line}.`)),
    ...edges.map(({ edit, text }) => makeAll([edit], cost.press, `${text}.`)),
    ...pauses.map(({ edit, line, call }) => makeAll([edit], cost.press, `Add ${call} after line ${line}.`)),
    // A contact that bounces when it is let go changes in both directions again.
    ...edges.flatMap(({ edit, text }) =>
      pauses.map((pause) =>
        makeAll(
          // From the end, so that the place before stays what it is.
          [pause.edit, edit].toSorted((one, other) => other.line - one.line || other.column - one.column),
          cost.press + cost.units,
          `${text}, and add ${pause.call} after line ${pause.line}.`,
        ),
      ),
    ),
  ];
}
