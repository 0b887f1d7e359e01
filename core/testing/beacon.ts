import { readFileSync } from 'node:fs';
import { nodeGrammars } from '@/grammars/node';
import { readExercise, type Exercise } from '../formats/exercise';
import type { Report } from '../formats/report';
import { check, type CheckOptions } from '../judge/check';
import { compileProgram } from '../program';
import { readWiring } from '../wiring/read';

/** What the tests of the core share: the grammars and the beacon exercise of the demo. */
export const grammars = await nodeGrammars();

export const beaconFile = readFileSync('demo/course/01-beacon.json', 'utf8');

export const beacon: Exercise = (() => {
  const read = readExercise(beaconFile);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
})();

export const { layout: LAYOUT = '', program: PROGRAM } = beacon.data;

/** Checks texts against the beacon. */
export function checkBeacon(
  wiring: string = LAYOUT,
  program: string = PROGRAM,
  options: CheckOptions = {},
): Report {
  const read = readWiring(wiring);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return check(
    beacon,
    { wiring: read.value, program: compileProgram(program, beacon.board, grammars) },
    grammars,
    options,
  );
}

/** Codes of the causes, in their order. */
export const causes = (report: Report): readonly string[] =>
  report.findings.filter((finding) => finding.cause).map((finding) => finding.code);
