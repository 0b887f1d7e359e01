import type { BoardSocket } from '../boards';
import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import type { LimitUse } from '../electrics/values/formulas';
import { limitUses } from '../electrics/values/limits';
import { worstCase } from '../electrics/worst-case';
import { brightnessAt } from '../electrics/brightness';
import type { Exercise } from '../formats/exercise';
import { referencePins } from '../judge/compare';
import { looksLikeInput } from '../judge/states';
import { isPowerSource, kindOf } from '../parts';
import { netlistOf, type CircuitNode } from '../wiring/netlist';
import { findPart, shortNameOf, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';

/** What the reference circuit computes for one lamp. */
export interface LampFigures {
  readonly ref: string;
  readonly title: string;
  /** How many lights it has; the figures are those of the brightest. */
  readonly lights: number;
  readonly pin: string | undefined;
  readonly currentMa: number;
  readonly worstMa: readonly [number, number];
  /** As the eye sees it, 0 to 1. */
  readonly brightness: number;
}

/** One connection of the exercise, as a sentence is made of it. */
export interface Connection {
  readonly name: string;
  readonly role: 'supply' | 'ground' | 'signal' | 'sense';
  /** What is joined, in order: pins first. */
  readonly ends: readonly { readonly text: string; readonly isPin: boolean }[];
  readonly wires: readonly { readonly ref: string; readonly colour: string }[];
  /** A point on the node, to follow it on the drawing. */
  readonly point: Point | undefined;
}

export interface WorksheetFigures {
  readonly lamps: readonly LampFigures[];
  readonly resistors: readonly { readonly ref: string; readonly powerMw: number }[];
  readonly connections: readonly Connection[];
  /** The board's limits that are used most, tightest first. */
  readonly limits: readonly LimitUse[];
  readonly legCount: number;
  readonly lastRow: number;
}

/** Limits that the Worksheet names. */
const MOST_LIMITS = 3;
/** Share of a limit below which it is not worth a word. */
const LEAST_SHARE = 0.01;

/** Power that a usual quarter-watt kit resistor stands, in mW. */
export const RESISTOR_RATING_MW = 250;

/** Everything that the Worksheet says in figures about an exercise's reference. */
export function worksheetFigures({ reference, ...exercise }: Exercise): WorksheetFigures {
  const netlist = netlistOf(reference);
  const pins = referencePins({ reference, ...exercise });
  const drives = new Map(
    pins
      .filter((pin) => !looksLikeInput(reference, netlist, pin))
      .map((pin): [string, PinDrive] => [pin, { mode: 'high' }]),
  );
  const point = solveBench(prepareBench(reference, netlist), drives);
  const worst = worstCase(reference, netlist, drives).lamps;
  const lamps = reference.parts.flatMap((part): readonly LampFigures[] => {
    // Of several lights in one housing the brightest speaks for all.
    const lights = [...point.lamps].filter(([name]) => name === part.ref || name.startsWith(`${part.ref}.`));
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
        worstMa: worst.get(name) ?? [currentMa, currentMa],
        brightness: brightnessAt(currentMa),
      },
    ];
  });
  const resistors = reference.parts
    .filter((part) => part.kind === 'resistor')
    .map((part) => ({ ref: part.ref as string, powerMw: point.parts.get(part.ref)?.powerMw ?? 0 }));
  const placed = reference.parts.filter(
    (part) => !kindOf(part.kind).conductor || part.legs.some((leg) => leg.at),
  );
  const rows = reference.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at.row] : [])),
  );
  return {
    lamps,
    resistors,
    limits: tellingLimits(limitUses(exercise.board, point)),
    connections: netlist.nodes
      .filter((node) => node.terminals.length > 0)
      .map((node) => connectionOf(node, reference, exercise.data.nets)),
    legCount: placed.reduce((count, part) => count + part.legs.length, 0),
    lastRow: Math.max(0, ...rows),
  };
}

function connectionOf(node: CircuitNode, wiring: Wiring, nets: Exercise['data']['nets']): Connection {
  const supplies = wiring.board?.profile.supplies ?? [];
  const pinRole = node.pins.map((pin) => roleOfSocket(supplies.find((supply) => supply.name === pin)))[0];
  const legs = node.terminals.map(({ ref, leg }) => ({ part: findPart(wiring, ref)!, leg }));
  const points = legs.map(({ part, leg }) => part.legs.find((placed) => placed.leg === leg)!.at);
  const wires = [...new Set(node.wireEnds.map((end) => end.ref))].map((ref) => ({
    ref: ref as string,
    colour: findPart(wiring, ref)!.value.text,
  }));
  return {
    name:
      nets.find((net) =>
        net.points.some((name) =>
          node.terminals.some(({ ref, leg }) => name.toLowerCase() === `${ref}.${leg}`.toLowerCase()),
        ),
      )?.name ?? '',
    role: pinRole ?? roleOfSource(legs) ?? 'sense',
    ends: [
      ...node.pins.map((text) => ({ text, isPin: true })),
      ...legs.map(({ part, leg }) => ({ text: legPhrase(part, leg), isPin: false })),
    ],
    wires,
    point: points.find((at) => at !== null) ?? undefined,
  };
}

const roleOfSocket = (socket: BoardSocket | undefined): 'ground' | 'supply' | 'signal' =>
  socket === undefined ? 'signal' : socket.role === 'ground' ? 'ground' : 'supply';

/** The tightest limits that say something: of single pins only the busiest, and nothing next to unused. */
function tellingLimits(uses: readonly LimitUse[]): readonly LimitUse[] {
  const busiest = uses.find(({ what }) => what.startsWith('pin '));
  return uses
    .filter((use) => use.share >= LEAST_SHARE && (use === busiest || !use.what.startsWith('pin ')))
    .slice(0, MOST_LIMITS);
}

/** What a battery on the node makes of it. */
function roleOfSource(
  legs: readonly { readonly part: PlacedPart; readonly leg: string }[],
): 'ground' | 'supply' | undefined {
  const pole = legs.find(({ part }) => isPowerSource(part));
  return pole && (pole.leg === 'minus' ? 'ground' : 'supply');
}

function legPhrase(part: PlacedPart, leg: string): string {
  const kind = kindOf(part.kind);
  const title = kind.legs.find((known) => known.name === leg)?.title ?? leg;
  const at = part.legs.find((placed) => placed.leg === leg)?.at;
  return `${part.ref} ${kind.symmetrical && kind.legs.length === 2 ? '' : `${title} `}${at ? shortNameOf(at) : ''}`
    .replace(/\s+/g, ' ')
    .trim();
}
