import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { PageAnswers } from '@/ui/shell/PageAnswers';
import { SignIn } from '@/ui/sign-in/SignIn';
import * as z from 'zod';
import { database } from '@/server/database/connection';
import { rosterOf } from '@/server/people/sign-in';
import type { JoinState } from '@/ui/sign-in/state';
import { clientAddress, mayDo } from '../access';
import { wayBack } from '@/ui/sign-in/way-back';
import { joinAsStudent, signInAsStaff } from './actions';

const codeSchema = z.string().regex(/^[A-Z0-9]{4,12}$/);

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly to?: unknown; readonly class?: unknown }>;
}) {
  const asked = await searchParams;
  const to = wayBack(asked.to);
  if (!(await mayDo('sign-in'))) redirect(to);
  return (
    <>
      <SignIn join={joinAsStudent} first={await firstState(asked.class)} signIn={signInAsStaff} to={to} />
      <PageAnswers />
    </>
  );
}

/** The door of a class whose code stands in the address, with its names; else the door of all. */
async function firstState(code: unknown): Promise<JoinState> {
  const known = codeSchema.safeParse(code).data;
  if (known === undefined) return { code: '' };
  const roster = await rosterOf(database(), known, await clientAddress());
  return 'message' in roster
    ? { code: known, problem: { code: roster.message } }
    : { code: known, ...roster };
}
