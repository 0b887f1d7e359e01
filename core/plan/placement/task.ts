import { findPin, findSupply, type BoardProfile } from '../../boards';
import { legName, ref, type LegName, type Ref } from '../../brand';
import type { Breadboard } from '../../breadboards';
import type { PartValue } from '../../parts';
import { findKind, isPowerSource, kindOf } from '../../parts';
import { fail, ok, type Result } from '../../result';
import type { Wiring } from '../../wiring/wiring';
import { withArticle } from '../../words/words';

/** What a net is for; it decides rails and wire colours. */
export type NetRole = 'ground' | 'supply' | 'signal' | 'inner';

export interface TaskLeg {
  readonly ref: Ref;
  readonly leg: LegName;
}

/** Points that must become one node, and nothing else with them. */
export interface TaskNet {
  readonly name: string;
  readonly role: NetRole;
  readonly pins: readonly string[];
  readonly legs: readonly TaskLeg[];
}

export interface TaskPart {
  readonly ref: Ref;
  readonly kind: string;
  readonly value: PartValue;
}

/** Conventions of a course that decide how a circuit is laid out. */
export interface PlacementRules {
  /** When a rail is used for a shared node: always for ground, or only where two or more ends meet. */
  readonly groundRail: 'always' | 'shared';
  /** Whether an LED's short leg may go straight into the ground rail. */
  readonly cathode: 'own-row' | 'into-rail';
  /** Colours by what a wire carries; signals take theirs in turn. */
  readonly colours: {
    readonly supply: string;
    readonly ground: string;
    readonly signals: readonly string[];
  };
}

export const DEFAULT_RULES: PlacementRules = {
  groundRail: 'always',
  cathode: 'own-row',
  colours: {
    supply: 'red',
    ground: 'black',
    signals: ['yellow', 'green', 'blue', 'white', 'orange', 'violet', 'grey', 'brown'],
  },
};

/** Everything that a placement starts from. */
export interface PlacementTask {
  readonly board?: { readonly ref: Ref; readonly profile: BoardProfile };
  readonly breadboards: readonly { readonly ref: Ref; readonly model: Breadboard }[];
  readonly parts: readonly TaskPart[];
  readonly nets: readonly TaskNet[];
  readonly rules: PlacementRules;
  /** A layout to keep as far as it still fits. */
  readonly earlier?: Wiring;
  /** Wires of each colour in the kit; without it there is enough of every colour. */
  readonly stock?: ReadonlyMap<string, number>;
}

export interface NamedPoints {
  readonly name: string;
  readonly points: readonly string[];
}

/** Reads nets as an exercise writes them: `U1.13`, `D1.anode`. Points that do not exist are refused. */
export function readNets(
  nets: readonly NamedPoints[],
  board: PlacementTask['board'],
  parts: readonly TaskPart[],
): Result<readonly TaskNet[]> {
  const byRef = new Map(parts.map((part) => [part.ref as string, part]));
  const seen = new Map<string, string>();
  const read: TaskNet[] = [];
  for (const [index, net] of nets.entries()) {
    const path = `nets[${index}]`;
    const pins: string[] = [];
    const legs: TaskLeg[] = [];
    for (const text of net.points) {
      const dot = text.indexOf('.');
      const owner = ref(text.slice(0, dot).toUpperCase());
      const place = text.slice(dot + 1);
      const key = `${owner}.${place.toLowerCase()}`;
      const other = seen.get(key);
      if (other !== undefined && other !== net.name)
        return fail({ message: `${text} is in the nets ${other} and ${net.name}`, path });
      seen.set(key, net.name);
      if (board && owner === board.ref) {
        const socket = findPin(board.profile, place) ?? findSupply(board.profile, place);
        if (!socket) return fail({ message: `the ${board.profile.short} has no pin ${place}`, path });
        pins.push(socket.name);
        continue;
      }
      const part = byRef.get(owner);
      if (!part) return fail({ message: `${text} names ${owner}, which is not among the parts`, path });
      const leg = legName(place.toLowerCase());
      if (!kindOf(part.kind).legs.some((known) => known.name === leg))
        return fail({ message: `${withArticle(kindOf(part.kind).title)} has no leg ${place}`, path });
      legs.push({ ref: owner, leg });
    }
    read.push({ name: net.name, role: roleOf(pins, board?.profile, legs, byRef), pins, legs });
  }
  return ok(read);
}

function roleOf(
  pins: readonly string[],
  board: BoardProfile | undefined,
  legs: readonly TaskLeg[],
  parts: ReadonlyMap<string, TaskPart>,
): NetRole {
  const sockets = pins.map((pin) => board?.supplies.find((supply) => supply.name === pin));
  if (sockets.some((socket) => socket?.role === 'ground')) return 'ground';
  if (sockets.some((socket) => socket !== undefined)) return 'supply';
  if (pins.length > 0) return 'signal';
  const battery = legs.find(({ ref: owner }) => isPowerSource(parts.get(owner)!));
  if (battery) return battery.leg === legName('minus') ? 'ground' : 'supply';
  return 'inner';
}

/** The task of laying out parts as an exercise lists them. */
export function taskFrom(
  exercise: {
    readonly parts: readonly { readonly ref: string; readonly kind: string; readonly value: string }[];
    readonly nets: readonly NamedPoints[];
  },
  board: PlacementTask['board'],
  breadboards: PlacementTask['breadboards'],
  rules: PlacementRules = DEFAULT_RULES,
): Result<PlacementTask> {
  const parts: TaskPart[] = [];
  for (const [index, part] of exercise.parts.entries()) {
    if (part.kind === 'board' || part.kind === 'breadboard') continue;
    const kind = findKind(part.kind);
    if (!kind) return fail({ message: `“${part.kind}” is no known kind`, path: `parts[${index}].kind` });
    const value = kind.readValue(part.value);
    if (!value.ok) return fail({ message: value.problems[0]!.message, path: `parts[${index}].value` });
    if (kind.conductor) continue;
    parts.push({ ref: ref(part.ref.toUpperCase()), kind: kind.kind, value: value.value });
  }
  const nets = readNets(exercise.nets, board, parts);
  return nets.ok ? ok({ ...(board ? { board } : {}), breadboards, parts, nets: nets.value, rules }) : nets;
}
