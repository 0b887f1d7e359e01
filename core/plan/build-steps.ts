import type { Ref } from '../brand';
import { type Body, isPowerSource, kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import { findPart, nameOf, shortNameOf, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';

/** Whether the power is wired last, or first. */
export type WiringOrder = 'supply-last' | 'supply-first';

export type BuildStage = 'rails' | 'supply-wires' | 'low-parts' | 'tall-parts' | 'signal-wires' | 'source';

/** The order of the work: what lies flat first. A battery is joined last in either, for people's sake. */
export const stagesOf: Readonly<Record<WiringOrder, readonly BuildStage[]>> = {
  'supply-last': ['rails', 'low-parts', 'tall-parts', 'signal-wires', 'supply-wires', 'source'],
  'supply-first': ['rails', 'supply-wires', 'low-parts', 'tall-parts', 'signal-wires', 'source'],
};

/** One thing to plug in, with a look at the result. */
export interface BuildStep {
  readonly number: number;
  readonly stage: BuildStage;
  readonly ref: Ref;
  /** What to do: `Put the amber LED D1 in: long leg in e5, short leg in e6.` */
  readonly text: string;
  /** What to look at afterwards. */
  readonly checkpoint: string;
  /** What could go wrong for people or parts at this step. */
  readonly cautions: readonly string[];
  /** Everything that is plugged in after this step, for its picture. */
  readonly present: ReadonlySet<Ref>;
}

const lowBodies: ReadonlySet<Body> = new Set(['bands', 'stripe', 'button', 'slide', 'chip', 'bar', 'digit']);

/** Numbered steps that build a wiring, in the order that the house rules ask for. */
export function buildSteps(wiring: Wiring, wiringOrder: WiringOrder): readonly BuildStep[] {
  const circuit = new Circuit(wiring);
  const rank = (part: PlacedPart): number => stagesOf[wiringOrder].indexOf(stageOf(part, circuit));
  const order = [...wiring.parts].sort(
    (a, b) =>
      rank(a) - rank(b) || firstRow(a) - firstRow(b) || a.ref.localeCompare(b.ref, 'en', { numeric: true }),
  );
  const present = new Set<Ref>();
  return order.map((part, index) => {
    present.add(part.ref);
    return {
      number: index + 1,
      stage: stageOf(part, circuit),
      ref: part.ref,
      text: putIn(part),
      checkpoint: checkpointOf(part),
      cautions: kindOf(part.kind).hazards,
      present: new Set(present),
    };
  });
}

/** The wiring as it is after a step. */
export const wiringAfter = (wiring: Wiring, { present }: BuildStep): Wiring => ({
  ...wiring,
  parts: wiring.parts.filter((part) => present.has(part.ref)),
});

function stageOf(part: PlacedPart, circuit: Circuit): BuildStage {
  const { conductor, body } = kindOf(part.kind);
  if (isPowerSource(part)) return 'source';
  if (!conductor) return lowBodies.has(body) ? 'low-parts' : 'tall-parts';
  const node = circuit.nodeOf(part, part.legs[0]!.leg);
  if (circuit.feed(node) === 'supply') return 'supply-wires';
  return circuit.side(node) === 'ground' ? 'rails' : 'signal-wires';
}

const firstRow = (part: PlacedPart): number =>
  Math.min(...part.legs.map(({ at }) => (at?.type === 'hole' || at?.type === 'rail' ? at.row : 99)));

const placeOf = (at: Point | null): string => (at ? shortNameOf(at) : 'nothing');

function putIn(part: PlacedPart): string {
  const kind = kindOf(part.kind);
  const what = `the ${kind.describe(part.value)} ${part.ref}`;
  const used = part.legs.filter(({ at }) => at !== null);
  if (kind.conductor || (kind.symmetrical && used.length === 2))
    return `Put ${what} from ${placeOf(used[0]?.at ?? null)} to ${placeOf(used[1]?.at ?? null)}.`;
  if (used.length === 0) return `Lay ${what} beside the breadboard.`;
  const title = (leg: string): string => kind.legs.find(({ name }) => name === leg)?.title ?? leg;
  return `Put ${what} in: ${used.map(({ leg, at }) => `${title(leg)} in ${placeOf(at)}`).join(', ')}.`;
}

function checkpointOf(part: PlacedPart): string {
  const kind = kindOf(part.kind);
  if (kind.conductor) return 'Pull gently at both ends: they hold.';
  const knownBy = kind.legs.find((leg) => leg.knownBy !== undefined);
  if (!kind.symmetrical && knownBy)
    return `${knownBy.title}: ${knownBy.knownBy}. Is it in ${placeOf(part.legs.find(({ leg }) => leg === knownBy.name)?.at ?? null)}?`;
  const places = part.legs.flatMap(({ at }) => (at ? [shortNameOf(at)] : []));
  return places.length > 0
    ? `Count again: its legs are in ${places.join(' and ')}, in different rows.`
    : 'It lies where its leads reach.';
}

/** What is done to get from one build to the next. */
export interface ChangeStep {
  readonly number: number;
  readonly deed: 'remove' | 'move' | 'add';
  readonly ref: Ref;
  readonly text: string;
}

/**
 * The steps from one exercise's wiring to the next: take out, move, put in in the order that the house rules
 * ask for. Wires are the same when their
 * ends and colour are, whatever they are called.
 */
export function changeSteps(before: Wiring, after: Wiring, wiringOrder: WiringOrder): readonly ChangeStep[] {
  const wireKey = (part: PlacedPart): string =>
    [part.value.text, ...part.legs.map(({ at }) => (at ? nameOf(at) : '')).sort()].join('|');
  const isWire = (part: PlacedPart): boolean => kindOf(part.kind).conductor;
  const oldWires = before.parts.filter(isWire);
  const keys = (wires: readonly PlacedPart[]): ReadonlySet<string> => new Set(wires.map(wireKey));
  const newWires = after.parts.filter(isWire);
  const steps: Omit<ChangeStep, 'number'>[] = [];
  const isSamePart = (one: PlacedPart, other: PlacedPart | undefined): boolean =>
    other !== undefined && other.kind === one.kind && other.value.text === one.value.text;
  for (const wire of oldWires)
    if (!keys(newWires).has(wireKey(wire)))
      steps.push({
        deed: 'remove',
        ref: wire.ref,
        text: `Take out the ${kindOf(wire.kind).describe(wire.value)} between ${wire.legs.map(({ at }) => placeOf(at)).join(' and ')}.`,
      });
  for (const part of before.parts.filter((candidate) => !isWire(candidate)))
    if (!isSamePart(part, findPart(after, part.ref)))
      steps.push({
        deed: 'remove',
        ref: part.ref,
        text: `Take out the ${kindOf(part.kind).describe(part.value)} ${part.ref}.`,
      });
  for (const part of after.parts.filter((candidate) => !isWire(candidate))) {
    const old = findPart(before, part.ref);
    if (!isSamePart(part, old)) continue;
    const moved = part.legs.filter(({ at }, index) => placeOf(at) !== placeOf(old!.legs[index]!.at));
    if (moved.length > 0)
      steps.push({
        deed: 'move',
        ref: part.ref,
        text: `Move ${part.ref}: ${moved.map(({ leg, at }) => `${kindOf(part.kind).legs.find(({ name }) => name === leg)!.title} to ${placeOf(at)}`).join(', ')}.`,
      });
  }
  for (const step of buildSteps(after, wiringOrder)) {
    const part = findPart(after, step.ref)!;
    const isThere = isWire(part)
      ? keys(oldWires).has(wireKey(part))
      : isSamePart(part, findPart(before, part.ref));
    if (!isThere) steps.push({ deed: 'add', ref: part.ref, text: step.text });
  }
  return steps.map((step, index) => ({ number: index + 1, ...step }));
}
