import type { JunctionModel } from './junction';
import type { TransistorModel } from './transistor';

/** Index of a solver node; 0 is the reference at 0 V. */
export type SolverNode = number;

export type Element =
  | {
      readonly type: 'resistor';
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly ohms: number;
      /** An insulation that leaks: it holds a voltage, but it is not a path that keeps a node from floating. */
      readonly leak?: boolean;
    }
  | {
      readonly type: 'junction';
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly model: JunctionModel;
      /**
       * Protects a chip's pin: `forward` is a path from anode to cathode only, so that a signal feeds a
       * chip without supply; `none` is no path at all.
       */
      readonly clamp?: 'forward' | 'none';
    }
  /** Passes no steady current; kept so that an exported netlist has it. */
  | {
      readonly type: 'capacitor';
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly farads: number;
    }
  | {
      readonly type: 'transistor';
      /** Collector and emitter. */
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly base: SolverNode;
      readonly model: TransistorModel;
    }
  /** A voltage from `to` up to `from`, behind an inner resistance that may be zero. */
  | {
      readonly type: 'source';
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly volts: number;
      readonly ohms: number;
    }
  /**
   * A chip's output: behind `ohms` it holds `volts` above `minus`, or what the supply has above `minus`
   * when that is less. It gives current from the supply and takes current to `minus`.
   */
  | {
      readonly type: 'output';
      /** The supply. */
      readonly from: SolverNode;
      /** The output. */
      readonly to: SolverNode;
      readonly minus: SolverNode;
      readonly volts: number;
      readonly ohms: number;
    };

export interface Network {
  /** Number of nodes, the reference included. */
  readonly nodeCount: number;
  readonly elements: readonly Element[];
}

/** Which ways an element is a path that keeps a node from floating. */
export function passageOf(element: Element): 'both' | 'forward' | 'none' {
  switch (element.type) {
    case 'capacitor':
      return 'none';
    case 'resistor':
      return element.leak ? 'none' : 'both';
    case 'junction':
      return element.clamp ?? 'both';
    case 'transistor':
    case 'source':
    case 'output':
      return 'both';
  }
}
