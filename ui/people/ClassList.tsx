'use client';

import { useState } from 'react';
import type { ClassState, KeptClass } from '@/core/messages/class-change';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { Field } from '../design/Field';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { useOpen } from '../shell/opening-page';
import type { PeopleActions } from './actions';
import { Colleagues, type ColleagueLine } from './Colleagues';
import { useAct } from './useAct';

/** A class as the list shows it. */
export interface ClassLine extends Pick<KeptClass, 'id' | 'name' | 'term' | 'code' | 'state' | 'learners'> {
  /** When it meets next; `null` when nothing is planned. */
  readonly nextMeeting: string | null;
  readonly staff: readonly string[];
}

interface ClassListProps {
  readonly classes: readonly ClassLine[];
  /** Everybody with an account, for those who keep the accounts. */
  readonly colleagues: readonly ColleagueLine[] | undefined;
  readonly viewerId: string;
  readonly mayKeep: boolean;
  readonly actions: PeopleActions;
}

/** One's classes, the way to a new one, and for an owner everybody who teaches. */
export function ClassList({ classes, colleagues, viewerId, mayKeep, actions }: ClassListProps) {
  const inUse = classes.filter(({ state }) => state !== 'archived');
  const archived = classes.filter(({ state }) => state === 'archived');
  return (
    <div className="grid min-h-[calc(100dvh-3.9rem)] grid-cols-1 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="border-ink lg:border-r">
        <h2 className="px-6 pt-6 pb-2 text-title">Classes</h2>
        {inUse.length === 0 && (
          <p className="max-w-[60ch] px-6 pb-4 text-lead">
            {mayKeep
              ? 'No class yet. Give the first one a name, then add its learners.'
              : 'You are in no class yet. Ask an instructor to add you to theirs.'}
          </p>
        )}
        <ul className="border-t border-rule">
          {inUse.map((line) => (
            <ClassRow key={line.id} line={line} />
          ))}
        </ul>
        {mayKeep && <NewClass makeClass={actions.makeClass} isFirst={inUse.length === 0} />}
        {archived.length > 0 && (
          <details className="border-t border-ink">
            <summary className="px-6 py-4 font-semibold">Archive ({archived.length})</summary>
            <ul className="border-t border-rule">
              {archived.map((line) => (
                <ClassRow key={line.id} line={line} />
              ))}
            </ul>
          </details>
        )}
      </div>
      <aside className="px-5 py-6" aria-label="Who teaches here">
        {colleagues ? (
          <Colleagues colleagues={colleagues} viewerId={viewerId} actions={actions} />
        ) : (
          <p className="text-soft">
            Accounts of colleagues are kept by an owner. Your own password is under{' '}
            <Link href="/account" className="underline">
              your account
            </Link>
            .
          </p>
        )}
      </aside>
    </div>
  );
}

const STATES: Readonly<Record<ClassState, string>> = {
  open: '',
  closed: 'closed to learners',
  archived: 'archived',
};

function ClassRow({ line }: { readonly line: ClassLine }) {
  const { id, name, term, code, state, learners, nextMeeting, staff } = line;
  return (
    <li className="border-b border-rule">
      <Link
        href={`/classes/${id}`}
        className="grid gap-x-6 gap-y-0.5 px-6 py-3.5 hover:bg-card sm:grid-cols-[minmax(0,1fr)_8rem_12rem]"
      >
        <span className="min-w-0">
          <span className="block text-lead break-words">{name}</span>
          <span className="block text-note text-soft">
            {[term, howMany(learners, 'learner'), staff.join(', '), STATES[state]]
              .filter((text) => text !== '')
              .join(' · ')}
          </span>
        </span>
        <span className="self-center">
          <span className="mono font-bold">{code}</span> <span className="text-note text-soft">code</span>
        </span>
        <span className="self-center text-soft">
          {nextMeeting ? (
            <>
              next: <Clock at={nextMeeting} />
            </>
          ) : (
            'no meeting planned'
          )}
        </span>
      </Link>
    </li>
  );
}

function NewClass({ makeClass, isFirst }: Pick<PeopleActions, 'makeClass'> & { readonly isFirst: boolean }) {
  const open = useOpen();
  const { act, problem, isBusy } = useAct();
  const [name, setName] = useState('');
  const [term, setTerm] = useState('');
  return (
    <form
      aria-label="New class"
      className="grid max-w-[46rem] gap-3 px-6 py-5 sm:grid-cols-[minmax(0,1fr)_12rem_auto] sm:items-end"
      onSubmit={(event) => {
        event.preventDefault();
        act(async () => {
          const made = await makeClass(name, term);
          if ('message' in made) return made.message;
          open(`/classes/${made.id}`);
          return undefined;
        });
      }}
    >
      <Field
        label="Name of a new class"
        placeholder="Thursday evening"
        value={name}
        maxLength={80}
        onChange={({ target }) => setName(target.value)}
      />
      <Field
        label="Term"
        placeholder="Spring 2027"
        value={term}
        maxLength={60}
        onChange={({ target }) => setTerm(target.value)}
      />
      <Button
        type="submit"
        look={isFirst ? 'main' : 'plain'}
        size="roomy"
        disabled={name.trim() === '' || isBusy}
      >
        Make it
      </Button>
      <Problem className="sm:col-span-3">{problem}</Problem>
    </form>
  );
}
