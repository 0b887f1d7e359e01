'use client';

import { lazy, Suspense } from 'react';
import type { ProgramEditorProps } from './props';

/** Loads the editor; once, whoever asks. */
export const loadEditor = () => import('./CodeEditor');

const CodeEditor = lazy(loadEditor);

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
