'use client';

import { format } from 'date-fns';
import { Redo2, Undo2, ZoomIn, ZoomOut } from 'lucide-react';
import { Button } from '../design/Button';
import { HelpButton } from './HelpButton';
import { useBench } from './useBench';

/** Whether the work is safe, the way back, a closer look, and the check. */
export function BenchBar() {
  const { offline, state, dispatch, checkedBy, isPreview, savedAt, savingProblem, check } = useBench();
  const { undo, isZoomed, isRunning } = state;
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-rule px-5 py-2">
      <p className="mr-auto min-w-0 flex-1 basis-36 text-note text-soft" role="status">
        {savingProblem ?? (savedAt ? `Saved on this tablet, ${format(savedAt, 'HH:mm')}` : 'Opening …')}
        {isPreview
          ? ' · a preview'
          : checkedBy === 'server'
            ? ' · checked by the server'
            : ' · checked on this tablet'}
        {offline === 'kept' && ' · opens offline'}
      </p>
      <HelpButton />
      <Button onClick={() => dispatch({ type: 'zoom' })} aria-pressed={isZoomed} className="min-h-11">
        {isZoomed ? <ZoomOut size={18} aria-hidden="true" /> : <ZoomIn size={18} aria-hidden="true" />}
        <span className="sr-only xl:not-sr-only">{isZoomed ? 'Whole bench' : 'Closer'}</span>
      </Button>
      <Button
        onClick={() => dispatch({ type: 'undo' })}
        disabled={undo.done.length === 0}
        aria-label="Undo"
        className="min-h-11"
      >
        <Undo2 size={17} aria-hidden="true" />
      </Button>
      <Button
        onClick={() => dispatch({ type: 'redo' })}
        disabled={undo.undone.length === 0}
        aria-label="Redo"
        className="min-h-11"
      >
        <Redo2 size={17} aria-hidden="true" />
      </Button>
      <Button
        size="roomy"
        aria-pressed={isRunning}
        onClick={() => dispatch({ type: isRunning ? 'lay down' : 'run' })}
      >
        {isRunning ? 'Stop' : 'Run'}
      </Button>
      <Button look="main" size="roomy" onClick={check}>
        Check
      </Button>
    </div>
  );
}
