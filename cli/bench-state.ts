import { withArticle } from '@/core/words/words';
import { findPin, type BoardProfile } from '@/core/boards';
import { ref, type Ref } from '@/core/brand';
import type { PartStates, PinDrive, PinDrives } from '@/core/electrics/bench';
import { kindOf, type PartState, type StimulusKind } from '@/core/parts';
import { findPart, type Wiring } from '@/core/wiring/wiring';
import { Unusable } from './input';

/** The options by which a command line puts a circuit into a state. */
export const stateOptions = {
  set: { type: 'string', multiple: true },
  press: { type: 'string', multiple: true },
  turn: { type: 'string', multiple: true },
  light: { type: 'string', multiple: true },
  warm: { type: 'string', multiple: true },
  distance: { type: 'string', multiple: true },
  motion: { type: 'string', multiple: true },
} as const;

type Given = { readonly [Name in keyof typeof stateOptions]?: readonly string[] | undefined };

export interface GivenState {
  readonly drives: PinDrives;
  readonly states: PartStates;
}

/** How a stimulus with a number is written, its range, and the state that it sets. */
const amounts = {
  turn: { range: [0, 1], example: 'P1=0.5', state: (position: number) => ({ position }) },
  light: { range: [0, 1], example: 'L1=0.3', state: (light: number) => ({ light }) },
  warm: { range: [-40, 125], example: 'T1=31', state: (celsius: number) => ({ celsius }) },
  distance: { range: [0, 10], example: 'X1=0.4', state: (metres: number) => ({ metres }) },
} as const;

/** Reads `--set`, `--press` and the like; each unusable one is named as it was typed. */
export function readState(given: Given, wiring: Wiring): GivenState {
  const drives = new Map<string, PinDrive>();
  for (const text of given.set ?? []) {
    const [pin, drive] = readSetting(text, wiring.board?.profile);
    drives.set(pin, drive);
  }
  const states = new Map<Ref, Partial<PartState>>();
  const put = (name: Ref, state: Partial<PartState>): void =>
    void states.set(name, { ...states.get(name), ...state });
  for (const text of given.press ?? []) put(partFor('press', text, text, wiring), { pressed: true });
  for (const text of given.motion ?? []) put(partFor('motion', text, text, wiring), { moving: true });
  for (const [name, { range, example, state }] of Object.entries(amounts))
    for (const text of given[name as keyof typeof amounts] ?? []) {
      const match = /^([^=]+)=(-?\d+(?:\.\d+)?)$/.exec(text.trim());
      const amount = Number(match?.[2]);
      if (!match) throw new Unusable(`--${name} ${text}: write it like ${example}`);
      if (amount < range[0] || amount > range[1])
        throw new Unusable(`--${name} ${text}: it goes from ${range[0]} to ${range[1]}`);
      put(partFor(name as StimulusKind, match[1]!, text, wiring), state(amount));
    }
  return { drives, states };
}

const partFor = (stimulus: StimulusKind, name: string, typed: string, wiring: Wiring): Ref =>
  touchedPart(stimulus, name, `--${stimulus} ${typed}`, wiring);

/** The part that something is done to; `place` says where it was asked for when it cannot be done. */
export function touchedPart(stimulus: StimulusKind, name: string, place: string, wiring: Wiring): Ref {
  const part = findPart(wiring, ref(name.trim().toUpperCase()));
  if (!part) throw new Unusable(`${place}: the table has no part ${name.trim()}`);
  const kind = kindOf(part.kind);
  if (kind.stimulus !== stimulus)
    throw new Unusable(`${place}: that cannot be done to ${withArticle(kind.title)}`);
  return part.ref;
}

/** `13=high`, `2=pullup`, `9=pwm:128`. */
function readSetting(text: string, board: BoardProfile | undefined): [string, PinDrive] {
  const match = /^([^=]+)=(high|low|input|pullup|pwm:(\d+))$/i.exec(text.trim());
  if (!match) throw new Unusable(`--set ${text}: write it like 13=high, 2=pullup or 9=pwm:128`);
  const pin = board && findPin(board, match[1]!.trim().replace(/^[A-Z]+\d*\./i, ''));
  if (!board || !pin) throw new Unusable(`--set ${text}: the board has no pin ${match[1]}`);
  if (match[3] === undefined)
    return [pin.name, { mode: match[2]!.toLowerCase() as 'high' | 'low' | 'input' | 'pullup' }];
  const value = Number(match[3]);
  if (!pin.functions.includes('pwm')) throw new Unusable(`--set ${text}: pin ${pin.name} has no PWM`);
  if (value > board.pwm.range) throw new Unusable(`--set ${text}: PWM goes from 0 to ${board.pwm.range}`);
  return [pin.name, { mode: 'pwm', duty: value / board.pwm.range }];
}
