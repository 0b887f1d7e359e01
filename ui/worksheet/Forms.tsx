'use client';

import { useState } from 'react';
import { nameOfForm, type Form } from '@/core/worksheet/forms';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useDispatch, useWorksheet } from './useWorksheet';

const NO_FORMS: readonly Form[] = [];

/** Other forms of the exercise: each can be brought onto the sheet, where it is worked on as any exercise. */
export function Forms() {
  const sheet = useWorksheet((state) => state.sync.sheet);
  const refusal = useWorksheet((state) => state.refusal);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const [name, setName] = useState('');
  const forms = sheet.forms ?? NO_FORMS;
  if (forms.length === 0 && !mayEdit) return null;
  return (
    <section aria-label="Other forms" className="mt-3">
      {forms.length > 0 && (
        <>
          <h3 className="font-semibold">Other forms</h3>
          <p className="text-note text-soft">
            On this sheet now: {nameOfForm(sheet)}. A learner gets what stands on the sheet when you publish.
          </p>
          <ul>
            {forms.map((form) => (
              <li key={form.name} className="flex flex-wrap items-center gap-2 border-t border-rule py-1">
                <p className="min-w-0 flex-1 basis-48">
                  {form.name} <span className="text-note text-soft">{differenceOf(form, sheet)}</span>
                </p>
                {mayEdit && (
                  <>
                    <Button
                      look="tool"
                      size="small"
                      onClick={() => dispatch({ type: 'bring form', name: form.name })}
                    >
                      Bring onto the sheet
                    </Button>
                    <Button
                      look="tool"
                      size="small"
                      aria-label={`Remove ${form.name}`}
                      onClick={() => dispatch({ type: 'remove form', name: form.name })}
                    >
                      Remove
                    </Button>
                  </>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      {mayEdit && (
        <form
          className="mt-1 flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            dispatch({ type: 'add form', name });
            setName('');
          }}
        >
          <input
            value={name}
            aria-label="Name of another form"
            placeholder="another form: 3.3 V board, common anode …"
            maxLength={120}
            onChange={({ target }) => setName(target.value)}
            className="min-w-0 flex-1 border-b border-rule-strong bg-transparent py-1 placeholder:text-soft"
          />
          {name.trim() !== '' && (
            <Button type="submit" className="min-h-8">
              Keep this as a form
            </Button>
          )}
        </form>
      )}
      <Problem className="text-note">{refusal?.at === 'forms' ? refusal.message : undefined}</Problem>
    </section>
  );
}

/** In what a form differs from what stands on the sheet, in a few words. */
function differenceOf(form: Form, sheet: { readonly board: string; readonly program: string }): string {
  const differs = [
    form.board !== undefined && form.board !== sheet.board ? `on ${form.board}` : '',
    form.parts || form.nets ? 'its own circuit' : '',
    form.program !== undefined && form.program !== sheet.program ? 'its own program' : '',
    form.scenarios ? 'its own scenarios' : '',
  ].filter(Boolean);
  return differs.join(', ');
}
