'use client';

import { Printer } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { handoutForms, type HandoutForm } from '@/core/handout/document';
import { papers, type Paper } from '@/core/handout/papers';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { usePrinting } from './usePrinting';

const FORMS: Readonly<Record<HandoutForm, { readonly title: string; readonly says: string }>> = {
  student: {
    title: 'For learners',
    says: 'Parts, connections, steps with pictures, the program as the course gives it, and a record to fill in.',
  },
  instructor: {
    title: 'For the instructor',
    says: 'The same with the program and what each line does, answers, and usual troubles with what to ask.',
  },
};

interface HandoutButtonProps {
  readonly exerciseId: string;
}

/** The exercise on paper: for whom, on which paper, as a PDF. */
export function HandoutButton({ exerciseId }: HandoutButtonProps) {
  const [form, setForm] = useState<HandoutForm>('student');
  const [paper, setPaper] = useState<Paper>('A4');
  const [columns, setColumns] = useState<'1' | '2'>('1');
  const { state, print, cancel } = usePrinting();
  const address = `/exercises/${exerciseId}/handout?${new URLSearchParams({ form, paper, columns }).toString()}`;
  return (
    <Popover.Root onOpenChange={(isOpen) => !isOpen && cancel()}>
      <Popover.Trigger asChild>
        <Button>
          <Printer size={16} aria-hidden="true" /> Handout
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          aria-labelledby="handout-title"
          className="z-20 max-h-[calc(100dvh-5rem)] w-[min(26rem,100vw)] overflow-y-auto border border-ink bg-card p-4"
        >
          <h2 id="handout-title" className="text-lead">
            Handout
          </h2>
          <div className="mt-2 flex" role="group" aria-label="For whom">
            {handoutForms.map((one) => (
              <Button key={one} look="choice" aria-pressed={form === one} onClick={() => setForm(one)}>
                {FORMS[one].title}
              </Button>
            ))}
          </div>
          <p className="mt-2 min-h-15 text-note text-soft">{FORMS[form].says}</p>
          <div className="mt-2 flex flex-wrap gap-x-6 gap-y-2">
            <div className="flex" role="group" aria-label="Paper">
              {papers.map((one) => (
                <Button key={one} look="choice" aria-pressed={paper === one} onClick={() => setPaper(one)}>
                  {one}
                </Button>
              ))}
            </div>
            <div className="flex" role="group" aria-label="Columns">
              {(['1', '2'] as const).map((one) => (
                <Button
                  key={one}
                  look="choice"
                  aria-pressed={columns === one}
                  onClick={() => setColumns(one)}
                >
                  {one === '1' ? 'one column' : 'two columns'}
                </Button>
              ))}
            </div>
          </div>
          <div className="mt-4 flex flex-wrap items-center gap-3" role="status">
            {state.is === 'printing' ? (
              <>
                <Button onClick={cancel}>Cancel</Button>
                <span>Working it out … {state.seconds} s</span>
              </>
            ) : (
              <Button look="main" onClick={() => print(address)}>
                Make the PDF
              </Button>
            )}
            {state.is === 'done' && (
              <a
                href={state.address}
                target="_blank"
                rel="noreferrer"
                className="inline-flex min-h-9 items-center font-semibold underline decoration-rule-strong underline-offset-4"
              >
                Open {state.name}
              </a>
            )}
          </div>
          <Problem className="mt-2">{state.is === 'failed' ? state.message : undefined}</Problem>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
