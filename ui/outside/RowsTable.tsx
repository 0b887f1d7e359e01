import type { Dispatch } from 'react';
import type { TextFile } from '@/core/outside/files';
import { Clock } from '../design/Clock';
import {
  notesOn,
  outcomeWords,
  type BringInProps,
  type BringInAction,
  type BringInState,
  type Row,
} from './bring-in-state';

interface RowsTableProps extends BringInProps {
  readonly state: BringInState;
  readonly dispatch: Dispatch<BringInAction>;
}

/** What was found, a hand-in a row: whose, for what, from which files, and what is to be known of it. */
export function RowsTable(props: RowsTableProps) {
  const { rows } = props.state;
  if (rows.length === 0) return null;
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="w-full min-w-[52rem] text-left">
        <thead className="text-note text-soft">
          <tr>
            <th className="pb-1 font-normal">take</th>
            <th className="pb-1 font-normal">learner</th>
            <th className="pb-1 font-normal">exercise</th>
            <th className="pb-1 font-normal">files</th>
            <th className="pb-1 font-normal">notes</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <RowLine key={row.key} {...props} row={row} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function RowLine({
  row,
  state,
  dispatch,
  learners,
  exercises,
  tries,
}: RowsTableProps & { readonly row: Row }) {
  const { key, learnerId, exerciseId, couldBe, wiring, program, stated, changedAt, isLeftOut, outcome } = row;
  const files = [wiring, program, stated].flatMap((file) => file ?? []);
  const name = files[0]?.path ?? key;
  const isFixed = state.step === 'sending' || state.step === 'done' || (outcome && outcome.is !== 'refused');
  const isOpen = !isLeftOut && (learnerId === undefined || exerciseId === undefined);
  const likely = learners.filter(({ id }) => couldBe.includes(id));
  return (
    <tr
      className={`border-t border-rule align-top ${isOpen ? 'bg-wash' : ''} ${isLeftOut ? 'text-soft' : ''}`}
    >
      <td className="py-2 pl-2">
        <input
          type="checkbox"
          aria-label={`Take ${name}`}
          checked={!isLeftOut}
          disabled={isFixed}
          onChange={({ target }) => dispatch({ type: 'left out', key, isLeftOut: !target.checked })}
          className="size-5 accent-(--ink)"
        />
      </td>
      <td className="py-1.5 pr-3">
        <select
          aria-label={`Whose ${name} is`}
          value={learnerId ?? ''}
          disabled={isFixed || isLeftOut}
          onChange={({ target }) => dispatch({ type: 'said', key, whose: target.value })}
          className={`min-h-9 w-40 border bg-card px-1.5 ${learnerId === undefined ? 'border-fault font-semibold' : 'border-rule-strong'}`}
        >
          <option value="" disabled>
            whose?
          </option>
          {likely.length > 0 && (
            <optgroup label="perhaps">
              {likely.map(({ id, name: learner }) => (
                <option key={`perhaps ${id}`} value={id}>
                  {learner}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label="the class">
            {learners.map(({ id, name: learner }) => (
              <option key={id} value={id}>
                {learner}
              </option>
            ))}
          </optgroup>
        </select>
      </td>
      <td className="py-1.5 pr-3">
        <select
          aria-label={`What ${name} is for`}
          value={exerciseId ?? ''}
          disabled={isFixed || isLeftOut}
          onChange={({ target }) => dispatch({ type: 'said', key, what: target.value })}
          className={`min-h-9 w-44 border bg-card px-1.5 ${exerciseId === undefined ? 'border-fault font-semibold' : 'border-rule-strong'}`}
        >
          <option value="" disabled>
            which exercise?
          </option>
          {exercises.map(({ id, name: title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </td>
      <td className="py-1.5 pr-3">
        {files.map((file) => (
          <FileLine key={file.path} file={file} />
        ))}
        {changedAt !== undefined && (
          <p className="text-note text-soft">
            changed <Clock at={new Date(changedAt).toISOString()} />
          </p>
        )}
      </td>
      <td className="py-2 text-note">
        {outcome ? (
          <p className={outcome.is === 'refused' ? 'font-semibold text-fault' : 'font-semibold'}>
            {outcomeWords(outcome)}
          </p>
        ) : (
          !isLeftOut && notesOn(row, state, exercises, tries).map((note) => <p key={note}>{note}</p>)
        )}
      </td>
    </tr>
  );
}

/** Lines of a file that are shown. */
const SHOWN = 40;

/** A file, which opens to show how it begins. */
function FileLine({ file: { path, text } }: { readonly file: TextFile }) {
  return (
    <details>
      <summary className="mono inline-block min-h-6 max-w-[26rem] cursor-default text-note break-all underline decoration-rule-strong underline-offset-3">
        {path}
      </summary>
      <pre
        tabIndex={0}
        role="region"
        aria-label={path}
        className="mono max-h-56 max-w-[30rem] overflow-auto bg-card p-2 text-note"
      >
        {text.split('\n').slice(0, SHOWN).join('\n')}
      </pre>
    </details>
  );
}
