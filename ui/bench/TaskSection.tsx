import { useId, type ReactNode } from 'react';

/** A part of the task under a title of its own. */
export function TaskSection({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const titleId = useId();
  return (
    <section aria-labelledby={titleId} className="mt-5 border-t border-rule pt-3">
      <h2 id={titleId} className="mb-1.5 text-bench font-bold">
        {title}
      </h2>
      {children}
    </section>
  );
}
