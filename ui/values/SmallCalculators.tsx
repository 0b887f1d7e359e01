'use client';

import { useState } from 'react';
import {
  analogCount,
  batteryHours,
  chargeSeconds,
  dividerVolts,
  mapped,
  mappedFrom,
  powerMw,
  pullStrength,
  pwmMeanVolts,
  timeConstantSeconds,
} from '@/core/electrics/values/formulas';
import { figure, milliamps, ohms, seconds, volts } from '@/core/units';
import { Calculator, QuantityField, Worked } from './Calculator';
import { readCapacitance, readCount, readPositive, readResistance, type Reading } from './quantities';

/** A field's text with what is read of it. */
function useField(first: string, read: (text: string) => Reading) {
  const [text, setText] = useState(first);
  return { text, reading: read(text), onChange: setText };
}

const positive = (what: string) => (text: string) => readPositive(text, what);
const count = (what: string, most: number) => (text: string) => readCount(text, what, most);

/** Counts of the converters of the boards here. */
const ANALOG_RANGE = 1023;
const PWM_RANGE = 255;
/** What a pin leaks to, in Ω: the figure of the boards here. */
const LEAK_OHMS = 100e6;

/** Two resistors that share a voltage, and the count that an analog input makes of it. */
export function Divider() {
  const supply = useField('5', positive('The supply'));
  const upper = useField('10k', readResistance);
  const lower = useField('10k', readResistance);
  const [u, r1, r2] = [supply.reading.amount, upper.reading.amount, lower.reading.amount];
  const middle =
    u !== undefined && r1 !== undefined && r2 !== undefined ? dividerVolts(u, r1, r2) : undefined;
  return (
    <Calculator
      title="Divider"
      formula="Um = U · R2 / (R1 + R2)"
      fields={
        <>
          <QuantityField label="Supply U" unit="V" {...supply} />
          <QuantityField label="Upper R1" unit="Ω" {...upper} />
          <QuantityField label="Lower R2" unit="Ω" {...lower} />
        </>
      }
      worked={
        middle !== undefined && (
          <>
            <Worked
              steps={`Um = ${volts(u!)} · ${ohms(r2!)} / (${ohms(r1!)} + ${ohms(r2!)})`}
              result={volts(middle)}
            />
            <p className="text-note text-soft">
              An analog input counts {analogCount(middle, ANALOG_RANGE, u!)} of {ANALOG_RANGE}. The divider
              itself takes {milliamps((u! / (r1! + r2!)) * 1e3)}.
            </p>
          </>
        )
      }
    />
  );
}

/** What a pull resistor costs while the button is pressed, and whether it holds. */
export function PullResistor() {
  const supply = useField('5', positive('The supply'));
  const pull = useField('10k', readResistance);
  const [u, r] = [supply.reading.amount, pull.reading.amount];
  const strength = u !== undefined && r !== undefined ? pullStrength(u, r, LEAK_OHMS) : undefined;
  return (
    <Calculator
      title="Pull resistor"
      formula="I = U / R while pressed"
      fields={
        <>
          <QuantityField label="Supply U" unit="V" {...supply} />
          <QuantityField label="Resistor R" unit="Ω" {...pull} />
        </>
      }
      worked={
        strength && (
          <>
            <Worked steps={`I = ${volts(u!)} / ${ohms(r!)}`} result={milliamps(strength.pressedMa)} />
            <p className="text-note text-soft">
              Released, the line is {volts(strength.offsetVolts)} off its level:{' '}
              {strength.isFirm ? 'held firmly' : 'too weak; it may be read either way'}.
            </p>
          </>
        )
      }
    />
  );
}

/** The mean of a pin that is switched fast. */
export function Pwm() {
  const high = useField('5', positive('The high level'));
  const duty = useField('128', count('The count', PWM_RANGE));
  const [u, n] = [high.reading.amount, duty.reading.amount];
  return (
    <Calculator
      title="Dimmed pin"
      formula="mean = count / 255 · U"
      fields={
        <>
          <QuantityField label="High level U" unit="V" {...high} />
          <QuantityField label="Count" unit="of 255" {...duty} />
        </>
      }
      worked={
        u !== undefined &&
        n !== undefined && (
          <Worked
            steps={`mean = ${n} / ${PWM_RANGE} · ${volts(u)}`}
            result={`${volts(pwmMeanVolts(n, PWM_RANGE, u))}, on for ${Math.round((100 * n) / PWM_RANGE)} % of the time`}
          />
        )
      }
    />
  );
}

/** A count taken from one range to another in whole numbers. */
export function Mapping() {
  const value = useField('512', count('The count', 65535));
  const fromMost = useField('1023', count('The end of the first range', 65535));
  const toMost = useField('10', count('The end of the second range', 65535));
  const [x, a, b] = [value.reading.amount, fromMost.reading.amount, toMost.reading.amount];
  const isRead = x !== undefined && a !== undefined && a > 0 && b !== undefined;
  const result = isRead ? mapped(x, [0, a], [0, b]) : 0;
  const same = isRead ? mappedFrom(result, [0, a], [0, b]) : undefined;
  return (
    <Calculator
      title="Range to range"
      formula="y = x · b / a, cut to a whole number"
      fields={
        <>
          <QuantityField label="Count x" unit="" {...value} />
          <QuantityField label="From 0 to a" unit="" {...fromMost} />
          <QuantityField label="To 0 to b" unit="" {...toMost} />
        </>
      }
      worked={
        isRead && (
          <>
            <Worked steps={`y = ${x} · ${b} / ${a}`} result={result} />
            {same && (
              <p className="text-note text-soft">
                Every count from {same[0]} to {same[1]} gives {result}.
              </p>
            )}
          </>
        )
      }
    />
  );
}

/** How long a capacitor takes through a resistor. */
export function Charging() {
  const resistor = useField('10k', readResistance);
  const capacitor = useField('100n', readCapacitance);
  const [r, c] = [resistor.reading.amount, capacitor.reading.amount];
  return (
    <Calculator
      title="Resistor and capacitor"
      formula="τ = R · C"
      fields={
        <>
          <QuantityField label="Resistor R" unit="Ω" {...resistor} />
          <QuantityField label="Capacitor C" unit="F" {...capacitor} />
        </>
      }
      worked={
        r !== undefined &&
        c !== undefined && (
          <>
            <Worked
              steps={`τ = ${ohms(r)} · ${capacitor.text}`}
              result={seconds(timeConstantSeconds(r, c))}
            />
            <p className="text-note text-soft">
              Half charged after {seconds(chargeSeconds(r, c, 0.5))}, to 99 % after{' '}
              {seconds(chargeSeconds(r, c, 0.99))}.
            </p>
          </>
        )
      }
    />
  );
}

/** What a resistor turns into heat. */
export function Heat() {
  const current = useField('8', positive('The current'));
  const resistor = useField('330', readResistance);
  const [i, r] = [current.reading.amount, resistor.reading.amount];
  const power = i !== undefined && r !== undefined ? powerMw(i, r) : undefined;
  return (
    <Calculator
      title="Heat in a resistor"
      formula="P = I² · R"
      fields={
        <>
          <QuantityField label="Current I" unit="mA" {...current} />
          <QuantityField label="Resistor R" unit="Ω" {...resistor} />
        </>
      }
      worked={
        power !== undefined && (
          <>
            <Worked steps={`P = (${figure(i!)} mA)² · ${ohms(r!)}`} result={`${figure(power)} mW`} />
            <p className={power > RESISTOR_MW ? 'font-semibold text-risk' : 'text-note text-soft'}>
              {power > RESISTOR_MW
                ? `More than the ${RESISTOR_MW} mW of a kit resistor: it gets too hot.`
                : `${Math.round((100 * power) / RESISTOR_MW)} % of what a kit resistor can take.`}
            </p>
          </>
        )
      }
    />
  );
}

/** What a quarter-watt kit resistor stands. */
const RESISTOR_MW = 250;

/** How long batteries last. */
export function BatteryLife() {
  const charge = useField('2000', positive('The charge'));
  const current = useField('25', positive('The mean current'));
  const [q, i] = [charge.reading.amount, current.reading.amount];
  return (
    <Calculator
      title="Battery life"
      formula="t = Q / I"
      fields={
        <>
          <QuantityField label="Charge Q" unit="mAh" {...charge} />
          <QuantityField label="Mean current I" unit="mA" {...current} />
        </>
      }
      worked={
        q !== undefined &&
        i !== undefined && (
          <Worked
            steps={`t = ${figure(q)} mAh / ${figure(i)} mA`}
            result={`${figure(batteryHours(q, i))} h`}
          />
        )
      }
    />
  );
}
