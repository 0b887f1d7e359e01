import { subjectOf } from '@/core/worksheet/change';
import { Button } from '../design/Button';
import { useDispatch, useWorksheet } from './useWorksheet';

const words = (value: unknown): string =>
  value === null || value === undefined
    ? 'nothing'
    : typeof value === 'string'
      ? `“${value}”`
      : JSON.stringify(value);

/** Where two people wrote at the same place: both texts, to choose from. */
export function Clashes() {
  const clashes = useWorksheet((state) => state.sync.clashes);
  const dispatch = useDispatch();
  if (clashes.length === 0) return null;
  return (
    <section
      aria-label="Changed by two people at once"
      role="alert"
      className="border-b border-ink bg-risk-wash px-5 py-3"
    >
      {clashes.map((clash) => (
        <div key={JSON.stringify(clash.change)} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
          <p className="min-w-0 flex-1">
            <strong>{clash.by}</strong> changed {subjectOf(clash.change)} while you did. It is now{' '}
            <strong>{words(clash.present)}</strong>; you wrote <strong>{words(clash.change.is)}</strong>.
          </p>
          <Button onClick={() => dispatch({ type: 'settle clash', clash, choice: 'mine' })}>
            Put mine in
          </Button>
          <Button look="quiet" onClick={() => dispatch({ type: 'settle clash', clash, choice: 'theirs' })}>
            Leave theirs
          </Button>
        </div>
      ))}
    </section>
  );
}
