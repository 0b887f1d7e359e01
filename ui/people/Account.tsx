'use client';

import { useActionState } from 'react';
import { Button } from '../design/Button';
import { Field } from '../design/Field';
import { Problem } from '../design/Problem';

export interface PasswordState {
  readonly problem?: string;
  readonly isDone?: boolean;
}

interface AccountProps {
  readonly name: string;
  readonly role: string;
  readonly change: (before: PasswordState, form: FormData) => Promise<PasswordState>;
}

/** One's own account: the password. */
export function Account({ name, role, change }: AccountProps) {
  const [state, act, isPending] = useActionState(change, {});
  return (
    <div className="max-w-[34rem] px-6 py-6">
      <p className="text-lead">
        {name}, {role}.
      </p>
      <form action={act} aria-label="Change your password" className="mt-5 grid gap-4">
        <Field
          label="Password now"
          name="before"
          type="password"
          autoComplete="current-password"
          required
          maxLength={200}
        />
        <Field
          label="New password"
          name="password"
          type="password"
          autoComplete="new-password"
          required
          minLength={10}
          maxLength={200}
          hint="Ten characters or more."
        />
        <Problem>{state.problem}</Problem>
        <p role="status" className="font-semibold text-good">
          {state.isDone && 'Changed. Everywhere else you are signed out.'}
        </p>
        <div>
          <Button type="submit" look="main" disabled={isPending}>
            Change it
          </Button>
        </div>
      </form>
    </div>
  );
}
