'use client';

import { memo, useMemo } from 'react';
import { useStore } from 'zustand';
import type { PinDrive } from '@/core/electrics/bench';
import type { Playing } from './useRehearsal';

/** What each pin that the program uses does now. */
export function PinTable({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const replay = useStore(rehearsal, ({ runs }) => runs?.runs[index]?.replay);
  const at = useStore(rehearsal, ({ play }) => play.at);
  const pins = useMemo(() => [...(replay?.pinsAt(at) ?? [])], [replay, at]);
  if (pins.length === 0) return null;
  return (
    <table aria-label="Pins" className="w-full border-t border-ink text-left">
      <tbody>
        {pins.map(([pin, drive]) => (
          <Pin key={pin} pin={pin} says={driveWords(drive)} />
        ))}
      </tbody>
    </table>
  );
}

const Pin = memo(function Pin({ pin, says }: { readonly pin: string; readonly says: string }) {
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="w-40 px-4 py-1 text-note font-normal">
        pin <span className="mono">{pin}</span>
      </th>
      <td className="px-2 py-1 text-note">{says}</td>
    </tr>
  );
});

/** Pulses a second up to which a pin is taken to speak to a servo: they want 50, and bear twice as many. */
const SERVO_HERTZ = 100;

/** What is done with a pin, as one says it at the bench. */
function driveWords(drive: PinDrive): string {
  switch (drive.mode) {
    case 'high':
      return 'HIGH';
    case 'low':
      return 'LOW';
    case 'pwm':
      // What a servo follows is the length of its pulses; what a buzzer follows, how many there are.
      if (drive.hertz !== undefined && drive.hertz <= SERVO_HERTZ)
        return `pulses of ${Math.round((drive.duty / drive.hertz) * 1e5) / 100} ms`;
      return `${drive.hertz === undefined ? '' : `${Math.round(drive.hertz)} Hz, `}on for ${Math.round(drive.duty * 1000) / 10} % of the time`;
    case 'pullup':
      return 'listens, pull-up on';
    case 'pulldown':
      return 'listens, pull-down on';
    case 'input':
      return 'listens';
  }
}
