'use client';

import { useMemo } from 'react';
import { isBoard, type BoardProfile } from '@/core/boards';
import { languageOf } from '@/core/formats/exercise';
import { gapPlaces, gapsAfterMarking, gapsOf, withGaps, type Stretch } from '@/core/formats/gaps';
import { withLineWords } from '@/core/formats/line-words';
import type { Writing } from '@/core/generated/writing';
import type { Language } from '@/core/program';
import { ProgramEditor } from '../editor/ProgramEditor';
import { roomFor } from '../editor/room';
import { Explained } from './Explained';
import { GapsChosen } from './GapsChosen';
import { GeneratedPrograms } from './GeneratedPrograms';
import { ProgramListing } from './ProgramListing';
import { useHouseRules, useRestedWiring } from './useRested';
import { Stages } from './Stages';
import { useDispatch, useWorksheet } from './useWorksheet';

const LANGUAGES: Readonly<Record<Language, string>> = { cpp: 'C++', python: 'Python' };

const NO_LINES: readonly number[] = [];

/** The reference program, what its lines do, its variants, and programs made from the connections. */
export function ProgramStep({ board }: { readonly board: BoardProfile }) {
  const sheet = useWorksheet((state) => state.sync.sheet);
  const proof = useWorksheet((state) => state.proof);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const wiring = useRestedWiring();
  const { nameStyle, pinNames } = useHouseRules();
  const { title, program } = sheet;
  const language = languageOf({ data: sheet, board });
  const writing = useMemo(
    (): Writing => ({ title, names: nameStyle, pinNames, language }),
    [title, language, nameStyle, pinNames],
  );
  /** Words for a line are kept with the line that reads so now. */
  const say = (source: string, line: number, says: string): void =>
    dispatch({
      type: 'set',
      fields: { text: withLineWords({ text: sheet.text, program: source }, line, says) },
    });
  const { text } = sheet;
  const places = useMemo(() => gapPlaces(program, gapsOf({ text })), [program, text]);
  const gaps = useMemo(
    () => ({
      places,
      onMark: (marked: Stretch): void =>
        dispatch({
          type: 'set',
          fields: { text: withGaps(text, gapsAfterMarking(program, gapsOf({ text }), marked)) },
        }),
    }),
    [places, program, text, dispatch],
  );
  if (!isBoard(board))
    return (
      <p className="text-soft">
        Without a board there is no program: the circuit is judged by what its scenarios show.
      </p>
    );
  return (
    <>
      {mayEdit && (
        <label className="mb-1 flex items-baseline gap-2 text-note">
          <span className="text-soft">Language</span>
          <select
            value={language}
            onChange={({ target }) => dispatch({ type: 'set', fields: { language: target.value } })}
            className="min-h-8 border border-rule-strong bg-card px-1"
          >
            {Object.entries(LANGUAGES).map(([id, label]) => (
              <option key={id} value={id}>
                {label}
                {id === board.language.default ? ', the board’s own' : ''}
              </option>
            ))}
          </select>
        </label>
      )}
      {program.trim() === '' && sheet.scenarios.length > 0 && (
        <p className="mb-2 text-soft">
          No program: learners hand in their wiring alone, and it is judged by what its scenarios show.
        </p>
      )}
      {mayEdit ? (
        <div className="border border-rule" style={roomFor(program, 18)}>
          <ProgramEditor
            source={program}
            language={language}
            board={board}
            onChange={(text) => dispatch({ type: 'set', fields: { program: text }, joins: 'joins' })}
            marked={NO_LINES}
            gaps={gaps}
            label="Reference program"
          />
        </div>
      ) : (
        <ProgramListing source={program} label="The reference program" />
      )}
      <GapsChosen places={places} />
      {proof.explanation.length > 0 && (
        <Explained
          source={proof.program}
          explanation={proof.explanation}
          onSay={mayEdit ? (line, says) => say(proof.program, line, says) : undefined}
        />
      )}
      <Stages language={language} board={board} />
      {wiring && (
        <GeneratedPrograms
          wiring={wiring}
          board={board}
          writing={writing}
          onUse={mayEdit ? (text) => dispatch({ type: 'set', fields: { program: text } }) : undefined}
        />
      )}
    </>
  );
}
