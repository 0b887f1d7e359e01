import type { PointName } from '../brand';

/** What a shape is, for whoever gives it a colour: a style sheet on screen, a palette in print. */
export type Role =
  | 'sheet'
  | 'sheet-edge'
  | 'rule'
  | 'trough'
  | 'strip'
  | 'rail-plus'
  | 'rail-minus'
  | 'hole'
  | 'hole-used'
  | 'socket'
  | 'socket-used'
  | 'leg'
  | 'body'
  | 'outline'
  | 'plate'
  | 'wire-casing'
  | 'trace'
  | 'ghost'
  | 'mark'
  | 'sign'
  | 'leg-mark'
  | 'pin-name'
  | 'pin-name-used'
  | 'note'
  | 'caption'
  | 'column-name'
  | 'row-name'
  | 'row-name-fifth'
  | 'part-name'
  | 'wire-name';

/** A colour that belongs to the thing itself: a wire's insulation, an LED's glass, a resistor's band. */
export interface Paint {
  readonly of: 'wire' | 'glass' | 'band' | 'electricity';
  readonly name: string;
}

export type Shape = { readonly role: Role; readonly paint?: Paint } & (
  | {
      readonly type: 'rect';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly radius?: number;
    }
  | { readonly type: 'circle'; readonly x: number; readonly y: number; readonly radius: number }
  | {
      readonly type: 'path';
      readonly path: string;
      readonly width?: number;
      readonly dashed?: boolean;
      readonly filled?: boolean;
    }
  | {
      readonly type: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle' | 'end';
    }
);

/** Where a light of a part shines from. */
export interface Light {
  /** Empty for the only one; `red`, `a3` or `g` for one of several in a housing. */
  readonly name: string;
  /** The glass, as a closed path. */
  readonly path: string;
  /** Colour of the light. */
  readonly colour: string;
}

/** Shapes that belong to one part, so that it can be pointed at as one. */
export interface Layer {
  readonly ref?: string;
  /** The body of a part, without its legs and its name. */
  readonly seat?: Box;
  readonly lights?: readonly Light[];
  /** What a part fills, its legs and its name included; wires have none. */
  readonly box?: Box;
  readonly shapes: readonly Shape[];
}

/** A place on the drawing that a leg can be put into. */
export interface Target {
  readonly point: PointName;
  readonly x: number;
  readonly y: number;
}

/** A drawing as plain data, in its own units; the same list goes to screen, print and files. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** The part of it that is to be seen; all of it without one. */
  readonly window?: Box;
  readonly layers: readonly Layer[];
  readonly targets: readonly Target[];
  /** The drawing in words, for those who do not see it. */
  readonly description: string;
}

/** An axis-parallel box. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The smallest box round all of these. */
export function boxAround(boxes: readonly [Box, ...(readonly Box[])]): Box {
  const [x, y] = [Math.min(...boxes.map((box) => box.x)), Math.min(...boxes.map((box) => box.y))];
  return {
    x,
    y,
    width: Math.max(...boxes.map((box) => box.x + box.width)) - x,
    height: Math.max(...boxes.map((box) => box.y + box.height)) - y,
  };
}
