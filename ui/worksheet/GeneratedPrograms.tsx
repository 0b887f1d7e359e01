'use client';

import { useMemo, useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import { diagnosticProgram } from '@/core/generated/diagnostic';
import { hookupOf } from '@/core/generated/hookup';
import { starterProgram } from '@/core/generated/starter';
import type { Writing } from '@/core/generated/writing';
import type { Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { ProgramListing } from './ProgramListing';

interface GeneratedProgramsProps {
  readonly wiring: Wiring;
  readonly board: BoardProfile;
  readonly writing: Writing;
  /** Puts one of them in the place of the reference program; missing for those who only look. */
  readonly onUse: ((program: string) => void) | undefined;
}

const forms = {
  starter: { title: 'to begin with', says: 'Pin names and setup; the rest is empty.' },
  gaps: { title: 'with gaps', says: 'The same, with the lines to learn left out.' },
  test: {
    title: 'to test the wiring',
    says: 'Each output on by itself for a second, then the input readings.',
  },
} as const;
type Form = keyof typeof forms;
const order: readonly Form[] = ['starter', 'gaps', 'test'];

/** Programs that follow from the connections alone; worked out when they are looked at. */
export function GeneratedPrograms(props: GeneratedProgramsProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className="mt-2" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-note">
        <span className="border-b border-rule-strong">Programs made from the connections</span>
      </summary>
      {isOpen && <OpenPrograms {...props} />}
    </details>
  );
}

function OpenPrograms({ wiring, board, writing, onUse }: GeneratedProgramsProps) {
  const [form, setForm] = useState<Form>('starter');
  const program = useMemo(() => {
    const pins = hookupOf(wiring, board);
    return form === 'test'
      ? diagnosticProgram(pins, writing)
      : starterProgram(pins, writing, form === 'gaps' ? 'gaps' : 'whole');
  }, [wiring, board, writing, form]);
  return (
    <div className="mt-2">
      <div role="radiogroup" aria-label="Which program" className="flex flex-wrap gap-x-5">
        {order.map((one) => (
          <label key={one} className="flex min-h-8 items-center gap-2">
            <input
              type="radio"
              name="generated"
              checked={form === one}
              onChange={() => setForm(one)}
              className="accent-ink"
            />
            {forms[one].title}
          </label>
        ))}
      </div>
      <p className="mb-2 text-note text-soft">{forms[form].says}</p>
      <div className="border border-rule bg-card p-2">
        <ProgramListing source={program} label={`Program ${forms[form].title}`} />
      </div>
      {onUse && form !== 'gaps' && (
        <Button className="mt-2 min-h-8" onClick={() => onUse(program)}>
          Put it in the editor
        </Button>
      )}
    </div>
  );
}
