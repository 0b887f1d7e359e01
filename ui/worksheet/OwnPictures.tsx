'use client';

import { useState } from 'react';
import { refusalText } from '@/core/messages/refusal';
import type { PictureOf } from '@/core/formats/assembly';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useDispatch, useWorksheet } from './useWorksheet';

/** Pictures of the author's own beside the steps: taken with a camera, captioned, printed where they belong. */
export function OwnPictures() {
  const { exerciseId, mayEdit } = useWorksheet((state) => state.given);
  const pictures = useWorksheet((state) => state.sync.sheet.pictures) ?? [];
  const parts = useWorksheet((state) => state.sync.sheet.parts);
  const dispatch = useDispatch();
  const [state, setState] = useState<'idle' | 'sending' | { readonly problem: string }>('idle');
  const set = (next: readonly PictureOf[], joins: 'joins' | 'stands alone' = 'stands alone'): void =>
    dispatch({ type: 'set', fields: { pictures: next.length > 0 ? [...next] : undefined }, joins });
  const add = async (file: File): Promise<void> => {
    setState('sending');
    try {
      const answer = await fetch(`/exercises/${exerciseId}/pictures`, { method: 'POST', body: file });
      const body: unknown = await answer.json();
      if (!answer.ok) return setState({ problem: refusalText(body) ?? 'The picture was not taken.' });
      set([...pictures, { id: (body as { readonly id: string }).id, caption: '' }]);
      return setState('idle');
    } catch {
      return setState({ problem: 'The server can’t be reached: the picture was not taken. Try again.' });
    }
  };
  return (
    <section aria-label="Own pictures" className="mt-3">
      <h3 className="font-semibold">Own pictures</h3>
      <ul>
        {pictures.map((picture) => (
          <li key={picture.id} className="flex gap-3 border-t border-rule py-2">
            {/* The server has it as it was taken in; there is nothing to optimise. */}
            <img
              src={`/exercises/${exerciseId}/pictures/${picture.id}`}
              alt={picture.caption || 'without a caption'}
              className="size-20 object-cover"
            />
            <div className="grid min-w-0 flex-1 gap-1.5">
              <input
                value={picture.caption}
                readOnly={!mayEdit}
                maxLength={400}
                placeholder="What it shows"
                aria-label="Caption"
                onChange={({ target }) =>
                  set(
                    pictures.map((one) => (one.id === picture.id ? { ...one, caption: target.value } : one)),
                    'joins',
                  )
                }
                className="w-full border-b border-rule-strong bg-transparent"
              />
              <div className="flex items-center gap-2 text-note">
                <select
                  aria-label="Beside which step"
                  value={picture.step ?? ''}
                  disabled={!mayEdit}
                  onChange={({ target }) =>
                    set(pictures.map((one) => (one.id === picture.id ? besideStep(one, target.value) : one)))
                  }
                  className="border-b border-rule-strong bg-transparent py-1"
                >
                  <option value="">at the head of the build</option>
                  {parts
                    .filter(({ kind }) => kind !== 'board' && kind !== 'breadboard')
                    .map(({ ref, value, kind }) => (
                      <option key={ref} value={ref}>
                        at the step of {ref} ({value || kind})
                      </option>
                    ))}
                </select>
                {mayEdit && (
                  <Button
                    look="quiet"
                    size="small"
                    onClick={() => set(pictures.filter(({ id }) => id !== picture.id))}
                  >
                    Remove
                  </Button>
                )}
              </div>
            </div>
          </li>
        ))}
      </ul>
      {mayEdit && (
        <label className="mt-1 inline-flex min-h-9 cursor-pointer items-center underline underline-offset-4 focus-within:outline-2">
          <input
            type="file"
            accept="image/png,image/jpeg"
            disabled={state === 'sending'}
            className="sr-only"
            onChange={({ target }) => {
              const file = target.files?.[0];
              target.value = '';
              if (file) void add(file);
            }}
          />
          {state === 'sending' ? 'Taking it in …' : 'Add a picture (PNG or JPEG)'}
        </label>
      )}
      <Problem>{typeof state === 'object' ? state.problem : undefined}</Problem>
    </section>
  );
}

const besideStep = ({ id, caption }: PictureOf, step: string): PictureOf => ({
  id,
  caption,
  ...(step === '' ? {} : { step }),
});
