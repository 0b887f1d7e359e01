import { brightnessAt } from '../electrics/brightness';
import { lastBy, type CurrentChange, type Trace } from '../rehearsal/trace';
import { figure } from '../units';
import { meanMa } from './glances';

/** What can be more or less about a part. */
export interface Gauge {
  /** The words for more of it, behind a name and behind “should”, and for less. */
  readonly more: readonly [does: string, should: string];
  readonly less: readonly [does: string, should: string];
  /** The least difference that is noticed. */
  readonly noticed: number;
  readonly text: (value: number) => string;
  /** How much it is in a stretch of time; `undefined` where there is nothing to tell. */
  readonly in: (from: number, to: number) => number | undefined;
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** How bright a light is, to the eye. */
export const brightnessOf = (changes: readonly CurrentChange[]): Gauge => ({
  more: ['gets brighter', 'get brighter'],
  less: ['gets darker', 'get darker'],
  noticed: 0.1,
  text: (share) => `${percent(share)} bright`,
  in: (from, to) => brightnessAt(meanMa(changes, from, to)),
});

/** What can be more or less about a part, and is told of its name in a trace. */
export function gaugeOf(name: string, { angles, turns, sounds }: Trace): Gauge | undefined {
  const of = <Change extends { readonly at: number }>(
    tracks: ReadonlyMap<string, readonly Change[]>,
    value: (change: Change) => number,
    words: Omit<Gauge, 'in'>,
  ): Gauge | undefined => {
    const changes = tracks.get(name);
    return (
      changes && {
        ...words,
        in: (_, to) => {
          const last = lastBy(changes, to);
          return last && value(last);
        },
      }
    );
  };
  return (
    of(angles, ({ degrees }) => degrees, {
      more: ['turns to a larger angle', 'turn to a larger angle'],
      less: ['turns to a smaller angle', 'turn to a smaller angle'],
      noticed: 5,
      text: (degrees) => `at ${Math.round(degrees)}°`,
    }) ??
    of(turns, ({ speed }) => speed, {
      more: ['turns faster', 'turn faster'],
      less: ['turns more slowly', 'turn more slowly'],
      noticed: 0.05,
      text: (speed) => `at ${percent(speed)} of its speed`,
    }) ??
    of(sounds, ({ hertz }) => hertz, {
      more: ['sounds higher', 'sound higher'],
      less: ['sounds lower', 'sound lower'],
      noticed: 20,
      text: (hertz) => (hertz === 0 ? 'silent' : `at ${figure(hertz)} Hz`),
    })
  );
}
