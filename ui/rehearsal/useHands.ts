'use client';

import { useEffect, useEffectEvent, useMemo } from 'react';
import { isHeld, stateAt, touchables, type Touchable } from '@/core/rehearsal/hands';
import { endsOf } from '@/core/stimuli';
import type { Wiring } from '@/core/wiring/wiring';
import { singleKeysAreOn } from '../shell/single-keys';
import { paced } from './paced';
import type { Playing } from './useRehearsal';

/** A part under the hand of whoever looks on. */
export interface Hand extends Touchable {
  /** The key that acts on it: `1` for the first. */
  readonly key: string | undefined;
  /** Pressed or moving now, or a switch on its second side. */
  readonly isOn: (at: number) => boolean;
  /** What it is brought to, from the least to the most as 0 to 1. */
  readonly share: (at: number) => number;
  /** The hand goes on it, and off it again. Where the run stands still, each time it goes on is one of the two. */
  readonly down: () => void;
  readonly up: () => void;
  /** Brings it to a share of what there is. */
  readonly bring: (share: number) => void;
}

/** Least milliseconds between two places of something that is turned: each is a run of its own. */
const TURN_EVERY = 80;

/** What can be done to a circuit while it runs. */
export function useHands(rehearsal: Playing, parts: Wiring['parts']): readonly Hand[] {
  return useMemo(() => {
    const now = () => rehearsal.getState().play;
    /** A run that has not begun begins with the first touch. */
    const wake = (): void => {
      const { at, going } = now();
      if (at === 0 && going === 'off') rehearsal.dispatch({ type: 'go on' });
    };
    return touchables(parts).map((part, index): Hand => {
      const { ref, how, isLatching } = part;
      const [least, most] = how === 'press' || how === 'motion' ? [0, 1] : endsOf(how);
      const valueOf = (at: number): number => {
        const state = stateAt(now().stimuli, ref, at);
        const values = {
          turn: state.position,
          light: state.light,
          warm: state.celsius,
          distance: state.metres,
          press: 0,
          motion: 0,
        };
        return values[how];
      };
      const isOn = (at: number): boolean =>
        how === 'press' || how === 'motion'
          ? isHeld(now().stimuli, ref, at)
          : valueOf(at) > (least + most) / 2;
      const bring = (share: number): void => {
        if (how === 'press' || how === 'motion') return;
        const to = Math.round((least + (most - least) * share) * 100) / 100;
        rehearsal.dispatch({ type: 'touch', touch: { touch: 'bring', how, ref, to } });
      };
      const letGo = (): void => rehearsal.dispatch({ type: 'touch', touch: { touch: 'let go', ref } });
      return {
        ...part,
        key: index < 9 ? String(index + 1) : undefined,
        isOn,
        share: (at) => Math.max(0, Math.min(1, (valueOf(at) - least) / (most - least))),
        down: () => {
          wake();
          const { at, going } = now();
          if (isLatching) bring(isOn(at) ? 0 : 1);
          else if (how !== 'press' && how !== 'motion') return;
          else if (going === 'off' && isOn(at)) letGo();
          else rehearsal.dispatch({ type: 'touch', touch: { touch: 'hold', how, ref } });
        },
        up: () => {
          if (now().going === 'on' && (how === 'press' || how === 'motion')) letGo();
        },
        bring: paced(TURN_EVERY, bring),
      };
    });
  }, [rehearsal, parts]);
}

/** Lets the figures act on the parts: held as long as the key is, once for what stays as it is left. */
export function useHandKeys(hands: readonly Hand[]): void {
  const find = useEffectEvent((key: string) => hands.find((hand) => hand.key === key));
  useEffect(() => {
    const held = new Set<string>();
    const press = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement | null;
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || !singleKeysAreOn()) return;
      if (
        target?.closest(
          'input:not([type="range"]), textarea, select, [contenteditable="true"], [role="dialog"]',
        )
      )
        return;
      const hand = find(event.key);
      if (!hand) return;
      event.preventDefault();
      if (hand.how === 'press' || hand.how === 'motion' || hand.isLatching) {
        held.add(event.key);
        hand.down();
      } else document.getElementById(handId(hand.ref))?.focus();
    };
    const release = (event: KeyboardEvent): void => {
      if (held.delete(event.key)) find(event.key)?.up();
    };
    // A page that is left holds nothing any more.
    const leave = (): void => {
      for (const key of held) find(key)?.up();
      held.clear();
    };
    window.addEventListener('keydown', press);
    window.addEventListener('keyup', release);
    window.addEventListener('blur', leave);
    return () => {
      window.removeEventListener('keydown', press);
      window.removeEventListener('keyup', release);
      window.removeEventListener('blur', leave);
    };
  }, []);
}

/** Id of the control of a part, for its key. */
export const handId = (ref: string): string => `hand-${ref}`;
