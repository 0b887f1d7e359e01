import { hasPassed } from '../../formats/report';
import type { Grammars } from '../../program';
import { circuitParts } from '../../wiring/netlist';
import { legPoint, type Point, type Wiring } from '../../wiring/wiring';
import { netlistOf, type Netlist } from '../../wiring/netlist';
import { referencePins } from '../compare';
import { examine, type Build, type Examination, type Reference } from '../examine';
import { isSupplyPin } from '../graph';
import { isWiring } from '../order';
import type { Candidate } from './candidate';
import { programCandidates } from './program-edits';
import type { ProgramWishes } from './wishes';
import { wiringCandidates } from './wiring-edits';

/** A set of changes after which the build passes the full check. */
export interface RepairSet {
  readonly candidates: readonly Candidate[];
  /** The build as it would be with the rest mended too, when the set alone does not make it pass. */
  readonly rest?: Build;
}

/** Most full checks that one search makes. */
const MOST_CHECKS = 900;
/** Steps that one try may run, and all tries together: a busy program is not run again and again. */
export const STEPS_OF_A_TRY = 1_000_000;
const MOST_STEPS = 4_000_000;
/** Work on circuits that all tries together may make, see `workOf`: a few seconds. */
const MOST_WORK = 3_000_000;
/** Cost under which a single change is taken without looking for two. */
const PLAIN = 2;
/** First changes that are kept to try second ones on. */
const BEAM = 8;

/**
 * Searches the smallest set of changes that makes a build pass: single changes of wiring and program,
 * cheapest first, then one of each, then pairs that start with what brought the build nearer. Builds
 * with the same netlist, values and program text are one and are checked once. Deterministic.
 */
export function searchRepair(
  reference: Reference,
  build: Build,
  first: Examination,
  grammars: Grammars,
): RepairSet {
  return new RepairSearch(reference, grammars).run(build, first);
}

interface Tried {
  readonly candidates: readonly Candidate[];
  readonly build: Build;
  readonly examination: Examination;
  readonly cost: number;
}

class RepairSearch {
  private readonly checked = new Map<string, Examination>();
  private checks = 0;
  private steps = 0;
  private work = 0;

  constructor(
    private readonly reference: Reference,
    private readonly grammars: Grammars,
  ) {}

  run(build: Build, first: Examination): RepairSet {
    let start: Tried = { candidates: [], build, examination: first, cost: 0 };
    // A program that does not compile hides everything else: its own repairs come first.
    for (let round = 0; round < 6 && !start.build.program.compiled; round += 1) {
      const next = this.singles(start).find((candidate) => candidate.domain === 'program');
      const tried = next && this.attempt(start, next);
      if (!tried) return this.partOf(start);
      start = tried;
    }
    if (isRepaired(start.examination)) return start;
    const single = this.oneMore(start);
    const bound = single ? single.cost - start.cost : Number.POSITIVE_INFINITY;
    if (single && bound < PLAIN) return single;
    // One large change is weighed against two small ones.
    return this.oneOfEach(start, bound) ?? this.twoMore(start, bound) ?? single ?? this.partOf(start);
  }

  /** Every single change, cheapest first; one per resulting circuit and program. */
  private singles({ build, examination }: Tried): readonly Candidate[] {
    // A wiring that is the right circuit is not to be changed so that a program does not matter.
    const isRight =
      examination.match.same &&
      examination.observations.every(({ code, severity }) => severity === 'advice' || !isWiring(code));
    const wiring = isRight ? [] : wiringCandidates(this.reference, build.wiring, examination);
    const program = programCandidates(
      build.program,
      this.reference.exercise.board,
      this.grammars,
      this.wishes(build, examination),
    );
    return [...wiring, ...program].sort((a, b) => a.cost - b.cost);
  }

  private wishes(build: Build, { traces }: Examination): ProgramWishes {
    const { exercise } = this.reference;
    const number = (pin: string): number | undefined =>
      exercise.board.pins.find((known) => known.name === pin)?.number;
    const wired = build.wiring.parts.flatMap((part) =>
      part.legs.flatMap(({ at }) => (at?.type === 'pin' ? [number(at.pin)] : [])),
    );
    const wanted = referencePins(exercise)
      .filter((pin) => !exercise.pinFreedom.has(pin))
      .map(number);
    const times = exercise.data.scenarios.flatMap((scenario) =>
      scenario.expect.flatMap((expectation) =>
        'rhythm' in expectation ? expectation.rhythm.map((time) => Math.round(time * 1000)) : [],
      ),
    );
    const undirected = traces.flatMap((trace) => trace.undirected.map(({ pin }) => number(pin)));
    const floating = traces.flatMap((trace) =>
      trace.floatingReads.flatMap(({ pin, how }) => (how === 'digital' ? [number(pin)] : [])),
    );
    const known = (numbers: readonly (number | undefined)[]): number[] => [
      ...new Set(numbers.filter((value) => value !== undefined)),
    ];
    return {
      pins: known([...wired, ...wanted]),
      milliseconds: [...new Set(times)],
      used: known(
        traces.flatMap((trace) => [
          ...[...trace.pins.keys(), ...trace.reads.keys()].map(number),
          ...trace.undirected.map(({ pin }) => number(pin)),
          ...trace.unknownPins.map((pin) => pin.number),
        ]),
      ),
      undirected: known(undirected),
      floating: known(floating),
      endlessLine: traces[0]?.ended.loop?.line,
    };
  }

  private attempt(from: Tried, candidate: Candidate): Tried | undefined {
    const build = candidate.apply(from.build);
    if (!build) return undefined;
    const netlist = netlistOf(build.wiring);
    const key = `${netlistKey(build.wiring, netlist)}\n${build.program.source}`;
    let examination = this.checked.get(key);
    if (!examination) {
      if (this.checks >= MOST_CHECKS || this.steps >= MOST_STEPS || this.work >= MOST_WORK) return undefined;
      this.checks += 1;
      examination = examine(this.reference, build, STEPS_OF_A_TRY);
      this.steps += examination.traces.reduce((sum, trace) => sum + trace.steps, 0);
      this.work += workOf(examination);
      this.checked.set(key, examination);
    }
    return {
      candidates: [...from.candidates, candidate],
      build,
      examination,
      cost: from.cost + candidate.cost,
    };
  }

  private oneMore(start: Tried): Tried | undefined {
    for (const candidate of this.singles(start)) {
      const tried = this.attempt(start, candidate);
      if (tried && isRepaired(tried.examination)) return tried;
    }
    return undefined;
  }

  /**
   * One fault in the wiring and one in the program: each side is mended against the reference of the
   * other, so that the pairs need not all be tried.
   */
  private oneOfEach(start: Tried, bound: number): Tried | undefined {
    const all = this.singles(start);
    const wirings = all
      .filter((candidate) => candidate.domain === 'wiring')
      .flatMap((candidate) => this.attempt(start, candidate) ?? [])
      .filter(({ examination }) => examination.match.same && !start.examination.match.same)
      .slice(0, 3);
    const ideal = this.idealWiring(start);
    const onIdeal: Tried = { ...start, build: { ...start.build, wiring: ideal } };
    const programs = all
      .filter((candidate) => candidate.domain === 'program')
      .flatMap((candidate) => {
        const tried = this.attempt(onIdeal, candidate);
        return tried && isRepaired(tried.examination) ? [candidate] : [];
      })
      .slice(0, 3);
    const pairs = wirings
      .flatMap((wiring) => programs.map((program) => ({ wiring, program, cost: wiring.cost + program.cost })))
      .filter((pair) => pair.cost - start.cost < bound)
      .sort((a, b) => a.cost - b.cost);
    for (const { wiring, program } of pairs) {
      const tried = this.attempt(wiring, program);
      if (tried && isRepaired(tried.examination)) return tried;
    }
    return undefined;
  }

  /**
   * Where no set makes the build pass: the change that makes the wiring right, if one does, and the
   * program on the wiring as it should be, where its own trouble shows.
   */
  private partOf(start: Tried): RepairSet {
    const wiring = this.singles(start)
      .filter((candidate) => candidate.domain === 'wiring')
      .map((candidate) => this.attempt(start, candidate))
      .find((tried) => tried?.examination.match.same);
    const found = start.examination.match.same ? undefined : wiring;
    return {
      candidates: (found ?? start).candidates,
      rest: { ...start.build, wiring: this.idealWiring(start) },
    };
  }

  /** The reference wiring with the pins that the program uses, where the exercise leaves them free. */
  private idealWiring({ examination }: Tried): Wiring {
    const { exercise } = this.reference;
    const driven = examination.traces.flatMap((trace) => [
      ...trace.pins.keys(),
      ...trace.undirected.map(({ pin }) => pin),
    ]);
    const rename = new Map<string, string>();
    for (const pin of referencePins(exercise)) {
      const choices = exercise.pinFreedom.get(pin);
      const choice = driven.includes(pin)
        ? pin
        : choices?.find(
            (candidate) => driven.includes(candidate) && ![...rename.values()].includes(candidate),
          );
      if (choice !== undefined) rename.set(pin, choice);
    }
    const renamed = (at: Point | null): Point | null =>
      at?.type === 'pin' && !isSupplyPin(exercise.board, at.pin)
        ? { ...at, pin: rename.get(at.pin) ?? at.pin }
        : at;
    return {
      ...exercise.reference,
      parts: exercise.reference.parts.map((part) => ({
        ...part,
        legs: part.legs.map((leg) => ({ ...leg, at: renamed(leg.at) })),
      })),
    };
  }

  /** Two changes of one side: second ones are tried on the first ones that brought the build nearest. */
  private twoMore(start: Tried, bound: number): Tried | undefined {
    const before = nearness(start.examination);
    const firsts = this.singles(start)
      .flatMap((candidate) => this.attempt(start, candidate) ?? [])
      .filter((tried) => nearness(tried.examination) < before)
      .sort((a, b) => nearness(a.examination) - nearness(b.examination) || a.cost - b.cost)
      .slice(0, BEAM);
    let best: Tried | undefined;
    for (const tried of firsts)
      for (const candidate of this.singles(tried)) {
        if (
          tried.cost + candidate.cost >=
          Math.min(best?.cost ?? Number.POSITIVE_INFINITY, start.cost + bound)
        )
          break;
        const second = this.attempt(tried, candidate);
        if (second && isRepaired(second.examination)) {
          best = second;
          break;
        }
      }
    return best;
  }
}

/** What a check costs besides the program's steps: each operating point by the size of its circuit. */
const workOf = ({ traces, netlist }: Examination): number =>
  traces.reduce((sum, { solutions }) => sum + solutions, 0) * (netlist.nodes.length ** 2 + 200);

/** A build is repaired when it passes, on the pins that the exercise asks for, and by no accident of the memory. */
const isRepaired = ({ verdict, observations }: Examination): boolean =>
  hasPassed(verdict) && observations.every(({ code }) => code !== 'wrong-pin' && code !== 'runtime-error');

/** How far a build is from passing: differences of the circuit, failed scenarios, faults and risks. */
function nearness({ match, scenarios, observations }: Examination): number {
  const failed = scenarios.filter((scenario) => !scenario.passed).length;
  const troubles = observations.filter((observation) => observation.severity !== 'advice').length;
  return match.distance * 10 + failed * 10 + troubles;
}

/** The circuit as text: the same for all wirings that are electrically one. */
function netlistKey(wiring: Wiring, netlist: Netlist): string {
  const counted = new Set(
    circuitParts(wiring).flatMap((part) => part.legs.map(({ leg }) => legPoint(part.ref, leg) as string)),
  );
  const nodes = netlist.nodes
    .map((node) =>
      [
        ...node.pins,
        ...node.terminals
          .map(({ ref, leg }) => legPoint(ref, leg) as string)
          .filter((name) => counted.has(name)),
      ]
        .sort()
        .join('='),
    )
    .filter((text) => text !== '');
  const values = circuitParts(wiring).map((part) => `${part.ref}:${part.value.text}`);
  return [...nodes.sort(), ...values.sort()].join(' ');
}
