import { ref } from '@/core/brand';
import { turnedStep, type QuarterTurns } from '@/core/drawing/turn';
import { kindOf } from '@/core/parts';
import { findPart, type Wiring } from '@/core/wiring/wiring';
import type { Step } from '@/core/worksheet/nudge';
import type { Chosen } from './chosen';

/** How the drawings are looked at. */
export interface DrawingState {
  /** The part or leg that the keys act on. */
  readonly chosen: Chosen | undefined;
  readonly turns: QuarterTurns;
  /** Whether the drawings have the whole width of the worksheet, its steps put away. */
  readonly isWide: boolean;
  /** Whether the node of what is chosen shows. */
  readonly isTracing: boolean;
  /** The current that is followed: which of its ways, and how far. */
  readonly following: { readonly way: number; readonly step: number } | undefined;
}

export type DrawingAction =
  | { readonly type: 'choose'; readonly chosen: Chosen | undefined }
  | { readonly type: 'next part'; readonly by: 1 | -1 }
  | { readonly type: 'next leg' | 'trace chosen' | 'follow current' | 'turn drawing' | 'widen' | 'let go' }
  | { readonly type: 'another way'; readonly of: number }
  | { readonly type: 'go to step'; readonly step: number };

export const DRAWING_AT_REST: DrawingState = {
  chosen: undefined,
  turns: 0,
  isWide: false,
  isTracing: false,
  following: undefined,
};

/** Parts that can be chosen: wires are traced instead. */
export const choosable = ({ parts }: Wiring) => parts.filter(({ kind }) => !kindOf(kind).conductor);

/** How a wiring is looked at after an action. */
export function drawingAfter(state: DrawingState, action: DrawingAction, wiring: Wiring): DrawingState {
  const { chosen, following } = state;
  switch (action.type) {
    case 'choose':
      return { ...state, chosen: action.chosen };
    case 'next part':
      return { ...state, chosen: partBeside(wiring, chosen, action.by) };
    case 'next leg':
      return { ...state, chosen: legBehind(wiring, chosen) };
    case 'trace chosen':
      return { ...state, isTracing: !state.isTracing };
    case 'follow current':
      return { ...state, following: following ? undefined : { way: 0, step: 0 } };
    case 'another way':
      return following ? { ...state, following: { way: (following.way + 1) % action.of, step: 0 } } : state;
    case 'go to step':
      return following ? { ...state, following: { ...following, step: action.step } } : state;
    case 'turn drawing':
      return { ...state, turns: ((state.turns + 1) % 4) as QuarterTurns };
    case 'widen':
      return { ...state, isWide: !state.isWide };
    case 'let go': {
      const isAtRest = !chosen && !following && !state.isTracing;
      return {
        ...state,
        chosen: undefined,
        isTracing: false,
        following: undefined,
        isWide: state.isWide && !isAtRest,
      };
    }
  }
}

function partBeside(wiring: Wiring, chosen: Chosen | undefined, by: 1 | -1): Chosen | undefined {
  const parts = choosable(wiring);
  if (parts.length === 0) return undefined;
  const at = parts.findIndex((part) => part.ref === chosen?.ref);
  const next = at < 0 && by < 0 ? parts.length - 1 : (at + by + parts.length) % parts.length;
  return { ref: parts[next]!.ref, leg: null };
}

/** The next leg of a part, and behind the last one the part again; the first part when none is chosen. */
function legBehind(wiring: Wiring, chosen: Chosen | undefined): Chosen | undefined {
  const part = chosen && findPart(wiring, ref(chosen.ref));
  if (!part) return partBeside(wiring, undefined, 1);
  const legs = [null, ...part.legs.map(({ leg }): string => leg)];
  return { ref: part.ref, leg: legs[(legs.indexOf(chosen.leg) + 1) % legs.length]! };
}

const arrows: Readonly<Record<string, Step>> = {
  ArrowUp: { rows: -1, columns: 0 },
  ArrowDown: { rows: 1, columns: 0 },
  ArrowLeft: { rows: 0, columns: -1 },
  ArrowRight: { rows: 0, columns: 1 },
};

/** A key on the drawing as what it does; `undefined` for a key that does nothing. */
export function actionOfKey(
  key: string,
  { turns }: DrawingState,
): DrawingAction | { readonly type: 'nudge'; readonly by: Step } | { readonly type: 'hold' } | undefined {
  const step = arrows[key];
  if (step) return { type: 'nudge', by: turnedStep(step, turns) };
  switch (key) {
    case 'n':
      return { type: 'next part', by: 1 };
    case 'N':
      return { type: 'next part', by: -1 };
    case 'l':
      return { type: 'next leg' };
    case 't':
      return { type: 'trace chosen' };
    case 'f':
      return { type: 'follow current' };
    case 'r':
      return { type: 'turn drawing' };
    case 'w':
      return { type: 'widen' };
    case 'h':
      return { type: 'hold' };
    case 'Escape':
      return { type: 'let go' };
    default:
      return undefined;
  }
}
