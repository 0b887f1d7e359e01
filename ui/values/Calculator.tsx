'use client';

import { useId } from 'react';
import type { Reading } from './quantities';

interface CalculatorProps {
  readonly title: string;
  /** The formula with its letters. */
  readonly formula: string;
  readonly fields: React.ReactNode;
  /** The formula with the numbers put in, and what comes out; `undefined` while a field cannot be read. */
  readonly worked: React.ReactNode | undefined;
  readonly children?: React.ReactNode;
}

/** One calculator: its formula, what is put in, and the same formula worked out. */
export function Calculator({ title, formula, fields, worked, children }: CalculatorProps) {
  return (
    <section aria-label={title} className="border-b border-rule px-6 py-5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-lead">{title}</h2>
        <p className="mono text-note text-soft">{formula}</p>
      </div>
      <div className="mt-3 flex flex-wrap gap-x-4 gap-y-2">{fields}</div>
      <div aria-live="polite" className="mt-3">
        {worked ?? <p className="text-soft">The result appears when every field is filled in.</p>}
      </div>
      {children}
    </section>
  );
}

interface QuantityFieldProps {
  readonly label: string;
  readonly unit: string;
  readonly text: string;
  readonly reading: Reading;
  readonly onChange: (text: string) => void;
}

/** A field for an amount with its unit. */
export function QuantityField({ label, unit, text, reading, onChange }: QuantityFieldProps) {
  const id = useId();
  return (
    <div className="w-40">
      <label htmlFor={id} className="text-note text-soft">
        {label}
      </label>
      <div className="flex items-baseline border-b border-rule-strong focus-within:border-focus focus-within:shadow-[0_2px_0_var(--focus)]">
        <input
          id={id}
          value={text}
          inputMode="decimal"
          aria-invalid={reading.problem ? true : undefined}
          aria-describedby={reading.problem ? `${id}-problem` : undefined}
          onChange={(event) => onChange(event.target.value)}
          className="mono w-full min-w-0 bg-transparent py-1 outline-none"
        />
        <span className="text-note whitespace-nowrap text-soft">{unit}</span>
      </div>
      {reading.problem && (
        <p id={`${id}-problem`} className="text-note font-semibold text-fault">
          {reading.problem}
        </p>
      )}
    </div>
  );
}

/** A formula with its numbers, and the result set off. */
export function Worked({ steps, result }: { readonly steps: string; readonly result: React.ReactNode }) {
  return (
    <p className="mono">
      {steps} = <strong>{result}</strong>
    </p>
  );
}
