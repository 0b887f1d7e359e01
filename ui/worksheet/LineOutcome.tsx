import { useMemo } from 'react';
import { ref } from '@/core/brand';
import type { StatedLine } from '@/core/statements';
import { wireColours } from '@/core/drawing/colours';
import { aspectOf, closeUp } from '@/core/drawing/close-up';
import { drawBench } from '@/core/drawing/bench';
import { figure } from '@/core/units';
import { linePlaceOf, type LegPlace, type PartPlace } from '@/core/worksheet/line-place';
import { BenchFigure } from '../drawing/BenchFigure';
import { useTold, useWords } from '../words/Words';
import { useRested, useRestedWiring } from './useRested';
import { useWorksheet } from './useWorksheet';

/** What is worked out of a line, at its end: current and brightness of its LEDs, or how many parts it is. */
export function LineSummary({ line }: { readonly line: StatedLine }) {
  const figures = useWorksheet((state) => state.readOut.figures);
  const leds = figures?.leds.filter(({ ref: name }) => line.refs.some((own) => own === name)) ?? [];
  const [led] = leds;
  if (led)
    return (
      <span className="whitespace-nowrap">
        <strong>{figure(led.currentMa)}</strong>
        <span className="text-[0.9em]"> mA</span>, {Math.round(led.brightness * 100)} %
        {leds.length > 1 && ' each'}
      </span>
    );
  return line.refs.length > 0 ? (
    <span className="text-soft">{line.refs.length === 1 ? '' : `${line.refs.length} parts`}</span>
  ) : null;
}

/** Parts and wires of a line that are told one by one; more are counted. */
const MOST_PARTS = 3;
const MOST_WIRES = 4;
const MOST_LEGS = 4;

/** What becomes of the line that is being written: its picture, holes, wires, cautions and findings. */
export function LineOutcome({ line }: { readonly line: StatedLine }) {
  const wiring = useRestedWiring();
  const readOut = useRested();
  const say = useWords();
  const cautions = useTold(readOut.cautions);
  // Each letter makes new names of the line's parts, mostly the same: those that are stay.
  const names = line.refs.join(' ');
  const refs = useMemo(() => names.split(' ').map(ref), [names]);
  const place = useMemo(() => wiring && linePlaceOf(wiring, refs), [wiring, refs]);
  const drawing = useMemo(() => wiring && drawBench(wiring, { crop: 'used' }), [wiring]);
  // The part that the line is about; its resistors are in its company.
  const near = useMemo(() => drawing && closeUp(drawing, new Set<string>(refs.slice(0, 1))), [drawing, refs]);
  if (!place || place.parts.length === 0) return null;
  const isOurs = (said: { readonly refs: readonly string[] }): boolean =>
    said.refs.some((name) => refs.some((own) => own === name));
  const { wires } = place;
  return (
    <div className="mt-1 mb-2 ml-19 flex items-start gap-4" role="group" aria-label="Where it is">
      {near && (
        <BenchFigure
          drawing={near}
          title={`${refs[0]} from near`}
          className="h-28 max-w-44 shrink-0 border border-rule bg-card"
          style={{ aspectRatio: aspectOf(near) }}
        />
      )}
      <div className="min-w-0 text-note">
        {place.parts.slice(0, MOST_PARTS).map((part) => (
          <p key={part.ref}>
            <span className="mono font-semibold">{part.ref}</span> <Legs part={part} />
          </p>
        ))}
        {place.parts.length > MOST_PARTS && (
          <p className="text-soft">and {place.parts.length - MOST_PARTS} more parts</p>
        )}
        {wires.slice(0, MOST_WIRES).map((wire) => (
          <p key={wire.ref} className="flex items-center gap-1.5">
            <span
              aria-hidden="true"
              className="h-1 w-4 shrink-0 border border-ink/30"
              style={{ background: wireColours[wire.colour] }}
            />
            <span>
              <span className="mono">{wire.ref}</span> {wire.colour},{' '}
              <span className="mono">{wire.from}</span> to <span className="mono">{wire.to}</span>
            </span>
          </p>
        ))}
        {wires.length > MOST_WIRES && <p className="text-soft">and {wires.length - MOST_WIRES} more wires</p>}
        {readOut.remarks?.filter(isOurs).map((remark) => (
          <p
            key={`${remark.code} ${remark.message}`}
            className={`font-semibold ${remark.severity === 'fault' ? 'text-fault' : remark.severity === 'risk' ? 'text-risk' : 'text-soft'}`}
          >
            {say(remark.title)}
          </p>
        ))}
        {cautions.filter(isOurs).map((caution) => (
          <p key={caution.text}>
            <span aria-hidden="true" className="font-bold text-risk">
              !{' '}
            </span>
            {caution.text}
          </p>
        ))}
      </div>
    </div>
  );
}

function Legs({ part: { legs } }: { readonly part: PartPlace }) {
  if (legs.length > MOST_LEGS)
    return (
      <>
        {legs.length} legs, from <span className="mono">{legs[0]!.at ?? 'nothing'}</span> to{' '}
        <span className="mono">{legs.at(-1)!.at ?? 'nothing'}</span>
      </>
    );
  return legs.map((leg, index) => (
    <span key={`${leg.title}${leg.at ?? ''}${index}`}>
      {index > 0 && ', '}
      {leg.title && `${leg.title} `}
      <span className="mono">{leg.at ?? 'free'}</span>
      <Meets leg={leg} />
    </span>
  ));
}

/** What a leg meets, the first of it: on a ground of many parts the rest says nothing. */
function Meets({ leg: { meets } }: { readonly leg: LegPlace }) {
  const [first] = meets;
  return first === undefined ? null : <span className="text-soft"> with {first}</span>;
}
