import type { BoardProfile } from '../boards';
import { brightnessAt } from '../electrics/brightness';
import { driveText, type Trace } from '../rehearsal/trace';
import type { Wiring } from '../wiring/wiring';

/** One change of a signal: `U1.13` drives, `D1` brightness from 0 to 1. Times in seconds. */
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

/** A trace as a list of changes in the order of time. */
export function traceChanges(trace: Trace, wiring: Wiring, board: BoardProfile): TraceDocument {
  const owner = wiring.board?.ref ?? 'U1';
  const pins = [...trace.pins].flatMap(([pin, changes]) =>
    changes.map(({ at, drive }) => ({
      t: at,
      signal: `${owner}.${pin}`,
      value: driveText(drive, board.pwm.range),
    })),
  );
  const lamps = [...trace.lamps].flatMap(([ref, changes]) =>
    changes.map(({ at, currentMa }) => ({ t: at, signal: ref as string, value: brightnessAt(currentMa) })),
  );
  return {
    changes: [...pins, ...lamps].sort((a, b) => a.t - b.t),
    serial: trace.serial.map((piece) => piece.text).join(''),
    ended: trace.ended.reason,
  };
}

/** A trace as a value-change dump (IEEE 1364), for any wave viewer. Time unit: one microsecond. */
export function valueChangeDump(trace: Trace, board: BoardProfile): string {
  const signals = [
    ...[...trace.pins].map(([pin, changes]) => ({
      name: `pin_${pin}`,
      kind: 'wire 1',
      changes: changes.map(({ at, drive }) => ({ at, text: levelText(drive.mode) })),
    })),
    ...[...trace.lamps].map(([ref, changes]) => ({
      name: ref as string,
      kind: 'real 64',
      changes: changes.map(({ at, currentMa }) => ({ at, text: `r${brightnessAt(currentMa)} ` })),
    })),
  ].map((signal, index) => ({ ...signal, code: String.fromCharCode(33 + index) }));
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
  mode === 'high' || mode === 'pullup' ? '1' : mode === 'low' ? '0' : mode === 'input' ? 'z' : 'x';
