import type { Ref } from '../brand';
import { boardsOf, exerciseFrom, type Exercise, type ExerciseData } from '../formats/exercise';
import { partsNamedIn } from '../formats/scenario';
import { kindOf } from '../parts';
import { fail, type Result } from '../result';
import { Circuit } from '../wiring/circuit';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { legPoint, type PlacedPart, type Wiring } from '../wiring/wiring';

/** A stage of an exercise: what is tried on the way, before the whole is built. */
export type Stage = NonNullable<ExerciseData['stages']>[number];

const isWire = ({ kind }: PlacedPart): boolean => kindOf(kind).conductor;

/** Names of the parts that a stage is about: its own, those it looks at, and those of the stages before it. */
function partsAskedFor({ stages = [] }: ExerciseData, stage: Stage): readonly string[] {
  const before = stages.slice(0, stages.indexOf(stage) + 1);
  return [
    ...before.map(({ after }) => after),
    ...stage.scenarios.flatMap((scenario) => partsNamedIn(scenario).map(({ name }) => name)),
  ];
}

/**
 * The parts without which some parts of a circuit do nothing: those joined to them on the way to ground, a supply or a
 * pin, themselves among them; no wires.
 */
function withCompanions(circuit: Circuit, names: readonly string[]): ReadonlySet<Ref> {
  const needed = new Set(circuit.parts.filter(({ ref }) => names.includes(ref)));
  // A set that grows while it is walked is walked to its end.
  for (const part of needed)
    for (const node of circuit.nodesOf(part))
      if (circuit.feed(node) === undefined)
        for (const neighbour of circuit.partsAt(node)) if (!isWire(neighbour)) needed.add(neighbour);
  return new Set([...needed].map(({ ref }) => ref));
}

/**
 * A wiring with some of its parts only, and without the wires that led to the others alone. Wires that led nowhere
 * before stay: they are what somebody has plugged in.
 */
function reducedTo(wiring: Wiring, kept: ReadonlySet<Ref>): Wiring {
  const circuit = new Circuit(wiring);
  const gone = new Set(wiring.parts.filter((part) => !isWire(part) && !kept.has(part.ref)));
  const ledToGone = (part: PlacedPart): boolean =>
    isWire(part) &&
    part.legs.some(({ at }) => {
      if (!at || at.type === 'pin') return false;
      const others = circuit.partsInStrip(at).filter((other) => other !== part);
      return others.length > 0 && others.every((other) => gone.has(other));
    });
  for (let before = -1; before !== gone.size;) {
    before = gone.size;
    for (const part of wiring.parts) if (!gone.has(part) && ledToGone(part)) gone.add(part);
  }
  return { ...wiring, parts: wiring.parts.filter((part) => !gone.has(part)) };
}

/** The exercise as it is at one of its stages: the part of the circuit that the stage tries, with its own program and scenarios. */
export function exerciseAtStage(exercise: Exercise, name: string): Result<Exercise> {
  const { data, reference } = exercise;
  const stage = data.stages?.find((candidate) => candidate.name === name);
  if (!stage) return fail({ message: `the exercise has no stage “${name}”`, path: 'stages' });
  const kept = withCompanions(new Circuit(reference), partsAskedFor(data, stage));
  const wiring = reducedTo(reference, kept);
  const { program, scenarios } = stage;
  return exerciseFrom({
    ...data,
    parts: data.parts.filter(
      ({ ref, kind }) => kind === 'board' || kind === 'breadboard' || kept.has(ref as Ref),
    ),
    nets: netsOf(wiring),
    layout: writeTable(wiring),
    program,
    scenarios,
    stages: undefined,
    forms: undefined,
    open: undefined,
    rubric: undefined,
  });
}

/** What a wiring joins, without names. */
function netsOf(wiring: Wiring): ExerciseData['nets'] {
  const circuit = new Circuit(wiring);
  return circuit.nodes
    .map(({ id, pins }) => ({
      name: '',
      points: [
        ...pins.map((pin) => `${wiring.board!.ref}.${pin}`),
        ...circuit.legsAt(id).map(({ part, leg }): string => legPoint(part.ref, leg)),
      ],
    }))
    .filter(({ points }) => points.length > 0);
}

/**
 * What of a build a stage looks at, as a table: the parts of its circuit, and what is joined to them. A build that
 * cannot be read is left as it is, for whoever says what is wrong with it.
 */
export function buildAtStage(atStage: Exercise, table: string): string {
  const { data } = atStage;
  const read = readWiring(table, { boards: boardsOf(data) });
  if (!read.ok) return table;
  const circuit = new Circuit(read.value);
  return writeTable(
    reducedTo(
      read.value,
      withCompanions(
        circuit,
        data.parts.map(({ ref }) => ref),
      ),
    ),
  );
}
