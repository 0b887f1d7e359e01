import type { JunctionModel } from './junction';

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
    }
  /** A voltage from `to` up to `from`, behind an inner resistance that may be zero. */
  | {
      readonly type: 'source';
      readonly from: SolverNode;
      readonly to: SolverNode;
      readonly volts: number;
      readonly ohms: number;
    };

export interface Circuit {
  /** Number of nodes, the reference included. */
  readonly nodeCount: number;
  readonly elements: readonly Element[];
}
