import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import type { Candidate } from './candidate';
import { oneEdgeOf } from './one-edge';
import { pausesForBounces } from './pauses-for-bounces';
import { waitForRelease } from './waits-for-release';
import { cost, type ProgramWishes } from './wishes';

/** Changes of how a program takes a press, where it takes one for several. */
export function pressCandidates(
  { source, language }: Program,
  { bouncingLine, heldLine, changeLine }: ProgramWishes,
  make: (edit: TextEdit, amount: number, text: string) => Candidate,
): readonly Candidate[] {
  const wait = heldLine === undefined ? undefined : waitForRelease(source, language, heldLine);
  const pauses = bouncingLine === undefined ? [] : pausesForBounces(source, language, bouncingLine);
  const edges = changeLine === undefined ? [] : oneEdgeOf(source, language, changeLine);
  return [
    ...(wait ? [make(wait.edit, cost.press, `Add ${wait.shown} after line ${wait.line}.`)] : []),
    ...edges.map(({ edit, line, asked, by }) =>
      make(edit, cost.press, `Write ${by} instead of ${asked} in line ${line}.`),
    ),
    ...pauses.map(({ edit, line, call }) => make(edit, cost.press, `Add ${call} after line ${line}.`)),
  ];
}
