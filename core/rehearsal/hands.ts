import type { Ref } from '../brand';
import { AT_REST, kindOf, type PartState, type StimulusKind } from '../parts';
import { brought, definitionOf, touchedBy, type MeasuredKind, type Stimulus } from '../stimuli';
import type { PlacedPart } from '../wiring/wiring';
import { timelineOf } from './timeline';

/** Something that a hand does to a running circuit, now. */
export type Touch =
  | { readonly touch: 'hold'; readonly how: 'press' | 'motion'; readonly ref: Ref }
  | { readonly touch: 'let go'; readonly ref: Ref }
  | { readonly touch: 'bring'; readonly how: MeasuredKind; readonly ref: Ref; readonly to: number }
  | { readonly touch: 'type'; readonly text: string }
  | { readonly touch: 'reset' };

/** A part by its name and its kind. */
type Named = Pick<PlacedPart, 'ref' | 'kind'>;

/** A part that a hand can do something to. */
export interface Touchable {
  readonly ref: Ref;
  readonly kind: string;
  readonly how: StimulusKind;
  /** Whether it stays as it is left, and has but two places: a slide switch. */
  readonly isLatching: boolean;
}

/** The parts of a circuit to which something can be done, in its order. */
export const touchables = (parts: readonly Named[]): readonly Touchable[] =>
  parts.flatMap(({ ref, kind }) => {
    const { stimulus, contact } = kindOf(kind);
    return stimulus === undefined ? [] : [{ ref, kind, how: stimulus, isLatching: contact === 'latching' }];
  });

/** Shortest time for which something is held: a quick tap on a slow screen is one all the same. */
const SHORTEST_HOLD = 0.03;

/** Times as a person would say them: to a thousandth of a second. */
const said = (seconds: number): number => Math.round(seconds * 1000) / 1000;

/** Stimuli with one touch more, at a moment of the run; what was to come behind it does not come any more. */
export function touched(stimuli: readonly Stimulus[], touch: Touch, moment: number): readonly Stimulus[] {
  const at = said(moment);
  const before = stimuli.filter((stimulus) => stimulus.at <= at);
  switch (touch.touch) {
    case 'hold': {
      const { how, ref: part } = touch;
      if (isHeld(before, part, at)) return before;
      return [...before, how === 'press' ? { at, press: part } : { at, motion: part }];
    }
    case 'let go':
      return before.map((stimulus) => letGo(stimulus, touch.ref, at));
    case 'bring': {
      const { how, ref: part, to } = touch;
      // Of several places within a moment only the last counts.
      const kept = before.filter((stimulus) => !(stimulus.at === at && touchedBy(stimulus)?.name === part));
      return [...kept, brought(how, { part, at, to })];
    }
    case 'type':
      return [...before, { at, serial: touch.text }];
    case 'reset':
      return [...before, { at, reset: true }];
  }
}

/** Whether a part is held at a moment, with no end in sight. */
export const isHeld = (stimuli: readonly Stimulus[], part: Ref, at: number): boolean =>
  stimuli.some((stimulus) => {
    if (
      touchedBy(stimulus)?.name !== part ||
      stimulus.at > at ||
      !('press' in stimulus || 'motion' in stimulus)
    )
      return false;
    const lasts = definitionOf(stimulus).lasts(stimulus);
    return lasts === undefined || stimulus.at + lasts > at;
  });

function letGo(stimulus: Stimulus, part: Ref, at: number): Stimulus {
  if (!isHeld([stimulus], part, at)) return stimulus;
  return { ...stimulus, for: Math.max(SHORTEST_HOLD, said(at - stimulus.at)) } as Stimulus;
}

/** In which state the stimuli have brought a part at a moment. */
export function stateAt(stimuli: readonly Stimulus[], part: Ref, at: number): PartState {
  return timelineOf(stimuli.filter((stimulus) => touchedBy(stimulus)?.name === part))
    .filter((change) => change.at <= at)
    .reduce<PartState>((state, change) => ({ ...state, ...change.state }), AT_REST);
}
