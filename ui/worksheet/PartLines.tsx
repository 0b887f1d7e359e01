'use client';

import { useRef, useState } from 'react';
import type { StatedLine, StatementContext } from '@/core/statements';
import type { Change } from '@/core/worksheet/change';
import type { SheetLine } from '@/core/worksheet/sheet';
import { PartLine } from './PartLine';
import { useDispatch, useWorksheet } from './useWorksheet';

const NOTHING_STATED: readonly StatedLine[] = [];

let made = 0;
const newId = (): string => {
  made += 1;
  return `l${Date.now().toString(36)}-${made}`;
};

/** The parts, a line each, written as one would say them. */
export function PartLines({ context }: { readonly context: StatementContext }) {
  const lines = useWorksheet((state) => state.sync.sheet.lines);
  const stated = useWorksheet((state) => state.derived.circuit()?.lines ?? NOTHING_STATED);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const change = (changes: readonly Change[], joins?: 'joins'): void =>
    dispatch({ type: 'write', changes, ...(joins ? { joins } : {}) });
  const onFinish = (): void => dispatch({ type: 'finish line' });
  const list = useRef<HTMLDivElement>(null);
  // The line that is not there yet; it gets its id before its first letter, so that it keeps the focus.
  const [nextId, setNextId] = useState(newId);
  const nothing: SheetLine = { id: nextId, text: '', refs: [] };
  const rows = mayEdit ? [...lines, nothing] : lines;

  const focus = (index: number): void => {
    const field = (): HTMLInputElement | undefined => list.current?.querySelectorAll('input')[index];
    // At once where it is there already, for whoever goes on typing; else when React has drawn it.
    if (field()) field()?.focus();
    else requestAnimationFrame(() => field()?.focus());
  };
  const write = (line: SheetLine, text: string): void => {
    if (line !== nothing)
      change([{ type: 'line', id: line.id, was: line.text, is: text, after: null }], 'joins');
    else {
      change([{ type: 'line', id: nextId, was: null, is: text, after: lines.at(-1)?.id ?? null }], 'joins');
      if (nextId === line.id) setNextId(newId());
    }
  };
  const remove = (line: SheetLine, index: number): void => {
    if (line === nothing) return;
    const after = index === 0 ? null : lines[index - 1]!.id;
    change([{ type: 'line', id: line.id, was: line.text, is: null, after }]);
    focus(Math.max(0, index - 1));
    onFinish();
  };
  const move = (index: number, by: -1 | 1): void => {
    const line = lines[index];
    if (!line || index + by < 0 || index + by >= lines.length) return;
    const others = lines.filter((other) => other !== line);
    const after = index + by === 0 ? null : others[index + by - 1]!.id;
    change([
      { type: 'line', id: line.id, was: line.text, is: null, after: null },
      { type: 'line', id: line.id, was: null, is: line.text, after },
    ]);
    focus(index + by);
  };

  return (
    <div ref={list} role="group" aria-label="Part lines">
      {rows.map((line, index) => (
        <PartLine
          key={line.id}
          context={context}
          stated={stated}
          line={line}
          number={index + 1}
          read={stated[index]}
          isNew={line === nothing}
          onWrite={(text) => write(line, text)}
          onEnter={() => {
            onFinish();
            focus(index + 1);
          }}
          onRemove={() => remove(line, index)}
          onMove={(by) => move(index, by)}
          onStep={(by) => focus(Math.max(0, index + by))}
        />
      ))}
    </div>
  );
}
