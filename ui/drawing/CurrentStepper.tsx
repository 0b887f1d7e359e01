'use client';

import { ArrowLeft, ArrowRight } from 'lucide-react';
import type { CurrentPath } from '@/core/electrics/paths';
import { stepText } from '@/core/judge/path-words';
import type { Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';

interface CurrentStepperProps {
  readonly path: CurrentPath;
  readonly wiring: Wiring;
  readonly step: number;
  readonly onStep: (step: number) => void;
  readonly onClose: () => void;
  /** Where a beginner works, on a tablet, or where an instructor does. */
  readonly size?: 'roomy' | 'dense';
}

/** The path of the current, one step at a time, from the pin to ground or to where it stops. */
export function CurrentStepper({ path, wiring, step, onStep, onClose, size = 'roomy' }: CurrentStepperProps) {
  const last = path.steps.length - 1;
  const isStop = path.steps[step]?.type === 'stops';
  return (
    <section aria-label="The path of the current" className="border-t border-ink bg-card px-5 py-4">
      <div className="flex items-start gap-4">
        <p className="mono w-14 pt-1 text-note text-soft">
          {step + 1} of {last + 1}
        </p>
        <p aria-live="polite" className={`flex-1 text-lead ${isStop ? 'font-semibold text-fault' : ''}`}>
          {stepText(path.steps[step]!, wiring)}
        </p>
      </div>
      <div className="mt-3 flex gap-2.5 pl-[4.5rem]">
        <Button size={size} disabled={step === 0} onClick={() => onStep(step - 1)}>
          <ArrowLeft size={18} aria-hidden="true" /> Back
        </Button>
        <Button size={size} look="main" disabled={step === last} onClick={() => onStep(step + 1)}>
          Next step <ArrowRight size={18} aria-hidden="true" />
        </Button>
        <Button size={size} look="quiet" onClick={onClose}>
          Close
        </Button>
      </div>
    </section>
  );
}
