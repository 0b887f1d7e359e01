import type { Finding, FindingCode } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { hasPassed, type Report, type Verdict } from '../formats/report';
import { ReferenceRuns } from '../generated/shown';
import { buildFor, referenceBuild, type Build } from '../judge/build';
import { check } from '../judge/check';
import { referenceOf } from '../judge/examine';
import type { Grammars } from '../program';
import { Circuit } from '../wiring/circuit';
import { hasSameNets } from '../wiring/same-nets';
import { ScenarioFinder, type Catching } from './catching';
import type { Fault } from './fault';
import { programFaults } from './program';
import { wiringFaults } from './wiring';

/**
 * What came of a slip: it is told by its right name, or by another; it works all the same, and is mentioned or not;
 * it slips through though somebody would see it, mentioned or not; or it makes the same circuit, and is called wrong.
 */
export const faultOutcomes = [
  'right-cause',
  'other-cause',
  'mentioned',
  'no-difference',
  'slips-through',
  'wrongly-caught',
] as const;
export type FaultOutcome = (typeof faultOutcomes)[number];

/** A slip with what the check said of it. */
export interface RehearsedFault extends Pick<Fault, 'sort' | 'what' | 'codes' | 'refs' | 'line'> {
  readonly outcome: FaultOutcome;
  readonly verdict: Verdict;
  /** The cause that a learner reads first, or what is mentioned of a build that works. */
  readonly told?: { readonly code: FindingCode; readonly message: string; readonly repair?: string };
  /** Of one that slips through: what would catch it. */
  readonly caughtBy?: Catching;
}

/** Every slip that can be made in an exercise: those of the hand, then those of the keyboard. */
export const faultsOf = (exercise: Exercise): readonly Fault[] => [
  ...wiringFaults(exercise),
  ...programFaults(exercise),
];

/** Makes slips in an exercise's own build and has each checked as if a learner had handed it in. */
export class FaultRehearsal {
  private finder: ScenarioFinder | undefined;
  private readonly circuit: Circuit;
  private ofReference: ReadonlySet<string> | undefined;

  constructor(
    private readonly exercise: Exercise,
    private readonly grammars: Grammars,
  ) {
    this.circuit = new Circuit(exercise.reference, exercise.board);
  }

  /** Why there is nothing to rehearse yet, in the words of its author; `undefined` when there is. */
  hindrance(): string | undefined {
    return hasPassed(this.checkReference().verdict)
      ? undefined
      : 'The exercise’s own build does not pass its check yet, so nothing can be compared with it.';
  }

  /** Has one slip checked. The same slip comes out the same, whatever was checked before. */
  rehearse(fault: Fault): RehearsedFault {
    const { sort, what, codes, refs, line } = fault;
    const build = buildFor(this.exercise, fault.wiring, fault.program, this.grammars);
    const report = check(this.exercise, build, this.grammars);
    const { verdict } = report;
    const cause = report.findings.find((finding) => finding.cause);
    const mention = this.mentionOf(report, fault);
    const told = cause ?? mention;
    const isSame = this.isSameCircuit(fault);
    // Another part than asked is another build, which the exercise leaves free, and the learner is told.
    const isFree = isSame || mention?.code === 'wrong-part';
    const caughtBy = hasPassed(verdict) && !isFree ? this.catching(build) : undefined;
    return {
      sort,
      what,
      codes,
      refs,
      ...(line === undefined ? {} : { line }),
      verdict,
      outcome: hasPassed(verdict)
        ? caughtBy
          ? 'slips-through'
          : mention
            ? 'mentioned'
            : 'no-difference'
        : isSame
          ? 'wrongly-caught'
          : told && codes.includes(told.code)
            ? 'right-cause'
            : 'other-cause',
      ...(told
        ? {
            told: {
              code: told.code,
              message: told.message,
              ...(told.repair ? { repair: told.repair.text } : {}),
            },
          }
        : {}),
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
    const program = referenceBuild(this.exercise, this.grammars).program;
    if (!program.compiled) return undefined;
    this.finder ??= new ScenarioFinder(new ReferenceRuns(referenceOf(this.exercise, this.grammars), program));
    return this.finder.catching(build);
  }

  /** What the report says of a slip in a build that works, and does not say of the reference. */
  private mentionOf({ verdict, findings }: Report, { codes }: Fault): Finding | undefined {
    if (!hasPassed(verdict)) return undefined;
    this.ofReference ??= new Set(this.checkReference().findings.map(({ message }) => message));
    const known = this.ofReference;
    return findings.find(({ code, message }) => codes.includes(code) && !known.has(message));
  }

  private checkReference(): Report {
    return check(this.exercise, referenceBuild(this.exercise, this.grammars), this.grammars);
  }
}
