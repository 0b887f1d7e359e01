'use client';

import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { asksForProgram, languageOf } from '@/core/formats/exercise';
import type { Panel } from './bench-state';
import { HandInPanel } from './HandInPanel';
import { Keypad } from './Keypad';
import { keypadPins } from './keypad-pins';
import { likelyPlaces } from './likely-places';
import { PartList } from './PartList';
import { OfferedPlaces } from './OfferedPlaces';
import { ProgramEditor } from '../editor/ProgramEditor';
import { ProgramListing } from '../worksheet/ProgramListing';
import { TaskPanel } from './TaskPanel';
import { useBench } from './useBench';

const allPanels: readonly (readonly [Panel, string])[] = [
  ['task', 'Task'],
  ['wiring', 'Wiring'],
  ['program', 'Program'],
  ['hand-in', 'Hand in'],
];

/** What is recorded beside the drawing: the wiring, the program, and what was seen. */
export function BenchPanels() {
  const { exercise, board, state, dispatch, marked, placing, task, rows, stage } = useBench();
  const { draft, panel, active } = state;
  // Once opened the editor stays, with what it can undo; until then a page does without it.
  const [isEditorWanted, setEditorWanted] = useState(false);
  if (panel === 'program' && !isEditorWanted) setEditorWanted(true);
  const hasProgram = asksForProgram({ data: exercise });
  const panels = allPanels.filter(([value]) => value !== 'program' || hasProgram);
  const pins = useMemo(
    () =>
      keypadPins(
        exercise,
        board,
        task.pins.map(({ pin }) => pin),
      ),
    [exercise, board, task],
  );
  const likely = useMemo(
    () => (active ? likelyPlaces(draft.parts, active, rows) : []),
    [draft.parts, active, rows],
  );
  const part = active && draft.parts.find(({ ref }) => ref === active.ref);
  const place = active && (part?.at[active.leg] ?? '');
  return (
    <Tabs.Root
      value={panel}
      onValueChange={(value) => dispatch({ type: 'open', panel: value as Panel })}
      className="flex min-w-0 flex-col border-t border-ink lg:sticky lg:top-[3.9rem] lg:max-h-[calc(100dvh-3.9rem)] lg:border-t-0"
    >
      <Tabs.List aria-label="Task and record" className="flex border-b border-ink">
        {panels.map(([value, label]) => (
          <Tabs.Trigger
            key={value}
            value={value}
            className="min-h-12 flex-1 border-r border-rule text-bench font-semibold last:border-r-0 hover:bg-card data-[state=active]:bg-card data-[state=active]:shadow-[inset_0_-4px_0_var(--ink)]"
          >
            {label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="task" className="min-h-0 flex-1 overflow-y-auto">
        <TaskPanel />
      </Tabs.Content>
      <Tabs.Content value="wiring" className="flex min-h-0 flex-1 flex-col">
        <div className="min-h-0 flex-1 overflow-y-auto">
          <PartList />
        </div>
        {active && placing && place !== undefined && (
          <Keypad
            board={board}
            title={placing}
            place={place}
            pins={pins}
            onPlace={(where) => dispatch({ type: 'type place', leg: active, place: where })}
            likely={likely}
            rest={part && <OfferedPlaces part={part} />}
            rows={rows}
            onNext={() => dispatch({ type: 'next leg' })}
            onClose={() => dispatch({ type: 'activate', leg: undefined })}
          />
        )}
      </Tabs.Content>
      {hasProgram && (
        <Tabs.Content value="program" forceMount className="min-h-0 flex-1 data-[state=inactive]:hidden">
          {stage?.program !== undefined && (
            <StageProgram name={stage.name} program={stage.program} lines={marked.lines} />
          )}
          <div className={stage?.program === undefined ? 'flex h-full min-h-0 flex-col' : 'hidden'}>
            <div className="min-h-0 flex-1">
              {isEditorWanted && (
                <ProgramEditor
                  source={draft.program}
                  language={languageOf({ data: exercise, board })}
                  board={board}
                  marked={stage?.program === undefined ? marked.lines : NO_LINES}
                  onChange={(program) =>
                    program !== draft.program && dispatch({ type: 'write program', program })
                  }
                />
              )}
            </div>
            <label className="grid gap-1 border-t border-ink px-4 py-2.5">
              <span className="font-semibold">What will be seen when it runs? Say it before you check.</span>
              <textarea
                rows={2}
                maxLength={400}
                value={draft.prediction ?? ''}
                placeholder="The red LED goes on for two seconds, then …"
                onChange={({ target }) => dispatch({ type: 'predict', prediction: target.value })}
                className="min-h-12 w-full resize-none border border-rule-strong bg-card px-2 py-1 placeholder:text-soft"
              />
            </label>
          </div>
        </Tabs.Content>
      )}
      <Tabs.Content value="hand-in" className="min-h-0 flex-1 overflow-y-auto">
        <HandInPanel />
      </Tabs.Content>
    </Tabs.Root>
  );
}

const NO_LINES: readonly number[] = [];

interface StageProgramProps {
  readonly name: string;
  readonly program: string;
  /** Lines that the check points at. */
  readonly lines: readonly number[];
}

/** The program that a stage is tried with; the learner's own waits. */
function StageProgram({ name, program, lines }: StageProgramProps) {
  return (
    <div className="h-full overflow-y-auto px-4 py-3 text-bench">
      <p className="mb-2 max-w-[60ch]">
        {program === ''
          ? 'This stage needs no program.'
          : `Load this one to try “${name}”. Your own program is kept, and comes back with the whole exercise.`}
      </p>
      {program !== '' && <ProgramListing source={program} marked={lines} label={`Program to try ${name}`} />}
    </div>
  );
}
