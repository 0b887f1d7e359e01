import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { database } from '@/server/database/connection';
import { linkOf } from '@/server/people/links';
import { PageAnswers } from '@/ui/shell/PageAnswers';
import { Welcome } from '@/ui/people/Welcome';
import { mayDo } from '../../access';
import { acceptLink } from './actions';

export const metadata: Metadata = { title: 'Welcome', referrer: 'no-referrer' };

export default async function WelcomePage({ params }: { readonly params: Promise<{ token: string }> }) {
  const { token } = await params;
  if (!(await mayDo('use-link'))) notFound();
  const link = await linkOf(database(), token);
  if (!link)
    return (
      <main className="mx-auto max-w-[34rem] px-5 py-16">
        <h1 className="text-display">This link has been used, or is too old.</h1>
        <p className="mt-3 text-lead">
          A link works once, for a week. Ask whoever gave it to you for another one. If you have an account
          already,{' '}
          <a href="/sign-in" className="underline">
            sign in
          </a>
          .
        </p>
      </main>
    );
  return (
    <>
      <Welcome
        purpose={link.purpose}
        role={link.role}
        login={link.login ?? ''}
        name={link.name ?? ''}
        use={acceptLink.bind(null, token)}
      />
      <PageAnswers />
    </>
  );
}
