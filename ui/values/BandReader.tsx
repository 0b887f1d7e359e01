'use client';

import { useState } from 'react';
import { fiveBands, fourBands, misreadPairs } from '@/core/electrics/values/bands';
import { nearestInSeries } from '@/core/electrics/values/series';
import { bandColours } from '@/core/drawing/colours';
import { USUAL_KIT } from '@/core/statements';
import { ohms } from '@/core/units';
import { Calculator, QuantityField } from './Calculator';
import { readResistance } from './quantities';

/** A resistance as bands, of four and of five, and what it is easily taken for. */
export function BandReader() {
  const [text, setText] = useState('330');
  const reading = readResistance(text);
  const { amount } = reading;
  const series = amount === undefined ? undefined : nearestInSeries(amount, 'E12');
  return (
    <Calculator
      title="Bands of a resistor"
      formula="digit, digit, zeros, tolerance"
      fields={<QuantityField label="Resistance" unit="Ω" text={text} reading={reading} onChange={setText} />}
      worked={
        amount !== undefined && (
          <>
            <Bands colours={fourBands(amount)} words="four bands, 5 %" />
            <Bands colours={fiveBands(amount)} words="five bands, 1 %" />
            {series !== undefined && Math.abs(series - amount) > amount * 1e-6 && (
              <p className="text-note text-soft">The series of twelve has {ohms(series)} nearest to it.</p>
            )}
            <Misread amount={amount} />
          </>
        )
      }
    />
  );
}

function Bands({
  colours,
  words,
}: {
  readonly colours: readonly (keyof typeof bandColours & string)[];
  readonly words: string;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 py-1">
      <svg width="168" height="40" viewBox="0 0 168 40" aria-hidden="true">
        <path d="M0 20h168" stroke="var(--leg)" strokeWidth="3" />
        <rect x="18" y="6" width="132" height="28" rx="8" fill="var(--body)" stroke="var(--ink)" />
        {colours.map((colour, index) => (
          <rect
            key={index}
            x={index === colours.length - 1 ? 128 : 34 + index * 20}
            y="6.8"
            width="10"
            height="26.4"
            fill={bandColours[colour]}
          />
        ))}
      </svg>
      <span>
        {colours.join(', ')} <span className="text-note text-soft">{words}</span>
      </span>
    </div>
  );
}

function Misread({ amount }: { readonly amount: number }) {
  const others = misreadPairs([...new Set([amount, ...USUAL_KIT.ohms])].sort((a, b) => a - b)).flatMap(
    ([one, other]) => (one === amount ? [other] : other === amount ? [one] : []),
  );
  if (others.length === 0) return null;
  return (
    <p className="text-note text-soft">In the kit, easily mistaken for {others.map(ohms).join(' or ')}.</p>
  );
}
