'use client';

import { useState } from 'react';
import type { Calibration } from '@/core/formats/assembly';
import type { CalibrationMessage } from '@/core/messages/calibration';
import type { Told } from '../connection/newest';
import { useNewest } from '../connection/useNewest';
import { useBench } from './useBench';

/** What is found on this bench and kept for it: the angle at which a gate is shut, the light of a dark room. */
export function CalibrationList() {
  const { exercise, publicationId, calibrated, isPreview } = useBench();
  const { calibrations = [] } = exercise;
  // Where an author tries an exercise there is no bench whose values would be kept.
  if (calibrations.length === 0 || isPreview) return null;
  return (
    <section aria-labelledby="calibration-title" className="mt-5 border-t border-rule pt-3">
      <h2 id="calibration-title" className="text-bench font-bold">
        Values of your bench
      </h2>
      <p className="text-soft">Find each one, write it down here, and put it into your program.</p>
      <ul>
        {calibrations.map((calibration) => (
          <Value
            key={calibration.name}
            calibration={calibration}
            publicationId={publicationId}
            kept={calibrated[calibration.name]}
          />
        ))}
      </ul>
    </section>
  );
}

interface ValueProps {
  readonly calibration: Calibration;
  readonly publicationId: string;
  readonly kept: number | undefined;
}

function Value({ calibration: { name, ref, unit, from, to }, publicationId, kept }: ValueProps) {
  const [typed, setTyped] = useState(kept === undefined ? '' : String(kept));
  const [isLeft, setLeft] = useState(true);
  /** What the server has of it. */
  const [known, setKnown] = useState(kept ?? null);
  const [told, tell] = useNewest<CalibrationMessage>(`/api/calibrations/${publicationId}`);
  if (told?.state === 'taken' && told.message.value !== known) setKnown(told.message.value);
  const value = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
  const isNumber = value === null || !Number.isNaN(value);
  const isUnusual =
    value !== null && isNumber && ((from !== undefined && value < from) || (to !== undefined && value > to));
  const isSettled = told === undefined || told.state === 'taken' || told.state === 'refused';
  const keep = (): void => {
    setLeft(true);
    if (isNumber && !(isSettled && value === known)) tell({ name, value });
  };
  const problem = !isLeft ? undefined : isNumber ? problemOf(told) : 'Write a number.';
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-t border-rule py-2">
      <label className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3">
        <span className="min-w-40 flex-1">
          {name}
          {ref !== undefined && <span className="mono ml-1.5">{ref}</span>}
        </span>
        <input
          inputMode="decimal"
          value={typed}
          onChange={({ target }) => {
            setTyped(target.value);
            setLeft(false);
          }}
          onBlur={keep}
          aria-invalid={!isNumber}
          className="mono min-h-12 w-28 border border-rule-strong bg-card px-2 text-bench"
        />
        <span className="w-14">{unit}</span>
      </label>
      <span role="status" className="basis-full text-note">
        {problem !== undefined ? (
          <strong className="text-fault">{problem}</strong>
        ) : isUnusual ? (
          <strong className="text-risk">
            Usually it is {from} to {to} {unit}. Look again whether it is centred.
          </strong>
        ) : (
          value !== null &&
          isSettled &&
          value === known && <span className="text-good">kept for this bench</span>
        )}
      </span>
    </li>
  );
}

/** Why a value is not kept, as a sentence. */
function problemOf(told: Told<CalibrationMessage> | undefined): string | undefined {
  if (told?.state === 'waiting')
    return told.why ?? 'No connection yet. Keep this page open; your value is saved as soon as there is one.';
  return told?.state === 'refused' ? (told.why ?? 'It was not kept.') : undefined;
}
