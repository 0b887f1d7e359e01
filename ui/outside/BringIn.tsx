'use client';

import { useReducer } from 'react';
import { fromEvent, type FileWithPath } from 'file-selector';
import { sortOut } from '@/core/outside/sort-out';
import { fail } from '@/core/result';
import { capital, howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { bringIn, EMPTY, openRows, readyRows, type BringInProps } from './bring-in-state';
import { DropZone } from './DropZone';
import { readFiles } from './read-files';
import { RowsTable } from './RowsTable';
import { useSendIn } from './useSendIn';

/** Texts of the files that were chosen or dropped; a file that is gone or locked by then is told. */
async function readChosen(event: Event, largestArchive: number): ReturnType<typeof readFiles> {
  try {
    const given = await fromEvent(event);
    return await readFiles(
      given.filter((item): item is FileWithPath => item instanceof File),
      largestArchive,
    );
  } catch {
    return fail({
      message: 'A file couldn’t be read: it has been moved, or this computer doesn’t let it be read.',
    });
  }
}

/** Hand-ins that came by mail or on a stick: chosen, sorted out, put right by hand, and taken as tries of their learners. */
export function BringIn(props: BringInProps) {
  const { classId, learners, exercises, usual, largestArchive } = props;
  const [state, dispatch] = useReducer(bringIn, EMPTY);
  const { send, stop } = useSendIn(classId, dispatch);
  const take = async (event: unknown): Promise<void> => {
    dispatch({ type: 'reading' });
    const read = await readChosen(event as Event, largestArchive);
    if (!read.ok) return dispatch({ type: 'failed', message: read.problems[0]!.message });
    const { handIns, aside } = sortOut(read.value.texts, learners, exercises, usual);
    dispatch({ type: 'sorted', handIns, aside: [...read.value.aside, ...aside] });
  };
  const [ready, open] = [readyRows(state), openRows(state)];
  const taken = state.rows.filter(({ outcome }) => outcome?.is === 'taken');
  const desks = exercises.filter(({ id }) => taken.some(({ exerciseId }) => exerciseId === id));
  if (learners.length === 0 || exercises.length === 0)
    return (
      <p className="max-w-[60ch] p-8 text-lead">
        {learners.length === 0
          ? 'Nobody is in this class yet.'
          : 'Nothing has been published to this class yet.'}{' '}
        Hand-ins can be brought in when there is.
      </p>
    );
  return (
    <div className="px-6 py-5">
      {state.step === 'empty' || state.step === 'reading' ? (
        <DropZone
          isReading={state.step === 'reading'}
          problem={state.problem}
          onTake={(event) => void take(event)}
        />
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2" role="status">
            <p className="min-w-0 flex-1 text-lead">
              {state.step === 'done'
                ? `${capital(howMany(taken.length, 'hand-in'))} taken.`
                : state.step === 'sending'
                  ? `${state.rows.filter(({ outcome }) => outcome).length} of ${state.rows.filter(({ isLeftOut }) => !isLeftOut).length} …`
                  : open.length > 0
                    ? `${capital(howMany(open.length, 'hand-in'))} of ${state.rows.length}: say whose, and for which exercise.`
                    : state.rows.length === 0
                      ? 'There is no hand-in in this.'
                      : 'It is known of each whose it is. Look it over, then bring it in.'}
            </p>
            {state.step === 'sending' && <Button onClick={stop}>Stop</Button>}
            {state.step === 'sorted' && ready.length > 0 && (
              <Button look="main" onClick={() => send(ready)}>
                Bring in {howMany(ready.length, 'hand-in')}
              </Button>
            )}
            {desks.map(({ id, name }) => (
              <Button key={id} asChild look={state.step === 'done' ? 'main' : 'plain'}>
                <Link href={`/review/${id}`}>Review desk, {name}</Link>
              </Button>
            ))}
            {state.step !== 'sending' && (
              <Button look="quiet" onClick={() => dispatch({ type: 'begin anew' })}>
                Choose other files
              </Button>
            )}
          </div>
          <Problem className="mt-2">{state.problem}</Problem>
          <RowsTable {...props} state={state} dispatch={dispatch} />
          {state.aside.length > 0 && (
            <details className="mt-5" open={state.aside.length <= 8}>
              <summary className="cursor-default font-semibold">
                Not taken: {howMany(state.aside.length, 'file')}
              </summary>
              <ul className="mt-1">
                {state.aside.map(({ path, why }) => (
                  <li key={path} className="flex flex-wrap gap-x-4 border-t border-rule py-1">
                    <span className="mono min-w-0 text-note break-all">{path}</span>
                    <span className="text-soft">{why}</span>
                  </li>
                ))}
              </ul>
            </details>
          )}
        </>
      )}
    </div>
  );
}
