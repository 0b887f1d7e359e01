'use client';

import { Button } from '@/ui/design/Button';
import { PageAnswers } from '@/ui/shell/PageAnswers';

export default function ErrorPage({ reset }: { readonly error: Error; readonly reset: () => void }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-4 p-6">
      <h1 className="text-display">That didn’t work</h1>
      <p className="text-bench">Something went wrong on our side. What you have recorded is saved.</p>
      <div>
        <Button look="main" size="roomy" onClick={reset}>
          Try again
        </Button>
      </div>
      <PageAnswers />
    </main>
  );
}
