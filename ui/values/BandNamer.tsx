'use client';

import { useState } from 'react';
import { bandColours } from '@/core/drawing/colours';
import { bandNames, bandsIn, readEitherWay, type BandColour } from '@/core/electrics/values/bands';
import { nearestInSeries } from '@/core/electrics/values/series';
import { ohms } from '@/core/units';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Calculator } from './Calculator';

const MOST_BANDS = 5;

/** Bands as they are seen, clicked or typed, and the resistance that they say, also from the wrong end. */
export function BandNamer() {
  const [text, setText] = useState('orange orange brown gold');
  const bands = bandsIn(text);
  const put = (next: readonly BandColour[]): void => setText(next.join(' '));
  return (
    <Calculator
      title="Resistance of bands"
      formula="begin at the end opposite gold or silver"
      fields={
        <div className="w-full">
          <label className="block max-w-96">
            <span className="text-note text-soft">Colours of the bands</span>
            <input
              value={text}
              aria-invalid={bands === undefined ? true : undefined}
              autoCapitalize="off"
              spellCheck={false}
              onChange={(event) => setText(event.target.value)}
              className="mono w-full border-b border-rule-strong bg-transparent py-1"
            />
          </label>
          <div className="mt-2 flex flex-wrap items-center gap-1.5">
            {bandNames.map((colour) => (
              <button
                key={colour}
                type="button"
                disabled={(bands ?? []).length >= MOST_BANDS}
                onClick={() => put([...(bands ?? []), colour])}
                className="flex min-h-9 items-center gap-1.5 border border-rule-strong bg-card px-2 text-note hover:border-ink disabled:text-soft"
              >
                <span
                  aria-hidden="true"
                  className="h-5 w-2 border border-rule-strong"
                  style={{ backgroundColor: bandColours[colour] }}
                />
                {colour}
              </button>
            ))}
            <Button disabled={!bands || bands.length === 0} onClick={() => put((bands ?? []).slice(0, -1))}>
              Last one off
            </Button>
            <Button disabled={!bands || bands.length === 0} onClick={() => setText('')}>
              Clear
            </Button>
          </div>
        </div>
      }
      worked={bands ? <Read bands={bands} /> : <Problem>A word in there is no colour of a band.</Problem>}
    />
  );
}

function Read({ bands }: { readonly bands: readonly BandColour[] }) {
  if (bands.length < 3)
    return <p className="text-soft">Name three bands or more, from the end that they are nearer to.</p>;
  const { ahead, behind } = readEitherWay(bands);
  const said = ({ ohms: amount, tolerance }: { readonly ohms: number; readonly tolerance: number }): string =>
    `${ohms(amount)}, ${Number((tolerance * 100).toPrecision(3))} %`;
  if (!ahead.ok)
    return behind ? (
      <p>
        <strong>Read from the wrong end:</strong> {ahead.problems[0]!.message}. The other way round it is{' '}
        <strong>{said(behind)}</strong>.
      </p>
    ) : (
      <Problem>{`${ahead.problems[0]!.message}.`}</Problem>
    );
  const usual = nearestInSeries(ahead.value.ohms, 'E24');
  const isUsual = usual !== undefined && Math.abs(usual - ahead.value.ohms) < ahead.value.ohms * 1e-3;
  return (
    <>
      <p className="text-lead">
        <strong>{said(ahead.value)}</strong>
      </p>
      {behind && (
        <p className="text-note text-soft">
          From the other end it would be {said(behind)}
          {isUsual ? '.' : ', and no resistor is made with what it says from this one: turn it round.'}
        </p>
      )}
    </>
  );
}
