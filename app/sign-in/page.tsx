import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SignIn } from '@/ui/sign-in/SignIn';
import { mayDo } from '../access';
import { wayBack } from '@/ui/sign-in/way-back';
import { joinAsStudent, signInAsStaff } from './actions';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly to?: unknown }>;
}) {
  const to = wayBack((await searchParams).to);
  if (!(await mayDo('sign-in'))) redirect(to);
  return <SignIn join={joinAsStudent} signIn={signInAsStaff} to={to} />;
}
