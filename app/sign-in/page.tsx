import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SignIn } from '@/ui/sign-in/SignIn';
import { mayDo } from '../access';
import { joinAsStudent, signInAsStaff } from './actions';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (!(await mayDo('sign-in'))) redirect('/');
  return <SignIn join={joinAsStudent} signIn={signInAsStaff} />;
}
