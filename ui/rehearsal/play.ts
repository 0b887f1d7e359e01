import { touched, type Touch } from '@/core/rehearsal/hands';
import type { Stimulus } from '@/core/stimuli';

/** Seconds of the run for one second of the clock. */
export const SPEEDS = [0.01, 0.05, 0.2, 0.5, 1, 2, 5, 20] as const;

/** Seconds that a run by hand is worked out to at first, and at most. */
const FIRST_BY_HAND = 10;
export const MOST_BY_HAND = 600;
/** Seconds before the end of what is worked out at which more of it is asked for. */
const AHEAD = 4;

/** What is played: a scenario that was written down, or what hands do. */
export interface Script {
  /** `undefined` for a run by hand. */
  readonly scenario: string | undefined;
  readonly seconds: number;
  readonly stimuli: readonly Stimulus[];
}

/** A run as it is looked at. */
export interface Play extends Script {
  /** Seconds of the run from its start. */
  readonly at: number;
  readonly going: 'on' | 'off';
  readonly speed: number;
}

export const BY_HAND: Script = { scenario: undefined, seconds: FIRST_BY_HAND, stimuli: [] };

export type PlayAction =
  /** The clock of the page has gone on by so many seconds; `known` says how far the run is worked out. */
  | { readonly type: 'frame'; readonly elapsed: number; readonly known: number }
  | { readonly type: 'go on' | 'stand still' | 'begin again' }
  | { readonly type: 'seek'; readonly at: number }
  | { readonly type: 'at speed'; readonly speed: number }
  | { readonly type: 'play'; readonly script: Script }
  | { readonly type: 'touch'; readonly touch: Touch };

export const playOf = (script: Script): Play => ({ ...script, at: 0, going: 'off', speed: 1 });

/** The play after an action. */
export function playAfter(play: Play, action: PlayAction): Play {
  switch (action.type) {
    case 'frame':
      return play.going === 'on' ? goneOn(play, action.elapsed, action.known) : play;
    case 'go on':
      // From its end a written run begins again.
      return { ...play, going: 'on', at: isOver(play) ? 0 : play.at };
    case 'stand still':
      return { ...play, going: 'off' };
    case 'begin again':
      return play.scenario === undefined ? { ...play, ...BY_HAND, at: 0 } : { ...play, at: 0 };
    case 'seek':
      return withRoom({ ...play, going: 'off', at: Math.max(0, Math.min(action.at, play.seconds)) });
    case 'at speed':
      return { ...play, speed: action.speed };
    case 'play':
      return { ...play, ...action.script, at: 0, going: 'on' };
    case 'touch': {
      const { seconds, at } = play;
      const stimuli = touched(play.stimuli, action.touch, at);
      return withRoom({
        ...play,
        scenario: undefined,
        stimuli,
        seconds: Math.max(play.scenario === undefined ? seconds : 0, at + FIRST_BY_HAND),
      });
    }
  }
}

/** Whether a written run has come to its end. */
export const isOver = ({ scenario, at, seconds }: Play): boolean =>
  at >= seconds && (scenario !== undefined || seconds >= MOST_BY_HAND);

function goneOn(play: Play, elapsed: number, known: number): Play {
  const at = Math.min(play.at + elapsed * play.speed, play.seconds, known);
  const next = withRoom({ ...play, at });
  return isOver(next) ? { ...next, going: 'off' } : next;
}

/** A run by hand is worked out further before its end is reached. */
function withRoom(play: Play): Play {
  const { scenario, at, seconds, speed } = play;
  if (scenario !== undefined || seconds >= MOST_BY_HAND) return play;
  if (seconds - at > AHEAD * Math.max(1, speed)) return play;
  return { ...play, seconds: Math.min(MOST_BY_HAND, Math.max(seconds * 2, at + FIRST_BY_HAND)) };
}

/** The next speed above or below. */
export function speedBeside(speed: number, way: 'faster' | 'slower'): number {
  const place = SPEEDS.findIndex((one) => one >= speed);
  const next = place + (way === 'faster' ? 1 : -1);
  return SPEEDS[Math.max(0, Math.min(SPEEDS.length - 1, next))]!;
}

/** A speed as it is said: `1/20`, `2 ×`. */
export const speedText = (speed: number): string => (speed < 1 ? `1/${Math.round(1 / speed)}` : `${speed} ×`);
