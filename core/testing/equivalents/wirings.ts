import { columnsOf, sideOf } from '../../breadboards';
import { ref as makeRef, type Ref } from '../../brand';
import { taskOf } from '../../course/exercise-layout';
import { houseQuestions } from '../../course/house-rules';
import { nearestInSeries, seriesNeighbours } from '../../electrics/values/series';
import { languageOf, type Exercise, type ExerciseData } from '../../formats/exercise';
import { isResistor, kindOf } from '../../parts';
import { place } from '../../plan/placement';
import { pick } from '../../random';
import { wireColours } from '../../drawing/colours';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import { nameOf, withPart, type Hole, type PlacedPart, type Point, type Wiring } from '../../wiring/wiring';
import type { Equivalent } from './equivalent';

type Built = Pick<Equivalent, 'sort' | 'wiring'> & Partial<Pick<Equivalent, 'program'>>;

const isWire = ({ kind }: PlacedPart): boolean => kindOf(kind).conductor;

/** Other ways to build the circuit of an exercise: each is the same circuit, or one that is left free. */
export function* otherWirings(exercise: Exercise, random: () => number): Generator<Equivalent> {
  const { reference, data } = exercise;
  const before = writeTable(reference);
  for (const built of [
    ...otherHoles(reference, random),
    ...shifted(reference),
    ...renamed(reference, random),
    ...recoloured(reference, random),
    ...turned(reference),
    ...inTwoPieces(reference),
    ...ofOtherSchools(data),
    ...inAnotherOrder(data),
    ...madeOfTwo(exercise),
    ...onOtherPins(exercise),
  ]) {
    const table = writeTable(built.wiring);
    // A hand does not get there, or it is the reference itself.
    if (table === before || !readWiring(table).ok) continue;
    yield { program: data.program, ...built };
  }
}

const usedIn = ({ parts }: Wiring): Set<string> =>
  new Set(parts.flatMap(({ legs }) => legs.flatMap(({ at }) => (at ? [nameOf(at)] : []))));

const rowsOf = ({ breadboards }: Wiring): number => breadboards[0]?.model.rows ?? 0;

/** The same wiring with what makes each part of it another one. */
const withEach = (wiring: Wiring, change: (part: PlacedPart) => PlacedPart): Wiring => ({
  ...wiring,
  parts: wiring.parts.map(change),
});

/** Each end that can be bent in another hole of its strip, or of its rail. */
function* otherHoles(wiring: Wiring, random: () => number): Generator<Built> {
  for (let count = 0; count < 4; count += 1) {
    const used = usedIn(wiring);
    const elsewhere = (at: Point): Point => {
      const choices: readonly Point[] =
        at.type === 'hole'
          ? columnsOf(sideOf(at.column)).map((column): Hole => ({ ...at, column }))
          : at.type === 'rail'
            ? [-3, -2, -1, 1, 2, 3].map((step) => ({ ...at, row: at.row + step }))
            : [];
      const free = choices.filter(
        (choice) =>
          !used.has(nameOf(choice)) && 'row' in choice && choice.row >= 1 && choice.row <= rowsOf(wiring),
      );
      if (free.length === 0) return at;
      const to = pick(random, free);
      used.add(nameOf(to));
      return to;
    };
    yield {
      sort: 'other holes of the same strips',
      wiring: withEach(wiring, (part) =>
        isWire(part) || isResistor(part)
          ? {
              ...part,
              legs: part.legs.map((placed) => ({ ...placed, at: placed.at && elsewhere(placed.at) })),
            }
          : part,
      ),
    };
  }
}

/** Everything on the breadboard some rows further. */
function* shifted(wiring: Wiring): Generator<Built> {
  for (const by of [1, 2, 5, 9]) {
    const moved = (at: Point): Point => ('row' in at ? { ...at, row: at.row + by } : at);
    const all = withEach(wiring, (part) => ({
      ...part,
      legs: part.legs.map((placed) => ({ ...placed, at: placed.at && moved(placed.at) })),
    }));
    const isOn = all.parts.every(({ legs }) =>
      legs.every(({ at }) => !at || !('row' in at) || at.row <= rowsOf(wiring)),
    );
    if (isOn) yield { sort: 'some rows further', wiring: all };
  }
}

/** Parts of a kind and value with each other's names, and wires with names of their own. */
function* renamed(wiring: Wiring, random: () => number): Generator<Built> {
  for (let count = 0; count < 2; count += 1) {
    const sortOf = ({ kind, value }: PlacedPart): string => `${kind} ${value.text}`;
    const names = new Map<string, Ref[]>();
    for (const part of wiring.parts) names.set(sortOf(part), [...(names.get(sortOf(part)) ?? []), part.ref]);
    yield {
      sort: 'other names',
      wiring: withEach(wiring, (part) => {
        const left = names.get(sortOf(part))!;
        const [ref] = left.splice(Math.floor(random() * left.length), 1);
        return { ...part, ref: ref! };
      }),
    };
  }
}

function* recoloured(wiring: Wiring, random: () => number): Generator<Built> {
  yield {
    sort: 'wires of other colours',
    wiring: withEach(wiring, (part) =>
      isWire(part) ? { ...part, value: { text: pick(random, Object.keys(wireColours)) } } : part,
    ),
  };
}

/** Each part whose legs are alike turned round. */
function* turned(wiring: Wiring): Generator<Built> {
  for (const part of wiring.parts) {
    const [one, two] = part.legs;
    if (isWire(part) || part.legs.length !== 2 || !kindOf(part.kind).symmetrical) continue;
    const legs = [
      { ...one!, at: two!.at },
      { ...two!, at: one!.at },
    ];
    yield { sort: 'an even part turned round', wiring: withPart(wiring, { ...part, legs }) };
  }
}

/** A wire that goes by way of a free strip. */
function* inTwoPieces(wiring: Wiring): Generator<Built> {
  const strips = new Set(
    wiring.parts.flatMap(({ legs }) =>
      legs.flatMap(({ at }) => (at?.type === 'hole' ? [`${at.row}${sideOf(at.column)}`] : [])),
    ),
  );
  const free = Array.from({ length: rowsOf(wiring) }, (_, index) => rowsOf(wiring) - index).find(
    (row) => !strips.has(`${row}f`),
  );
  const [board] = wiring.breadboards;
  if (free === undefined || !board) return;
  for (const wire of wiring.parts.filter(isWire)) {
    const [one, two] = wire.legs;
    const at = (column: Hole['column']): Hole => ({ type: 'hole', ref: board.ref, column, row: free });
    const further: PlacedPart = { ...wire, ref: makeRef('W98'), legs: [{ ...one!, at: at('h') }, two!] };
    const parts = [...withPart(wiring, { ...wire, legs: [one!, { ...two!, at: at('g') }] }).parts, further];
    yield { sort: 'a wire in two pieces', wiring: { ...wiring, parts } };
  }
}

/** The circuit of an exercise laid out anew; none when it does not fit. */
function laidOut(data: ExerciseData): Wiring | undefined {
  const task = taskOf(data);
  const placed = task.ok ? place(task.value) : task;
  return placed.ok ? placed.value.wiring : undefined;
}

/** Laid out as other schools do. */
function* ofOtherSchools(data: ExerciseData): Generator<Built> {
  for (const id of ['groundRail', 'cathode', 'redWires', 'wireColours'] as const)
    for (const school of houseQuestions[id].schools) {
      const wiring = laidOut({ ...data, rules: { ...data.rules, [id]: school.id } });
      if (wiring) yield { sort: 'laid out as another school does', wiring };
    }
}

const legsOf = (data: ExerciseData, name: string): readonly string[] =>
  kindOf(data.parts.find(({ ref }) => ref === name)!.kind).legs.map((leg) => `${name}.${leg.name}`);

/** A part that has two legs and nothing else, by its point in a net; `undefined` for others. */
function inline(
  data: ExerciseData,
  point: string,
): { readonly name: string; readonly far: string } | undefined {
  const name = point.slice(0, point.indexOf('.'));
  const part = data.parts.find(({ ref }) => ref === name);
  if (!part || part.kind === 'board' || part.kind === 'breadboard') return undefined;
  const legs = legsOf(data, name);
  return legs.length === 2 ? { name, far: legs.find((leg) => leg !== point)! } : undefined;
}

/** Two parts in series, one of them even, the other way about. */
function* inAnotherOrder(data: ExerciseData): Generator<Built> {
  for (const net of data.nets) {
    if (net.points.length !== 2) continue;
    const [a, b] = net.points.map((point) => inline(data, point));
    if (!a || !b || a.name === b.name) continue;
    const [even, evenPoint, other, otherPoint] = isEven(data, a.name)
      ? [a, net.points[0]!, b, net.points[1]!]
      : [b, net.points[1]!, a, net.points[0]!];
    if (!isEven(data, even.name)) continue;
    const exchanged = (point: string): string =>
      point === even.far ? otherPoint : point === other.far ? even.far : point;
    const nets = data.nets.map((one) => ({
      ...one,
      points: one === net ? [evenPoint, other.far] : one.points.map(exchanged),
    }));
    const wiring = laidOut({ ...data, nets });
    if (wiring) yield { sort: 'in another order', wiring };
  }
}

const isEven = (data: ExerciseData, name: string): boolean =>
  isResistor(data.parts.find(({ ref }) => ref === name)!);

/** Each resistor made of two in series. */
function* madeOfTwo({ data, reference }: Exercise): Generator<Built> {
  for (const part of reference.parts) {
    const ohms = isResistor(part) ? part.value.amount : undefined;
    if (ohms === undefined) continue;
    const first = seriesNeighbours(ohms * 0.6, 'E12').below;
    const second = first === undefined ? undefined : nearestInSeries(ohms - first, 'E12');
    if (first === undefined || second === undefined || Math.abs(first + second - ohms) > 0.04 * ohms)
      continue;
    const own = data.parts.find(({ ref }) => ref === part.ref)!;
    const nets = data.nets.map((net) => ({
      ...net,
      points: net.points.map((point) => (point === `${part.ref}.2` ? 'R98.2' : point)),
    }));
    const wiring = laidOut({
      ...data,
      parts: [
        ...data.parts.map((one) =>
          one === own ? { ref: own.ref, kind: own.kind, value: String(first) } : one,
        ),
        { ref: 'R98', kind: own.kind, value: String(second) },
      ],
      nets: [...nets, { name: 'between', points: [`${part.ref}.2`, 'R98.1'] }],
    });
    if (wiring) yield { sort: 'a resistor made of two', wiring };
  }
}

/** On other pins, where the exercise leaves them free, in the wiring and in the program. */
function* onOtherPins(exercise: Exercise): Generator<Built> {
  const { data, board, pinFreedom } = exercise;
  const own = data.parts.find(({ kind }) => kind === 'board')?.ref;
  const isUsed = (pin: string): boolean => data.nets.some(({ points }) => points.includes(`${own}.${pin}`));
  for (const [pin, allowed] of pinFreedom) {
    if (!isUsed(pin)) continue;
    for (const other of allowed.filter((one) => !isUsed(one)).slice(0, 3)) {
      const [from, to] = [pin, other].map((name) => board.pins.find((one) => one.name === name)?.number);
      const program =
        languageOf(exercise) === 'python'
          ? data.program.replaceAll(`board.${pin}`, `board.${other}`)
          : data.program.replace(
              new RegExp(
                `(?<=(?:const int|const byte|#define) \\w+ (?:= )?)(?:${from}|${pin})(?=;|\\s*$)`,
                'm',
              ),
              /^\d+$/.test(pin) ? String(to) : other,
            );
      if (program === data.program) continue;
      const nets = data.nets.map((net) => ({
        ...net,
        points: net.points.map((point) => (point === `${own}.${pin}` ? `${own}.${other}` : point)),
      }));
      const wiring = laidOut({ ...data, nets });
      if (wiring) yield { sort: 'on other pins', wiring, program };
    }
  }
}
