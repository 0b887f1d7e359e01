'use client';

import { useDeferredValue, useMemo } from 'react';
import type { BoardProfile } from '@/core/boards';
import { languageOf } from '@/core/formats/exercise';
import type { Scenario } from '@/core/formats/scenario';
import type { PointName } from '@/core/brand';
import { rulesWith, type HouseQuestionId, type HouseRules } from '@/core/course/house-rules';
import type { ProposedScenario } from '@/core/generated/proposals';
import type { Writing } from '@/core/generated/writing';
import type { Connection } from '@/core/plan/worksheet';
import type { StatedCircuit, StatementContext, TakenPins } from '@/core/statements';
import type { Wiring } from '@/core/wiring/wiring';
import { type Change, type SheetField, fieldChanges } from '@/core/worksheet/change';
import type { Proof } from '@/core/worksheet/proof';
import type { ReadOut } from '@/core/worksheet/read-out';
import type { Sheet } from '@/core/worksheet/sheet';
import { ProgramEditor } from '../bench/ProgramEditor';
import { AimStep } from './AimStep';
import { BoardStep } from './BoardStep';
import { BringUp, BuildSteps, CautionLines } from './BuildSteps';
import { Connections, keyOf } from './Connections';
import { Exchange } from './Exchange';
import { Expected } from './Expected';
import { Explained } from './Explained';
import { LayoutWords } from './LayoutWords';
import { LineOutcome, LineSummary } from './LineOutcome';
import { PartLines } from './PartLines';
import { Proposals, type Mark } from './Proposals';
import { ProgramListing } from './ProgramListing';
import { Remarks } from './Remarks';
import { RulesHere } from './RulesHere';
import { GeneratedPrograms } from './GeneratedPrograms';
import { Predictions } from './Predictions';
import { Step } from './Step';
import { Variants } from './Variants';
import { Values } from './Values';

interface StepsProps {
  readonly sheet: Sheet;
  readonly readOut: ReadOut;
  /** Which answer is shown, when it is one to what is written. */
  readonly answer: number | undefined;
  readonly boards: readonly BoardProfile[];
  readonly context: StatementContext;
  readonly circuit: StatedCircuit;
  readonly taken: TakenPins;
  readonly wiring: Wiring | undefined;
  readonly proof: Proof;
  readonly propose: () => Promise<readonly ProposedScenario[]>;
  /** Whether the server has all that is written here. */
  readonly isKept: boolean;
  readonly courseRules: HouseRules;
  readonly followed: Connection | undefined;
  readonly refusal: string | undefined;
  readonly mayEdit: boolean;
  readonly change: (changes: readonly Change[], joins?: 'joins' | 'stands alone') => void;
  /** These stay the same functions, so that a letter does not draw the whole column again. */
  readonly set: (field: SheetField, is: unknown, joins?: 'joins' | 'stands alone') => void;
  readonly onFinish: () => void;
  readonly onPointAt: (refs: readonly string[]) => void;
  readonly onFollow: (connection: Connection | undefined) => void;
  readonly onJoin: (leg: PointName, target: PointName | null) => void;
  readonly onMovePin: (from: string, to: string) => void;
  readonly effectOf: (question: HouseQuestionId, school: string) => readonly string[];
  readonly onTake: (wiring: Wiring) => string | undefined;
  /** What is there at the moment, for files. */
  readonly now: () => { readonly sheet: Sheet; readonly wiring: Wiring | undefined };
}

/** The steps of the work on one exercise, one under another. */
export function Steps(props: StepsProps) {
  const { sheet, readOut, boards, context, circuit, taken, proof, mayEdit, set } = props;
  // Lines, values and drawing come first; what is read later may follow a moment later.
  const rested = useDeferredValue(readOut);
  const restedWiring = useDeferredValue(props.wiring);
  const { figures } = rested;
  const { title, language, rules } = sheet;
  const followedRules = useMemo(() => {
    const own = rulesWith(props.courseRules, rules);
    return own.ok ? own.value : props.courseRules;
  }, [rules, props.courseRules]);
  const { nameStyle } = followedRules;
  const writing = useMemo(
    (): Writing => ({ title, names: nameStyle, language: language ?? context.board.language.default }),
    [title, language, nameStyle, context.board],
  );
  const worst = circuit.lines.flatMap((line) => line.troubles).some(({ weight }) => weight === 'stops');
  const bench = sheet.parts.filter(({ kind }) => kind === 'breadboard').map(({ value }) => value);
  return (
    <div className="border-ink lg:border-r" data-answer={props.answer}>
      <Step number={1} title="Aim">
        <AimStep title={sheet.title} aim={sheet.aim} concepts={sheet.concepts} mayEdit={mayEdit} set={set} />
      </Step>
      <Step number={2} title="Board">
        <BoardStep
          bench={bench.join('+')}
          boards={boards}
          board={context.board}
          taken={taken}
          mayEdit={mayEdit}
          set={set}
          setTogether={(fields) => props.change(fieldChanges(sheet, fields))}
          onMovePin={props.onMovePin}
        />
      </Step>
      <Step number={3} title="Parts" notch={worst ? 'fault' : undefined}>
        <PartLines
          lines={sheet.lines}
          stated={circuit.lines}
          context={context}
          mayEdit={mayEdit}
          change={props.change}
          summary={(line) => <LineSummary line={line} figures={readOut.figures} />}
          outcome={(line) => <LineOutcome line={line} wiring={restedWiring} readOut={rested} />}
          onFinish={props.onFinish}
          onPointAt={props.onPointAt}
        />
      </Step>
      <Step number={4} title="Values">
        {readOut.figures ? (
          <Values figures={readOut.figures} recommendedMa={context.board.drive.recommendedMa} />
        ) : (
          <p>{readOut.problem}</p>
        )}
        <CautionLines cautions={rested.cautions} step="values" />
      </Step>
      <Step number={5} title="Connections">
        {figures && (
          <Connections
            connections={figures.connections}
            sockets={socketsOf(context.board, taken)}
            followed={props.followed && keyOf(props.followed)}
            onFollow={props.onFollow}
            mayEdit={mayEdit}
            onJoin={props.onJoin}
            onMovePin={props.onMovePin}
          />
        )}
        {props.refusal && (
          <p role="alert" className="mt-1 font-semibold text-risk">
            {props.refusal}
          </p>
        )}
        <FreePins free={rested.sheet.free} />
      </Step>
      <Step number={6} title="Layout" notch={readOut.layoutProblem ? 'fault' : undefined}>
        <LayoutWords readOut={rested} />
      </Step>
      <Step number={7} title="Program">
        {mayEdit ? (
          <div className="h-72 border border-rule">
            <ProgramEditor
              source={sheet.program}
              language={languageOf({ data: sheet, board: context.board })}
              onChange={(text) => set('program', text, 'joins')}
              marked={NO_LINES}
              label="Reference program"
            />
          </div>
        ) : (
          <ProgramListing source={sheet.program} label="The reference program" />
        )}
        {proof.explanation.length > 0 && <Explained source={proof.program} explanation={proof.explanation} />}
        <Variants stages={sheet.stages ?? []} forms={sheet.forms ?? []} />
        {restedWiring && (
          <GeneratedPrograms
            wiring={restedWiring}
            board={context.board}
            writing={writing}
            onUse={mayEdit ? (program) => set('program', program, 'stands alone') : undefined}
          />
        )}
      </Step>
      <Step number={8} title="Bring-up">
        <BringUp board={context.board} rules={followedRules} />
        <CautionLines cautions={rested.cautions} step="bring-up" />
      </Step>
      <Step number={9} title="Build">
        {restedWiring && (
          <BuildSteps
            wiring={restedWiring}
            basedOn={sheet.basedOn}
            boardProfile={sheet.boardProfile}
            board={context.board}
            rules={followedRules}
          />
        )}
        <CautionLines cautions={rested.cautions} step="build" />
      </Step>
      {(proof.questions.length > 0 || rested.cautions.some((caution) => caution.step === 'vary')) && (
        <Step number={10} title="Vary and predict">
          <CautionLines cautions={rested.cautions} step="vary" />
          <Predictions questions={proof.questions} />
        </Step>
      )}
      {rested.cautions.some((caution) => caution.step === 'find-fault') && (
        <Step number={11} title="Find fault">
          <CautionLines cautions={rested.cautions} step="find-fault" />
        </Step>
      )}
      <Step
        number={12}
        title="Check"
        notch={rested.remarks?.some(({ severity }) => severity === 'fault') ? 'fault' : undefined}
      >
        <Remarks readOut={rested} onPointAt={props.onPointAt} />
        <Expected
          parts={sheet.parts}
          scenarios={sheet.scenarios}
          results={proof.scenarios}
          mayEdit={mayEdit}
          onChange={(scenarios) => set('scenarios', scenarios)}
        />
        {proof.stillWrong.length > 0 && (
          <p className="mt-2 border-l-4 border-risk pl-3">
            <strong className="text-risk">Marked as wrong, and still doing it:</strong>{' '}
            {proof.stillWrong.join('; ')}. The program has to change.
          </p>
        )}
        {mayEdit && sheet.program.trim() !== '' && (
          <Proposals
            scenarios={sheet.scenarios}
            considered={sheet.considered ?? []}
            source={JSON.stringify([sheet.program, sheet.layout, sheet.board, sheet.language])}
            isKept={props.isKept}
            propose={props.propose}
            onMark={(scenario, mark) => props.change(markChanges(sheet, scenario, mark))}
          />
        )}
      </Step>
      <Step number={13} title="Next time">
        <RulesHere
          rules={sheet.rules}
          courseRules={props.courseRules}
          mayEdit={mayEdit}
          onChange={(rules) => set('rules', rules)}
          effectOf={props.effectOf}
        />
        <Exchange
          now={props.now}
          hasLayout={restedWiring !== undefined}
          mayEdit={mayEdit}
          onTake={props.onTake}
        />
      </Step>
    </div>
  );
}

const NO_LINES: readonly number[] = [];

function FreePins({ free }: Pick<Sheet, 'free'>) {
  return Object.entries(free.pins ?? {}).map(([pin, range]) => (
    <p key={pin} className="mt-2 text-note text-soft">
      Any of the pins <span className="mono">{range}</span> may stand for{' '}
      <span className="mono">{pin.replace(/^\w+\./, '')}</span> as long as wire and program agree.
    </p>
  ));
}

/** A proposal that is right becomes a scenario; any other mark is kept beside them. */
function markChanges(sheet: Sheet, scenario: Scenario, mark: Mark | undefined): readonly Change[] {
  const others = (sheet.considered ?? []).filter((one) => one.scenario.name !== scenario.name);
  const considered = mark === 'wrong' || mark === 'free' ? [...others, { mark, scenario }] : others;
  return [
    { type: 'field', field: 'considered', was: sheet.considered, is: considered },
    ...(mark === 'right'
      ? [
          {
            type: 'field' as const,
            field: 'scenarios' as const,
            was: sheet.scenarios,
            is: [...sheet.scenarios, scenario],
          },
        ]
      : []),
  ];
}

/** Sockets that a leg can be joined to, signal pins that are free and the supplies. */
function socketsOf(board: BoardProfile, taken: TakenPins) {
  return [
    ...board.supplies
      .filter(({ role }) => role !== 'input')
      .map(({ name, role }) => ({ name, note: role === 'ground' ? 'ground' : 'supply' })),
    ...board.pins
      .filter(({ name, reserved }) => !taken.has(name) && reserved === undefined)
      .map(({ name, functions }) => ({
        name,
        note: ['free', ...functions.filter((one) => one === 'pwm' || one === 'analog')].join(', '),
      })),
  ];
}
