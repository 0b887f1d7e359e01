/** A side of a box. */
export type Side = 'WEST' | 'EAST' | 'NORTH' | 'SOUTH';

/** What a layout engine is given: boxes with ports at fixed places, and lines between ports. */
export interface EngineGraph {
  readonly boxes: readonly {
    readonly id: string;
    readonly width: number;
    readonly height: number;
    readonly ports: readonly {
      readonly id: string;
      readonly x: number;
      readonly y: number;
      readonly side: Side;
    }[];
    /** Boxes that belong at the left or right edge. */
    readonly edge?: 'first' | 'last';
  }[];
  readonly lines: readonly { readonly id: string; readonly from: string; readonly to: string }[];
}

export interface EnginePoint {
  readonly x: number;
  readonly y: number;
}

/** Where the engine puts boxes, and the corners of each line. */
export interface EngineLayout {
  readonly width: number;
  readonly height: number;
  readonly boxes: ReadonlyMap<string, EnginePoint>;
  readonly lines: ReadonlyMap<string, readonly EnginePoint[]>;
}

/** A layout engine for left-to-right graphs with right-angled lines; loaded by the caller. */
export type SchematicEngine = (graph: EngineGraph) => Promise<EngineLayout>;
