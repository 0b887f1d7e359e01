'use client';

import { useState } from 'react';
import type { ExerciseData } from '@/core/formats/exercise';
import type { BoardProfile } from '@/core/boards';
import type { Language } from '@/core/program';
import { findKind } from '@/core/parts';
import { ProgramEditor } from '../editor/ProgramEditor';
import { roomFor } from '../editor/room';
import { Button } from '../design/Button';
import { ProgramListing } from './ProgramListing';
import { ScenarioList } from './scenarios/late-list';
import { useDispatch, useWorksheet } from './useWorksheet';

type Stage = NonNullable<ExerciseData['stages']>[number];

const NO_STAGES: readonly Stage[] = [];
const NO_LINES: readonly number[] = [];

interface StagesProps {
  readonly language: Language;
  readonly board: BoardProfile;
}

/** What is tried on the way to the whole: an input alone before outputs are added. */
export function Stages({ language, board }: StagesProps) {
  const stages = useWorksheet((state) => state.sync.sheet.stages ?? NO_STAGES);
  const { parts } = useWorksheet((state) => state.sync.sheet);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const failing = useWorksheet((state) => state.proof.failingStages);
  const [open, setOpen] = useState<number>();
  const onChange = (next: readonly Stage[], joins: 'joins' | 'stands alone' = 'stands alone'): void =>
    dispatch({ type: 'set', fields: { stages: next.length > 0 ? next : undefined }, joins });
  const buildable = parts.filter(({ kind }) => findKind(kind) && !findKind(kind)!.conductor);
  if (stages.length === 0 && !mayEdit) return null;
  return (
    <section aria-label="On the way there" className="mt-3">
      {stages.length > 0 && <h3 className="font-semibold">On the way there</h3>}
      <ol>
        {stages.map((stage, index) => (
          <li key={index} className="border-t border-rule py-1">
            <div className="flex items-center gap-2">
              <p className="min-w-0 flex-1 truncate">
                {stage.name} <span className="text-note text-soft">once {stage.after} is in</span>
                {failing.includes(stage.name) && (
                  <span className="text-note font-semibold text-risk"> · its program does not do it</span>
                )}
              </p>
              <Button
                look="tool"
                size="small"
                aria-expanded={open === index}
                aria-label={`Show stage ${stage.name}`}
                onClick={() => setOpen(open === index ? undefined : index)}
              >
                {open === index ? 'Hide' : mayEdit ? 'Change' : 'Show'}
              </Button>
            </div>
            {open === index && (
              <StageEditor
                stage={stage}
                language={language}
                board={board}
                parts={parts}
                buildable={buildable.map(({ ref }) => ref)}
                mayEdit={mayEdit}
                onChange={(next, joins) =>
                  onChange(
                    stages.map((old, at) => (at === index ? next : old)),
                    joins,
                  )
                }
                onRemove={() => {
                  onChange(stages.filter((_, at) => at !== index));
                  setOpen(undefined);
                }}
              />
            )}
          </li>
        ))}
      </ol>
      {mayEdit && buildable.length > 0 && (
        <Button
          look="quiet"
          size="small"
          onClick={() => {
            onChange([
              ...stages,
              { name: freeName(stages), after: buildable[0]!.ref, program: '', scenarios: [] },
            ]);
            setOpen(stages.length);
          }}
        >
          Add a stage to try on the way
        </Button>
      )}
    </section>
  );
}

function freeName(stages: readonly Stage[]): string {
  let number = stages.length + 1;
  while (stages.some(({ name }) => name === `stage ${number}`)) number += 1;
  return `stage ${number}`;
}

interface StageEditorProps {
  readonly stage: Stage;
  readonly board: BoardProfile;
  readonly language: Language;
  readonly parts: ExerciseData['parts'];
  /** Names of the parts with whose building a stage can be tried. */
  readonly buildable: readonly string[];
  readonly mayEdit: boolean;
  readonly onChange: (stage: Stage, joins?: 'joins' | 'stands alone') => void;
  readonly onRemove: () => void;
}

function StageEditor({
  stage,
  language,
  board,
  parts,
  buildable,
  mayEdit,
  onChange,
  onRemove,
}: StageEditorProps) {
  const { name, after, program, scenarios } = stage;
  const choices = buildable.includes(after) ? buildable : [after, ...buildable];
  return (
    <div className="grid gap-2 border-l-4 border-rule py-2 pl-3">
      {mayEdit && (
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 text-note">
          <label>
            Name{' '}
            <input
              value={name}
              maxLength={120}
              onChange={({ target }) =>
                target.value !== '' && onChange({ ...stage, name: target.value }, 'joins')
              }
              className="w-48 border-b border-rule-strong bg-transparent text-body"
            />
          </label>
          <label>
            tried once{' '}
            <select
              value={after}
              onChange={({ target }) => onChange({ ...stage, after: target.value })}
              className="mono min-h-8 border border-rule-strong bg-card px-1"
            >
              {choices.map((ref) => (
                <option key={ref}>{ref}</option>
              ))}
            </select>{' '}
            is in
          </label>
          <Button look="quiet" size="small" onClick={onRemove}>
            Remove this stage
          </Button>
        </div>
      )}
      {mayEdit ? (
        <div className="border border-rule" style={roomFor(program, 14)}>
          <ProgramEditor
            source={program}
            language={language}
            board={board}
            onChange={(text) => onChange({ ...stage, program: text }, 'joins')}
            marked={NO_LINES}
            label={`Program of ${name}`}
          />
        </div>
      ) : (
        <ProgramListing source={program} label={`Program of ${name}`} />
      )}
      <ScenarioList
        scenarios={scenarios}
        parts={parts}
        mayEdit={mayEdit}
        isGraded={false}
        of={name}
        onChange={(next) => onChange({ ...stage, scenarios: [...next] })}
      />
    </div>
  );
}
