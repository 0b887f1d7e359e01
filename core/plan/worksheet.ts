import { pointName, type PointName } from '../brand';
import { prepareBench, type PartStates, type PinDrive, type PinDrives } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { budgetOf, type BudgetLine } from './budget';
import { worstCase } from '../electrics/worst-case';
import { brightnessAt } from '../electrics/brightness';
import { referencePins, type Exercise } from '../formats/exercise';
import { contactStates, extremeStates } from '../judge/states';
import { isResistor, kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import { looksLikeInput } from '../wiring/inputs';
import type { CircuitNode, NodeId } from '../wiring/netlist';
import { legPoint, shortNameOf, type PlacedPart, type Point } from '../wiring/wiring';

/** What the reference circuit computes for one LED. */
export interface LedFigures {
  readonly ref: string;
  readonly title: string;
  /** How many lights it has; the figures are those of the brightest. */
  readonly lights: number;
  readonly pin: string | undefined;
  readonly currentMa: number;
  /** Lowest and highest over the spread of the parts; `undefined` until it has been worked out. */
  readonly worstMa: readonly [number, number] | undefined;
  /** As the eye sees it, 0 to 1. */
  readonly brightness: number;
}

/** A pin, or a leg with the hole that it is in. */
export interface ConnectionEnd {
  readonly text: string;
  readonly isPin: boolean;
  /** `U1.13`, `D1.anode`. */
  readonly point: PointName;
}

/** One connection of the exercise, as a sentence is made of it. */
export interface Connection {
  readonly name: string;
  readonly role: 'supply' | 'ground' | 'signal' | 'sense';
  /** What is joined, in order: pins first. */
  readonly ends: readonly ConnectionEnd[];
  readonly wires: readonly { readonly ref: string; readonly colour: string }[];
  /** A point on the node, to follow it on the drawing. */
  readonly point: Point | undefined;
}

export interface WorksheetFigures {
  readonly leds: readonly LedFigures[];
  readonly resistors: readonly { readonly ref: string; readonly powerMw: number }[];
  readonly connections: readonly Connection[];
  /** What is used of the board's limits, tightest first: what would break first stands first. */
  readonly budget: readonly BudgetLine[];
  readonly legCount: number;
  readonly lastRow: number;
}

/** Power that a usual quarter-watt kit resistor stands, in mW. */
export const RESISTOR_RATING_MW = 250;

/**
 * Everything that the Worksheet says in figures about an exercise's reference. The worst case takes two
 * more solutions for every part; it can be left for later.
 */
export function worksheetFigures(
  { reference, ...exercise }: Exercise,
  worstCases: 'with worst cases' | 'without worst cases' = 'with worst cases',
): WorksheetFigures {
  const circuit = new Circuit(reference);
  const pins = referencePins({ reference, ...exercise });
  const allHigh = new Map(
    pins
      .filter((pin) => !looksLikeInput(circuit, pin))
      .map((pin): [string, PinDrive] => [pin, { mode: 'high' }]),
  );
  const states = brightestStates(circuit, allHigh);
  const drives = lightingDrives(circuit, allHigh, states);
  const point = solveBench(prepareBench(circuit, { states }), drives);
  const worst = worstCases === 'with worst cases' ? worstCase(circuit, drives, { states }) : undefined;
  const leds = reference.parts.flatMap((part): readonly LedFigures[] => {
    // Of several lights in one housing the brightest speaks for all.
    const lights = [...point.leds].filter(([name]) => name === part.ref || name.startsWith(`${part.ref}.`));
    const [first] = [...lights].sort(([, a], [, b]) => b - a);
    if (!first) return [];
    const [name, currentMa] = first;
    const fed = [...point.pins].find(
      ([, { currentMa: given }]) => Math.abs(Math.abs(given) - currentMa) < 0.01,
    );
    return [
      {
        ref: part.ref,
        title: kindOf(part.kind).describe(part.value),
        lights: lights.length,
        pin: fed?.[0],
        currentMa,
        worstMa: worst && (worst.leds.get(name) ?? [currentMa, currentMa]),
        brightness: brightnessAt(currentMa),
      },
    ];
  });
  const resistors = reference.parts
    .filter(isResistor)
    .map((part) => ({ ref: part.ref as string, powerMw: point.parts.get(part.ref)?.powerMw ?? 0 }));
  const placed = reference.parts.filter(
    (part) => !kindOf(part.kind).conductor || part.legs.some((leg) => leg.at),
  );
  const rows = reference.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at.row] : [])),
  );
  return {
    leds: leds,
    resistors,
    budget: budgetOf(exercise.board, point, worst),
    connections: circuit.nodes
      .filter((node) => node.terminals.length > 0)
      .map((node) => connectionOf(node, circuit, exercise.data.nets)),
    legCount: placed.reduce((count, part) => count + part.legs.length, 0),
    lastRow: Math.max(0, ...rows),
  };
}

/** Least current at which a light counts as lit, in mA. */
const LIT_MA = 0.01;

/** The levels of the pins at which lights are lit: high, but for those that draw a light's current to themselves. */
function lightingDrives(circuit: Circuit, allHigh: PinDrives, states: PartStates): PinDrives {
  const bench = prepareBench(circuit, { states });
  const isLit = (ref: string, drives: PinDrives): boolean =>
    [...solveBench(bench, drives).leds].some(
      ([name, currentMa]) => (name === ref || name.startsWith(`${ref}.`)) && currentMa >= LIT_MA,
    );
  const { leds } = solveBench(bench, allHigh);
  const dark = circuit.parts.filter(({ ref }) => {
    const own = [...leds].filter(([name]) => name === ref || name.startsWith(`${ref}.`));
    return own.length > 0 && own.every(([, currentMa]) => currentMa < LIT_MA);
  });
  let drives = allHigh;
  for (const part of dark) {
    const behindLegs = circuit.nodesOf(part).map((node) =>
      [
        ...circuit.reach(node, {
          through: isResistor,
          notBeyond: (next) => circuit.node(next).pins.length > 0,
        }),
      ].flatMap((reached) => circuit.signalsAt(reached).filter((pin) => allHigh.has(pin))),
    );
    const ways = [behindLegs.flat(), ...behindLegs].filter((pins) => pins.length > 0);
    for (const pins of ways) {
      const low = new Map([...drives, ...pins.map((pin): [string, PinDrive] => [pin, { mode: 'low' }])]);
      if (isLit(part.ref, low)) {
        drives = low;
        break;
      }
    }
  }
  return drives;
}

/**
 * The position of all that a hand or the room changes in which most current flows through the lights, and chips with all
 * their outputs on: what they are made for.
 */
function brightestStates(circuit: Circuit, drives: PinDrives): PartStates {
  const [rest, ...others] = contactStates(circuit);
  const lightMa = (states: PartStates): number =>
    [...solveBench(prepareBench(circuit, { states }), drives).leds.values()].reduce(
      (sum, currentMa) => sum + currentMa,
      0,
    );
  // With a board its pins do the switching, and buttons are read.
  if (circuit.wiring.board) {
    const on = circuit.parts.flatMap(({ ref, kind }) => {
      const { allOn } = kindOf(kind);
      return allOn ? [[ref, allOn] as const] : [];
    });
    return new Map([...rest!, ...on]);
  }
  return [...others, ...extremeStates(circuit)].reduce(
    (best, states) => (lightMa(states) > lightMa(best) ? states : best),
    rest!,
  );
}

function connectionOf(node: CircuitNode, circuit: Circuit, nets: Exercise['data']['nets']): Connection {
  const legs = circuit.legsAt(node.id);
  const points = legs.map(({ part, leg }) => part.legs.find((placed) => placed.leg === leg)!.at);
  const wires = [...new Set(node.wireEnds.map((end) => end.ref))].map((ref) => ({
    ref: ref as string,
    colour: circuit.part(ref)!.value.text,
  }));
  return {
    name:
      nets.find((net) =>
        net.points.some((name) =>
          node.terminals.some(({ ref, leg }) => name.toLowerCase() === `${ref}.${leg}`.toLowerCase()),
        ),
      )?.name ?? '',
    role: roleOfNode(circuit, node.id),
    ends: [
      ...node.pins.map((text) => ({
        text,
        isPin: true,
        point: pointName(`${circuit.wiring.board!.ref}.${text}`),
      })),
      ...legs.map(({ part, leg }) => ({
        text: legPhrase(part, leg),
        isPin: false,
        point: legPoint(part.ref, leg),
      })),
    ],
    wires,
    point: points.find((at) => at !== null) ?? undefined,
  };
}

/** What a node is for, as its colour says it. */
export const roleOfNode = (circuit: Circuit, node: NodeId): Connection['role'] =>
  circuit.side(node) ?? (circuit.node(node).pins.length > 0 ? 'signal' : (circuit.pole(node) ?? 'sense'));

function legPhrase(part: PlacedPart, leg: string): string {
  const kind = kindOf(part.kind);
  const title = kind.legs.find((known) => known.name === leg)?.title ?? leg;
  const at = part.legs.find((placed) => placed.leg === leg)?.at;
  return `${part.ref} ${kind.symmetrical && kind.legs.length === 2 ? '' : `${title} `}${at ? shortNameOf(at) : ''}`
    .replace(/\s+/g, ' ')
    .trim();
}
