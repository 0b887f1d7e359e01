'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { openedBy, setOpening, useOpening } from './opening-page';

/** Milliseconds that a page may take without a word. */
const UNSAID = 120;
/** Milliseconds from which on something is the matter. */
const LONG = 8000;

/** A sign of life while the next page is on its way; the page before stays until then, and can be used. */
export function Opening() {
  const opening = useOpening();
  const pathname = usePathname();
  const search = useSearchParams().toString();
  useEffect(() => setOpening(undefined), [pathname, search]);
  useEffect(() => {
    // Whoever has gone elsewhere with the keys of the browser waits for nothing here.
    const onClick = (event: MouseEvent): void => {
      const path = openedBy(event);
      if (path !== undefined) setOpening(path);
    };
    const gone = (): void => setOpening(undefined);
    document.addEventListener('click', onClick, { capture: true });
    window.addEventListener('popstate', gone);
    return () => {
      document.removeEventListener('click', onClick, { capture: true });
      window.removeEventListener('popstate', gone);
    };
  }, []);
  return opening === undefined ? <div role="status" /> : <Waiting key={opening} path={opening} />;
}

function Waiting({ path }: { readonly path: string }) {
  const [stage, setStage] = useState<'unsaid' | 'said' | 'long'>('unsaid');
  useEffect(() => {
    const timers = [setTimeout(() => setStage('said'), UNSAID), setTimeout(() => setStage('long'), LONG)];
    return () => timers.forEach(clearTimeout);
  }, []);
  return (
    <div role="status" className="print:hidden">
      {stage !== 'unsaid' && (
        <p className="fixed top-0 left-1/2 z-30 flex min-h-8 -translate-x-1/2 items-center gap-4 border border-t-0 border-ink bg-card px-4 text-note font-semibold">
          {stage === 'said' ? (
            'Opening …'
          ) : (
            <>
              This takes longer than usual.
              {/* A plain link: the page is loaded anew, scripts and all. */}
              <a href={path} className="min-h-6 underline">
                Try again
              </a>
            </>
          )}
        </p>
      )}
    </div>
  );
}
