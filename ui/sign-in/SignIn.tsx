'use client';

import { startTransition, useActionState, useEffect, useRef, useState, type FormEvent } from 'react';
import { forgetPages } from '../connection/offline';
import { Button } from '../design/Button';
import { Field } from '../design/Field';
import { Problem } from '../design/Problem';
import { Mark } from '../shell/Mark';
import { BeaconPicture } from './BeaconPicture';
import type { JoinState, StaffState } from './state';

interface SignInProps {
  readonly join: (before: JoinState, form: FormData) => Promise<JoinState>;
  /** How the door of a class stands when one comes to it. */
  readonly first: JoinState;
  readonly signIn: (before: StaffState, form: FormData) => Promise<StaffState>;
  /** Where whoever comes in goes on. */
  readonly to: string;
}

/** The door: learners join their class in three lines, staff sign in beside. */
export function SignIn({ join, first, signIn, to }: SignInProps) {
  // Whoever was here before may have been signed out with the whole class.
  useEffect(() => {
    void forgetPages().catch(() => undefined);
  }, []);
  return (
    <main className="grid grid-cols-1 min-h-dvh lg:grid-cols-[minmax(0,34rem)_minmax(0,1fr)]">
      <div className="flex flex-col border-ink lg:border-r">
        <header className="flex items-center gap-3 border-b border-ink px-5 py-4">
          <Mark size={42} />
          <div>
            <h1 className="text-display leading-none">Didaktor</h1>
            <p className="mt-1 text-note text-soft">Wire it, program it, see if it is right.</p>
          </div>
        </header>
        <JoinForm join={join} first={first} to={to} />
        <StaffForm signIn={signIn} to={to} />
      </div>
      <aside className="hidden flex-col justify-center gap-6 bg-card p-12 lg:flex">
        <BeaconPicture />
        <p className="max-w-[34rem] text-lead">
          Every light in the harbour has its own rhythm. This one is on for half a second and dark for two and
          a half.
        </p>
      </aside>
    </main>
  );
}

function JoinForm({ join, first, to }: Pick<SignInProps, 'join' | 'first' | 'to'>) {
  const [state, act, isPending] = useActionState(join, first);
  const [learnerId, setLearnerId] = useState('');
  const [typed, setTyped] = useState<string>();
  // Whoever types another code is of another class.
  const isOther = typed !== undefined && typed.trim().toUpperCase() !== state.code;
  const learners = isOther ? undefined : state.learners;
  const door = useRef<HTMLFormElement>(null);
  const names = useRef<HTMLSelectElement>(null);
  const learner = state.learners?.find((candidate) => candidate.id === learnerId);
  useEffect(() => {
    if (state.className !== undefined) names.current?.focus();
  }, [state.className]);
  useEffect(() => {
    const word = door.current?.elements.namedItem('word');
    if (state.problem?.word === undefined || !(word instanceof HTMLInputElement)) return;
    word.value = '';
    word.focus();
  }, [state.problem]);
  // React resets a form whose action has ended, and the name chosen would be gone with every word mistyped.
  // The action stays on the form for a browser that sends it before the scripts have come.
  const send = (event: FormEvent<HTMLFormElement>): void => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    startTransition(() => act(form));
  };
  return (
    <form ref={door} action={act} onSubmit={send} aria-labelledby="join-title" className="flex-1">
      <input type="hidden" name="to" value={to} />
      <h2 id="join-title" className="px-5 pt-5 pb-2 text-title">
        I am in a class
      </h2>
      <Line number="1" title="Class">
        <Field
          label="Class code"
          name="code"
          defaultValue={state.code}
          key={`code-${state.code}`}
          onChange={({ target }) => setTyped(target.value)}
          autoComplete="off"
          autoCapitalize="characters"
          spellCheck={false}
          required
          maxLength={20}
          className="[&_input]:mono [&_input]:uppercase"
          hint={state.className === undefined ? 'It is on the board in your room.' : undefined}
          {...(isOther || state.problem?.code === undefined ? {} : { problem: state.problem.code })}
        />
        {!isOther && state.className !== undefined && (
          <p className="mt-2 font-semibold text-good">{state.className}</p>
        )}
      </Line>
      {learners && (
        <>
          <Line number="2" title="Name">
            <label htmlFor="learner" className="font-semibold">
              Your name
            </label>
            <select
              id="learner"
              name="learner"
              ref={names}
              required
              value={learnerId}
              onChange={(event) => setLearnerId(event.target.value)}
              className="mt-1 min-h-12 w-full border border-rule-strong bg-card px-3 text-bench"
            >
              <option value="">Choose from the list</option>
              {learners.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
            <Problem className="text-note">{state.problem?.learner}</Problem>
          </Line>
          {learner && !learner.hasWord && !state.isJoining && (
            <Line number="3" title="Slip">
              <Field
                label="The two words on your slip"
                name="slip"
                autoComplete="off"
                autoCapitalize="none"
                spellCheck={false}
                maxLength={40}
                className="[&_input]:mono"
                hint="You only need it the first time. No slip? Your instructor can let you join."
              />
            </Line>
          )}
          <Line number={learner && !learner.hasWord && !state.isJoining ? '4' : '3'} title="Word">
            <Field
              label={learner && !learner.hasWord ? 'Choose a private word' : 'Your private word'}
              name="word"
              type="password"
              autoComplete="off"
              required
              maxLength={100}
              hint={
                learner && !learner.hasWord
                  ? 'Four letters or more. You need it again next time.'
                  : 'The word you chose when you first joined.'
              }
              problem={state.problem?.word}
            />
          </Line>
        </>
      )}
      <div className="px-5 py-4 pl-[12.5rem]">
        <Button type="submit" look="main" size="roomy" disabled={isPending}>
          {learners ? 'Go to my bench' : 'Find my class'}
        </Button>
      </div>
    </form>
  );
}

function StaffForm({ signIn, to }: Pick<SignInProps, 'signIn' | 'to'>) {
  const [state, act, isPending] = useActionState(signIn, { login: '' });
  return (
    <details open={state.problem !== undefined || undefined} className="border-t border-ink">
      <summary className="px-5 py-4 font-semibold">I teach</summary>
      <form action={act} className="grid gap-4 px-5 pb-6 pl-[12.5rem]">
        <input type="hidden" name="to" value={to} />
        <Field
          label="Login"
          name="login"
          defaultValue={state.login}
          key={`login-${state.login}`}
          autoComplete="username"
          required
          maxLength={100}
        />
        <Field
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          required
          maxLength={200}
          problem={state.problem}
        />
        <div>
          <Button type="submit" look="main" disabled={isPending}>
            Sign in
          </Button>
        </div>
      </form>
    </details>
  );
}

function Line({
  number,
  title,
  children,
}: {
  readonly number: string;
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  return (
    <div className="ruled-line">
      <span className="mono pt-1 text-soft">{number}</span>
      <span className="pt-0.5 font-semibold">{title}</span>
      <div>{children}</div>
    </div>
  );
}
