'use client';

import { useState } from 'react';
import { forwardVoltsAt } from '@/core/solver/junction';
import { ledResistor } from '@/core/electrics/values/kit';
import { powerMw } from '@/core/electrics/values/formulas';
import { ledColours, ledModels } from '@/core/parts';
import { USUAL_KIT } from '@/core/statements';
import { figure, milliamps, ohms, volts } from '@/core/units';
import { ResistorBands } from '../drawing/ResistorBands';
import { BrightnessCurve } from './BrightnessCurve';
import { Calculator, QuantityField, Worked } from './Calculator';
import { readPositive } from './quantities';

/** Most that a pin of the boards here should give, in mA. */
const PIN_MA = 20;

/** The resistor of an LED: exact, of the series and of the kit, with its bands and what it makes of the LED. */
export function LedResistor() {
  const [colour, setColour] = useState('amber');
  const [supply, setSupply] = useState('5');
  const [current, setCurrent] = useState('8');
  const supplyVolts = readPositive(supply, 'The supply');
  const currentMa = readPositive(current, 'The current');
  const led = ledModels.get(colour)!;
  const isRead = supplyVolts.amount !== undefined && currentMa.amount !== undefined;
  const forward = isRead ? forwardVoltsAt(led, currentMa.amount!) : 0;
  const found = isRead ? ledResistor(led, supplyVolts.amount!, currentMa.amount!, USUAL_KIT.ohms) : undefined;
  const chosen = found?.larger ?? found?.smaller;
  return (
    <Calculator
      title="Resistor for an LED"
      formula="R = (U − Uf) / I"
      fields={
        <>
          <div className="w-40">
            <label htmlFor="led-colour" className="text-note text-soft">
              LED
            </label>
            <select
              id="led-colour"
              value={colour}
              onChange={(event) => setColour(event.target.value)}
              className="min-h-8 w-full border-b border-rule-strong bg-transparent"
            >
              {ledColours.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          </div>
          <QuantityField label="Supply U" unit="V" text={supply} reading={supplyVolts} onChange={setSupply} />
          <QuantityField
            label="Wanted current I"
            unit="mA"
            text={current}
            reading={currentMa}
            onChange={setCurrent}
          />
        </>
      }
      worked={
        found &&
        (found.exactOhms <= 0 ? (
          <p className="font-semibold text-fault">
            The supply is too low: this LED drops {volts(forward)} of the {volts(supplyVolts.amount!)}.
          </p>
        ) : (
          <>
            <Worked
              steps={`R = (${figure(supplyVolts.amount!)} V − ${figure(forward)} V) / ${figure(currentMa.amount!)} mA`}
              result={ohms(found.exactOhms)}
            />
            <ul className="mt-2">
              {[found.smaller, found.larger]
                .filter(
                  (choice, index, all) =>
                    choice && all.findIndex((one) => one?.ohms === choice.ohms) === index,
                )
                .map((choice) => (
                  <li key={choice!.ohms} className="flex flex-wrap items-baseline gap-x-3 py-0.5">
                    <strong className="mono w-20">{ohms(choice!.ohms)}</strong>
                    <ResistorBands ohms={choice!.ohms} />
                    <span>
                      gives {milliamps(choice!.currentMa)} and warms by{' '}
                      {figure(powerMw(choice!.currentMa, choice!.ohms))} mW
                      {choice!.currentMa > PIN_MA && (
                        <strong className="text-risk">, too much for a pin</strong>
                      )}
                    </span>
                  </li>
                ))}
            </ul>
            <p className="text-note text-soft">
              From the kit, next below and above. The nearest of the series of twelve is{' '}
              {ohms(found.seriesOhms ?? found.exactOhms)}.
            </p>
          </>
        ))
      }
    >
      {chosen && <BrightnessCurve currentMa={chosen.currentMa} limitMa={PIN_MA} />}
    </Calculator>
  );
}
