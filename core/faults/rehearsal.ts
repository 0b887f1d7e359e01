import type { Finding } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { hasPassed, type Report } from '../formats/report';
import { ReferenceRuns } from '../generated/reference-runs';
import { buildFor, referenceBuild, type Build } from '../judge/build';
import { check } from '../judge/check';
import { referenceOf } from '../judge/reference';
import type { Grammars } from '../program';
import { Circuit } from '../wiring/circuit';
import { hasSameNets } from '../wiring/same-nets';
import type { Catching } from './catching';
import type { Fault } from './fault';
import type { FaultOutcome, RehearsedFault } from './outcome';
import { programFaults } from './program';
import { ScenarioFinder } from './scenario-finder';
import { wiringFaults } from './wiring';

/** Every slip that can be made in an exercise: those of the hand, then those of the keyboard. */
export const faultsOf = (exercise: Exercise): readonly Fault[] => [
  ...wiringFaults(exercise),
  ...programFaults(exercise),
];

/** Makes slips in an exercise's own build and has each checked as if a learner had handed it in. */
export class FaultRehearsal {
  private readonly own: Build;
  private readonly ownReport: Report;
  private readonly circuit: Circuit;
  private finder: ScenarioFinder | undefined;

  constructor(
    private readonly exercise: Exercise,
    private readonly grammars: Grammars,
  ) {
    this.own = referenceBuild(exercise, grammars);
    this.ownReport = check(exercise, this.own, grammars);
    this.circuit = new Circuit(exercise.reference, exercise.board);
  }

  /** Why there is nothing to rehearse yet, in the words of its author; `undefined` when there is. */
  hindrance(): string | undefined {
    return hasPassed(this.ownReport.verdict)
      ? undefined
      : 'The exercise’s own build does not pass its check yet, so nothing can be compared with it.';
  }

  /** Has one slip checked. The same slip comes out the same, whatever was checked before. */
  rehearse(fault: Fault): RehearsedFault {
    const { sort, what, codes, refs, line } = fault;
    const build = buildFor(this.exercise, fault.wiring, fault.program, this.grammars);
    const report = check(this.exercise, build, this.grammars);
    const passes = hasPassed(report.verdict);
    const told = passes ? this.mentionOf(report, fault) : report.findings.find(({ cause }) => cause);
    const isSame = this.isSameCircuit(fault);
    // Another part than asked is another build, which the exercise leaves free, and the learner is told.
    const isFree = isSame || told?.code === 'wrong-part';
    const caughtBy = passes && !isFree ? this.catching(build) : undefined;
    const isNamed = told !== undefined && codes.includes(told.code);
    const outcome: FaultOutcome = passes
      ? (caughtBy && 'slips-through') || (told ? 'mentioned' : 'no-difference')
      : (isSame && 'wrongly-caught') || (isNamed ? 'right-cause' : 'other-cause');
    return {
      ...{ sort, what, codes, refs, outcome, verdict: report.verdict },
      ...(line === undefined ? {} : { line }),
      ...(told ? { told: saidOf(told) } : {}),
      ...(caughtBy ? { caughtBy } : {}),
    };
  }

  private isSameCircuit({ wiring, program }: Fault): boolean {
    return (
      program === this.exercise.data.program &&
      hasSameNets(this.circuit, new Circuit(wiring, this.exercise.board)) &&
      wiring.parts.every(({ ref, value }) => value.text === this.circuit.part(ref)?.value.text)
    );
  }

  private catching(build: Build): Catching | undefined {
    const { program } = this.own;
    // Of a program that does not run nothing is seen that could be told from the reference.
    if (!program.compiled || !build.program.compiled) return undefined;
    this.finder ??= new ScenarioFinder(new ReferenceRuns(referenceOf(this.exercise, this.grammars), program));
    return this.finder.catching(build);
  }

  /** What the report says of a slip in a build that works, and does not say of the reference. */
  private mentionOf({ findings }: Report, { codes }: Fault): Finding | undefined {
    const known = new Set(this.ownReport.findings.map(({ message }) => message));
    return findings.find(({ code, message }) => codes.includes(code) && !known.has(message));
  }
}

const saidOf = ({ code, message, repair }: Finding): NonNullable<RehearsedFault['told']> => ({
  code,
  message,
  ...(repair ? { repair: repair.text } : {}),
});
