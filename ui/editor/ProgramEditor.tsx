'use client';

import { lazy, Suspense } from 'react';
import type { ProgramEditorProps } from './props';

/** Loads the editor; once, whoever asks. */
export const loadEditor = () => import('./CodeEditor');

// A tablet that has lost its connection before the editor was there writes without it.
const CodeEditor = lazy(() => loadEditor().catch(() => ({ default: PlainEditor })));

/** A program, typed or pasted, with the lines of findings marked. It can be read before the editor is there. */
export function ProgramEditor(props: ProgramEditorProps) {
  return (
    <Suspense fallback={<Unready {...props} />}>
      <CodeEditor {...props} />
    </Suspense>
  );
}

/** The program where the editor will show it. */
function Unready({ source }: ProgramEditorProps) {
  return (
    <pre className="h-full min-h-64 overflow-hidden bg-card py-2.5 pl-10 font-mono text-[15px] leading-[1.6]">
      {source}
    </pre>
  );
}

/** A program to be written without colours and help. */
function PlainEditor({ source, onChange, label = 'Your program' }: ProgramEditorProps) {
  return (
    <textarea
      aria-label={label}
      value={source}
      onChange={({ target }) => onChange(target.value)}
      autoCapitalize="off"
      spellCheck={false}
      className="h-full min-h-64 w-full resize-none bg-card py-2.5 pl-10 font-mono text-[15px] leading-[1.6]"
    />
  );
}
