import type { BoardProfile } from '../../boards';
import type { LegName, Ref } from '../../brand';
import type { Bench, PartStates, PinDrives } from '../../electrics/bench';
import type { BenchPoint } from '../../electrics/bench-point';
import type { Observation } from '../../finding';
import type { Netlist, NodeId } from '../../wiring/netlist';
import type { Wiring } from '../../wiring/wiring';

/** A state of pins and parts that occurred or is to be assumed, and what the circuit comes to in it. */
export interface SolvedState {
  readonly drives: PinDrives;
  /** Parts that are not at rest. */
  readonly parts: PartStates;
  readonly point: BenchPoint;
}

/** What the wiring rules look at. */
export interface RuleContext {
  readonly wiring: Wiring;
  readonly netlist: Netlist;
  readonly bench: Bench;
  readonly board: BoardProfile;
  readonly states: readonly SolvedState[];
  /** Pins that the program read while nothing held them; `undefined` where no program ran. */
  readonly floatingPins: ReadonlySet<string> | undefined;
  /** Whether the program uses the serial line. */
  readonly usesSerial: boolean;
}

/** One rule: what it sees in a wiring. Rules are independent of each other and of the exercise. */
export type Rule = (context: RuleContext) => readonly Observation[];

/** The node of a leg. */
export const nodeAt = ({ netlist }: Pick<RuleContext, 'netlist'>, ref: Ref, leg: LegName): NodeId =>
  netlist.nodeAt.get(`${ref}.${leg}` as never)!;

/** Names of the pins that some state drives high or low. */
export const drivenPins = ({ states }: RuleContext): ReadonlySet<string> =>
  new Set(
    states.flatMap(({ drives }) =>
      [...drives].flatMap(([pin, { mode }]) =>
        mode === 'high' || mode === 'low' || mode === 'pwm' ? [pin] : [],
      ),
    ),
  );

/** What a node is joined to on the board: ground, a supply, or neither. */
export function sideOfNode({ netlist, board }: RuleContext, node: NodeId): 'ground' | 'supply' | undefined {
  const roles = netlist.nodes[node]!.pins.map(
    (pin) => board.supplies.find((supply) => supply.name === pin)?.role,
  );
  if (roles.includes('ground')) return 'ground';
  return roles.includes('supply') || roles.includes('input') ? 'supply' : undefined;
}
