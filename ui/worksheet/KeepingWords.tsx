import { Redo2, Undo2 } from 'lucide-react';
import { Button, Keys } from '../design/Button';
import { useDispatch, useWorksheet } from './useWorksheet';
import type { Keeping } from './worksheet-state';

const words: Readonly<Record<'saved' | 'saving' | 'only-here', string>> = {
  saved: 'All changes saved.',
  saving: 'Saving …',
  'only-here': 'No connection: your changes are saved in this browser and will be sent when it is back.',
};

const ON_ITS_WAY: Keeping = { state: 'saving' };

/** Whether what was written is safe, who else is writing, and the way back. */
export function KeepingWords() {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const keeping = useWorksheet(({ keeping, sync }) =>
    keeping.state === 'saved' && sync.unsent.length > 0 ? ON_ITS_WAY : keeping,
  );
  const lastOther = useWorksheet((state) => state.sync.lastOther?.author);
  const trouble = useWorksheet((state) => state.trouble);
  const canUndo = useWorksheet((state) => state.sync.undo.done.length > 0);
  const canRedo = useWorksheet((state) => state.sync.undo.undone.length > 0);
  const dispatch = useDispatch();
  if (!mayEdit)
    return (
      <p className="border-b border-rule px-5 py-1 text-note text-soft">
        Only instructors can change exercises.
      </p>
    );
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-4 border-b border-rule px-5 text-note">
      <p
        role="status"
        className={
          keeping.state === 'refused'
            ? 'font-semibold text-fault'
            : keeping.state === 'only-here'
              ? 'font-semibold text-risk'
              : 'text-soft'
        }
      >
        {keeping.state === 'refused' ? `Not saved: ${keeping.message}` : words[keeping.state]}
      </p>
      {lastOther && <p className="text-soft">{lastOther} is writing here too.</p>}
      {trouble && <p className="font-semibold text-fault">{trouble}</p>}
      <div className="ml-auto flex">
        <Button look="tool" size="small" disabled={!canUndo} onClick={() => dispatch({ type: 'undo' })}>
          <Undo2 size={15} aria-hidden="true" /> Undo<Keys>Ctrl Z</Keys>
        </Button>
        <Button look="tool" size="small" disabled={!canRedo} onClick={() => dispatch({ type: 'redo' })}>
          <Redo2 size={15} aria-hidden="true" /> Redo
        </Button>
      </div>
    </div>
  );
}
