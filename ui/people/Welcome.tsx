'use client';

import { useActionState } from 'react';
import { Button } from '../design/Button';
import { Field } from '../design/Field';
import { Problem } from '../design/Problem';
import { Mark } from '../shell/Mark';

export interface WelcomeState {
  readonly login: string;
  readonly name: string;
  readonly problem?: string;
}

interface WelcomeProps {
  readonly purpose: 'first-owner' | 'colleague' | 'password';
  readonly role: string;
  readonly login: string;
  readonly name: string;
  readonly use: (before: WelcomeState, form: FormData) => Promise<WelcomeState>;
}

const TITLES = {
  'first-owner': 'Welcome. This server is yours to keep.',
  colleague: 'Welcome. Make your account.',
  password: 'Choose a new password.',
} as const;

/** Where a one-time link leads: an account is made, or a password set. */
export function Welcome({ purpose, role, login, name, use }: WelcomeProps) {
  const [state, act, isPending] = useActionState(use, { login, name });
  const isPassword = purpose === 'password';
  return (
    <main className="mx-auto grid max-w-[34rem] gap-5 px-5 py-10">
      <Mark size={42} />
      <h1 className="text-display">{TITLES[purpose]}</h1>
      <p className="text-lead">
        {purpose === 'first-owner' &&
          'You make the classes, invite colleagues, and keep their accounts. Yours comes first.'}
        {purpose === 'colleague' &&
          `You will be here as ${role === 'instructor' ? 'an instructor' : role === 'owner' ? 'an owner' : 'an assistant'}.`}
        {isPassword && `For ${name}, who signs in as ${login}. Everywhere else you are signed out.`}
      </p>
      <form action={act} className="grid gap-4">
        {!isPassword && (
          <>
            <Field
              label="Your name"
              name="name"
              defaultValue={state.name}
              key={`name ${state.name}`}
              autoComplete="name"
              required
              maxLength={120}
              hint="As your learners and colleagues know you."
            />
            <Field
              label="Login"
              name="login"
              defaultValue={state.login}
              key={`login ${state.login}`}
              autoComplete="username"
              autoCapitalize="none"
              spellCheck={false}
              required
              maxLength={60}
              hint="Short and without spaces; you sign in with it."
            />
          </>
        )}
        <Field
          label={isPassword ? 'New password' : 'Password'}
          name="password"
          type="password"
          autoComplete="new-password"
          required
          minLength={10}
          maxLength={200}
          hint="Ten characters or more. Four words that have nothing to do with each other are good."
        />
        <Problem>{state.problem}</Problem>
        <div>
          <Button type="submit" look="main" size="roomy" disabled={isPending}>
            {isPassword ? 'Set it and go in' : 'Make my account'}
          </Button>
        </div>
      </form>
    </main>
  );
}
