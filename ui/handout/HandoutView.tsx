'use client';

import { useState } from 'react';
import type { HouseRules } from '@/core/course/house-rules';
import type { ConceptCard } from '@/core/course/concepts';
import type { FindingCode } from '@/core/findings/finding';
import type { ExerciseData } from '@/core/formats/exercise';
import { handoutForms, type HandoutForm } from '@/core/handout/document';
import { papers, type Paper } from '@/core/handout/papers';
import type { Sheet } from '@/core/worksheet/sheet';
import { Button, Keys } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { useKey } from '../shell/useKey';
import { Blocks } from './Blocks';
import { useFollowed } from '../worksheet/useFollowed';
import { usePreview } from './usePreview';
import { usePrinting } from './usePrinting';

const FORMS: Readonly<Record<HandoutForm, { readonly title: string; readonly says: string }>> = {
  student: {
    title: 'For learners',
    says: 'Parts, connections, steps with pictures, the program as the course gives it, and a record to fill in.',
  },
  instructor: {
    title: 'For the instructor',
    says: 'The same with the program and what each line does, answers, times, and usual troubles with what to ask.',
  },
  projector: {
    title: 'For the wall',
    says: 'Large, one step to a page, for a whole class to look at.',
  },
};

const EXTRAS = { tour: 'A walk over the board', bands: 'Bands to sort' } as const;
type Extra = keyof typeof EXTRAS;

export interface HandoutViewProps {
  readonly exerciseId: string;
  readonly first: Sheet;
  readonly version: number;
  readonly courseRules: HouseRules;
  readonly place: string;
  readonly seen: readonly FindingCode[];
  readonly before: ExerciseData | undefined;
  readonly cards: readonly ConceptCard[];
  readonly address: string | undefined;
}

/** The exercise as it will be printed, following its worksheet while that is written in. */
export function HandoutView(props: HandoutViewProps) {
  const { exerciseId, first, version, courseRules, before, ...rest } = props;
  const [form, setForm] = useState<HandoutForm>('student');
  const [paper, setPaper] = useState<Paper>('A4');
  const [columns, setColumns] = useState<'1' | '2'>('1');
  const [extras, setExtras] = useState<readonly Extra[]>([]);
  const { sheet, isLive } = useFollowed(exerciseId, first, version);
  const { handout, isWorking, problem } = usePreview({
    sheet,
    courseRules,
    before,
    wish: { form, extras, ...rest },
  });
  const { state, print, cancel } = usePrinting();
  const asked = new URLSearchParams({ form, paper, columns, extras: extras.join(' ') }).toString();
  const makePdf = (): void => print(`/exercises/${exerciseId}/handout?${asked}`);
  useKey('p', makePdf);
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[19rem_minmax(0,1fr)]">
      <aside className="border-ink px-6 py-5 lg:sticky lg:top-0 lg:h-[calc(100dvh-3.9rem)] lg:self-start lg:overflow-y-auto lg:border-r">
        <h2 className="text-lead">For whom</h2>
        <div className="mt-1.5 grid" role="radiogroup" aria-label="For whom">
          {handoutForms.map((one) => (
            <label key={one} className="flex min-h-10 cursor-pointer items-start gap-2.5 py-1.5">
              <input
                type="radio"
                name="form"
                checked={form === one}
                onChange={() => setForm(one)}
                className="mt-1 size-4 accent-ink"
              />
              <span>
                <span className="font-semibold">{FORMS[one].title}</span>
                {form === one && <span className="block text-note text-soft">{FORMS[one].says}</span>}
              </span>
            </label>
          ))}
        </div>
        {form !== 'projector' && (
          <>
            <h2 className="mt-4 text-lead">With it</h2>
            {(Object.keys(EXTRAS) as Extra[]).map((extra) => (
              <label key={extra} className="flex min-h-9 items-center gap-2.5">
                <input
                  type="checkbox"
                  checked={extras.includes(extra)}
                  onChange={({ target }) =>
                    setExtras(target.checked ? [...extras, extra] : extras.filter((other) => other !== extra))
                  }
                  className="size-4 accent-ink"
                />
                {EXTRAS[extra]}
              </label>
            ))}
            <h2 className="mt-4 text-lead">Paper</h2>
            <div className="mt-1.5 flex flex-wrap gap-x-4 gap-y-2">
              <div className="flex" role="group" aria-label="Paper">
                {papers.map((one) => (
                  <Button key={one} look="choice" aria-pressed={paper === one} onClick={() => setPaper(one)}>
                    {one}
                  </Button>
                ))}
              </div>
              <div className="flex" role="group" aria-label="Columns">
                {(['1', '2'] as const).map((one) => (
                  <Button
                    key={one}
                    look="choice"
                    aria-pressed={columns === one}
                    aria-label={one === '1' ? 'one column' : 'two columns'}
                    onClick={() => setColumns(one)}
                  >
                    {one === '1' ? '1 column' : '2 columns'}
                  </Button>
                ))}
              </div>
            </div>
          </>
        )}
        <div className="mt-6 grid gap-2.5" role="status">
          {state.is === 'printing' ? (
            <>
              <span>Making the pages … {state.seconds} s</span>
              <Button onClick={cancel}>Cancel</Button>
            </>
          ) : (
            <Button look="main" onClick={makePdf}>
              Make the PDF <Keys>P</Keys>
            </Button>
          )}
          {state.is === 'done' && (
            <a
              href={state.address}
              target="_blank"
              rel="noreferrer"
              className="inline-flex min-h-9 items-center font-semibold underline decoration-rule-strong underline-offset-4"
            >
              Open {state.name}
            </a>
          )}
          <Problem>{state.is === 'failed' ? state.message : undefined}</Problem>
        </div>
        <p className="mt-4 text-note">
          <a
            href={`/exercises/${exerciseId}/handout/files?${asked}`}
            download
            className="underline decoration-rule-strong underline-offset-4"
          >
            Markdown and pictures
          </a>{' '}
          <span className="text-soft">as SVG and PNG, in a ZIP</span>
        </p>
        <p className="mt-4 text-note text-soft" role="status">
          {isLive
            ? 'Follows the worksheet as it is written.'
            : 'The server can’t be reached: this is how it was.'}
        </p>
      </aside>
      <div className="bg-wash px-4 py-6 sm:px-8">
        <Problem className="mb-3">{problem && `As it stands it can’t be printed: ${problem}`}</Problem>
        {handout ? (
          <article
            aria-label="Preview"
            aria-busy={isWorking}
            className={`mx-auto max-w-[52rem] border border-rule-strong bg-card px-6 py-8 sm:px-12 ${form === 'projector' ? 'text-title' : ''}`}
          >
            <h2 className="text-display">{handout.title}</h2>
            <p className="mb-4 text-soft">{handout.subtitle}</p>
            {handout.sections.map(({ title, blocks }) => (
              <section key={title} className="mb-5">
                <h3 className="mb-1.5 border-t border-ink pt-1.5 text-title">{title}</h3>
                <Blocks blocks={blocks} pictures={`/exercises/${exerciseId}/pictures`} />
              </section>
            ))}
            {isWorking && (
              <p className="text-note text-soft" role="status">
                Trying it out for questions and usual troubles …
              </p>
            )}
          </article>
        ) : (
          !problem && <p role="status">Making the first page …</p>
        )}
        <p className="mx-auto mt-4 max-w-[52rem] text-note text-soft">
          Something is wrong with it?{' '}
          <Link href={`/exercises/${exerciseId}`} className="underline underline-offset-4">
            Change it in the worksheet
          </Link>
          ; this page follows.
        </p>
      </div>
    </div>
  );
}
