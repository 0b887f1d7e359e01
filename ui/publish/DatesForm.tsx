'use client';

import { format } from 'date-fns';
import { useState } from 'react';
import { Button } from '../design/Button';
import { Field } from '../design/Field';
import type { ClassToPublishTo, DatesWish } from './publishing';

interface DatesFormProps {
  readonly label: string;
  readonly learners: ClassToPublishTo['learners'];
  readonly first: DatesWish;
  readonly saveAs: string;
  readonly isPending: boolean;
  readonly onSave: (dates: DatesWish) => void;
  readonly onCancel: () => void;
}

/** From when until when an exercise is open, and for whom. */
export function DatesForm({ label, learners, first, saveAs, isPending, onSave, onCancel }: DatesFormProps) {
  const [opens, setOpens] = useState(localOf(first.opensAt));
  const [due, setDue] = useState(localOf(first.dueAt));
  const [closes, setCloses] = useState(localOf(first.closesAt));
  const [areSome, setSome] = useState(first.learnerIds.length > 0);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(first.learnerIds));
  const crosses = opens !== '' && closes !== '' && opens >= closes;
  const isDueShut = due !== '' && ((opens !== '' && opens >= due) || (closes !== '' && due > closes));
  const isNobody = areSome && chosen.size === 0;
  const toggle = (id: string): void => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <form
      aria-label={label}
      className="mt-2 grid gap-3 bg-paper p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (crosses || isDueShut || isNobody) return;
        onSave({
          opensAt: momentOf(opens),
          dueAt: momentOf(due),
          closesAt: momentOf(closes),
          learnerIds: areSome ? [...chosen] : [],
        });
      }}
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Opens"
          type="datetime-local"
          hint="Empty: at once."
          value={opens}
          onChange={({ target }) => setOpens(target.value)}
        />
        <Field
          label="Due"
          type="datetime-local"
          hint="Later ones count as late."
          value={due}
          onChange={({ target }) => setDue(target.value)}
          {...(isDueShut ? { problem: 'It isn’t open then.' } : {})}
        />
        <Field
          label="Closes"
          type="datetime-local"
          hint="Empty: when you close it."
          value={closes}
          onChange={({ target }) => setCloses(target.value)}
          {...(crosses ? { problem: 'It would close before it opens.' } : {})}
        />
      </div>
      <fieldset>
        <legend className="font-semibold">For</legend>
        <div className="mt-1 flex">
          <Button look="choice" aria-pressed={!areSome} onClick={() => setSome(false)}>
            the whole class
          </Button>
          <Button look="choice" aria-pressed={areSome} onClick={() => setSome(true)}>
            some learners
          </Button>
        </div>
        {areSome && (
          <ul className="mt-2 grid grid-cols-2 gap-x-4 sm:grid-cols-3" aria-label="Learners">
            {learners.map(({ id, name }) => (
              <li key={id}>
                <label className="flex min-h-9 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-(--ink)"
                    checked={chosen.has(id)}
                    onChange={() => toggle(id)}
                  />
                  {name}
                </label>
              </li>
            ))}
          </ul>
        )}
        {isNobody && <p className="text-note text-soft">Choose at least one learner.</p>}
      </fieldset>
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={isPending || crosses || isDueShut || isNobody}>
          {saveAs}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}

/** A moment as the field of a browser writes it, in the reader's own time. */
const localOf = (moment: string | null): string =>
  moment === null ? '' : format(new Date(moment), "yyyy-MM-dd'T'HH:mm");

const momentOf = (local: string): string | null => (local === '' ? null : new Date(local).toISOString());
