import type { BoardProfile } from '../boards';
import { brightnessAt } from '../electrics/brightness';
import { heardIntervals } from '../rehearsal/heard';
import { lightsOf, driveText, observedSeconds, type Trace } from '../rehearsal/trace';
import type { Wiring } from '../wiring/wiring';

/**
 * One change of a signal: `U1.13` drives, `D1` brightness from 0 to 1, `Z1` Hz, `M1` degrees, `X1` the rows of a
 * panel or the lines of a display. Times in seconds.
 */
export interface SignalChange {
  readonly t: number;
  readonly signal: string;
  readonly value: string | number;
}

/** The open form of a trace. */
export interface TraceDocument {
  readonly changes: readonly SignalChange[];
  readonly serial: string;
  readonly ended: string;
}

/** A signal with a name and what it is from each moment on. */
interface Signal {
  readonly name: string;
  readonly changes: readonly { readonly at: number; readonly value: string | number }[];
}

/** Everything about parts that a person could see or hear. */
function partSignals(trace: Trace): readonly Signal[] {
  const signals = <Change extends { readonly at: number }>(
    map: ReadonlyMap<string, readonly Change[]>,
    value: (change: Change) => string | number,
  ): readonly Signal[] =>
    [...map].map(([name, changes]) => ({
      name,
      changes: changes.map((change) => ({ at: change.at, value: value(change) })),
    }));
  const heard = new Map(
    [...trace.sounds].map(([ref, changes]) => [
      ref as string,
      heardIntervals(changes, observedSeconds(trace)).map(({ from, hertz }) => ({ at: from, hertz })),
    ]),
  );
  return [
    ...signals(lightsOf(trace), ({ currentMa }) => brightnessAt(currentMa)),
    ...signals(heard, ({ hertz }) => hertz),
    ...signals(trace.angles, ({ degrees }) => degrees),
    ...signals(trace.turns, ({ speed }) => speed),
    ...signals(trace.pulls, ({ isPulled }) => (isPulled ? 1 : 0)),
    ...signals(trace.pictures, ({ rows }) => rows.map((row) => row.toString(16).padStart(2, '0')).join(' ')),
    ...signals(trace.texts, ({ lines }) => lines.map((line) => line.trimEnd()).join('\n')),
  ];
}

/** A trace as a list of changes in the order of time. */
export function traceChanges(trace: Trace, wiring: Wiring, board: BoardProfile): TraceDocument {
  const owner = wiring.board?.ref ?? 'U1';
  const pins = [...trace.pins].map(([pin, changes]): Signal => ({
    name: `${owner}.${pin}`,
    changes: changes.map(({ at, drive }) => ({ at, value: driveText(drive, board.pwm.range) })),
  }));
  return {
    changes: [...pins, ...partSignals(trace)]
      .flatMap(({ name, changes }) => changes.map(({ at, value }) => ({ t: at, signal: name, value })))
      .sort((a, b) => a.t - b.t),
    serial: trace.serial.map((piece) => piece.text).join(''),
    ended: trace.ended.reason,
  };
}

/** A trace as a value-change dump (IEEE 1364), for any wave viewer. Time unit: one microsecond. */
export function valueChangeDump(trace: Trace, board: BoardProfile): string {
  const pins = [...trace.pins].map(([pin, changes]) => ({
    name: `pin_${pin}`,
    kind: 'wire 1',
    changes: changes.map(({ at, drive }) => ({ at, text: levelText(drive.mode) })),
  }));
  const parts = partSignals(trace).map(({ name, changes }) => {
    const isText = changes.some(({ value }) => typeof value === 'string');
    return {
      name: name.replace('.', '_'),
      kind: isText ? 'string 1' : 'real 64',
      changes: changes.map(({ at, value }) => ({
        at,
        text: isText ? `s${String(value).replace(/\s/g, '_')} ` : `r${value} `,
      })),
    };
  });
  const signals = [...pins, ...parts].map((signal, index) => ({ ...signal, code: codeOf(index) }));
  const lines = ['$timescale 1 us $end', `$scope module ${board.id.replace(/-/g, '_')} $end`];
  for (const { name, kind, code } of signals) lines.push(`$var ${kind} ${code} ${name} $end`);
  lines.push('$upscope $end', '$enddefinitions $end');
  const events = signals
    .flatMap(({ changes, code }) =>
      changes.map(({ at, text }) => ({ at: Math.round(at * 1e6), text: `${text}${code}` })),
    )
    .sort((a, b) => a.at - b.at);
  let now = -1;
  for (const { at, text } of events) {
    if (at !== now) lines.push(`#${at}`);
    now = at;
    lines.push(text);
  }
  lines.push(`#${Math.round(trace.ended.at * 1e6)}`);
  return `${lines.join('\n')}\n`;
}

const levelText = (mode: string): string =>
  mode === 'high' || mode === 'pullup'
    ? '1'
    : mode === 'low' || mode === 'pulldown'
      ? '0'
      : mode === 'input'
        ? 'z'
        : 'x';

/** Short names of signals in a dump: the printable letters, and pairs of them when there are more. */
function codeOf(index: number): string {
  const letter = String.fromCharCode(33 + (index % 94));
  return index < 94 ? letter : codeOf(Math.floor(index / 94) - 1) + letter;
}
