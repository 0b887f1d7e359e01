'use client';

import { isBoard } from '@/core/boards';
import type { ProposedScenario } from '@/core/generated/proposals';
import type { StatementContext } from '@/core/statements';
import { AimStep } from './AimStep';
import { BoardStep } from './BoardStep';
import { BuildRecord } from './BuildRecord';
import { BringUp, BuildSteps, Cautions, OwnCautions } from './BuildSteps';
import { Challenges } from './Challenges';
import { CheckStep } from './CheckStep';
import { Connections } from './Connections';
import { Exchange } from './Exchange';
import { Forms } from './Forms';
import { LayoutWords } from './LayoutWords';
import { PartLines } from './PartLines';
import { Predictions } from './Predictions';
import { ProgramStep } from './ProgramStep';
import { RulesHere } from './RulesHere';
import { Step } from './Step';
import { useRested } from './useRested';
import { useWorksheet } from './useWorksheet';
import { Values } from './Values';

interface StepsProps {
  readonly context: StatementContext;
  readonly propose: () => Promise<readonly ProposedScenario[]>;
}

/** The steps of the work on one exercise, one under another. */
export function Steps({ context, propose }: StepsProps) {
  const answer = useWorksheet((state) => (state.derived.isShown ? state.answers : undefined));
  const stops = useWorksheet(({ derived }) =>
    derived.circuit()?.lines.some((line) => line.troubles.some(({ weight }) => weight === 'stops')),
  );
  const layoutProblem = useWorksheet((state) => state.readOut.layoutProblem);
  const questions = useWorksheet((state) => state.proof.questions);
  const { cautions, remarks } = useRested();
  const hasBringUp = isBoard(context.board);
  const isVaried = questions.length > 0 || cautions.some(({ step }) => step === 'vary');
  const hasFaults = cautions.some(({ step }) => step === 'find-fault');
  // Numbers without holes: what an exercise does not need takes none.
  const build = hasBringUp ? 9 : 8;
  const findFault = build + (isVaried ? 2 : 1);
  const check = findFault + (hasFaults ? 1 : 0);
  return (
    <div className="border-ink lg:border-r" data-answer={answer}>
      <Step number={1} title="Aim">
        <AimStep />
      </Step>
      <Step number={2} title="Board">
        <BoardStep board={context.board} />
        <Forms />
      </Step>
      <Step number={3} title="Parts" notch={stops ? 'fault' : undefined}>
        <PartLines context={context} />
      </Step>
      <Step number={4} title="Values">
        <Values board={context.board} />
        <Cautions step="values" />
      </Step>
      <Step number={5} title="Connections">
        <Connections board={context.board} />
      </Step>
      <Step number={6} title="Layout" notch={layoutProblem ? 'fault' : undefined}>
        <LayoutWords />
      </Step>
      <Step number={7} title="Program">
        <ProgramStep board={context.board} />
      </Step>
      {hasBringUp && (
        <Step number={8} title="Bring-up">
          <BringUp board={context.board} />
          <Cautions step="bring-up" />
        </Step>
      )}
      <Step number={build} title="Build">
        <BuildSteps board={context.board} />
        <Cautions step="build" />
        <OwnCautions />
        <BuildRecord />
      </Step>
      {isVaried && (
        <Step number={build + 1} title="Vary and predict">
          <Cautions step="vary" />
          <Predictions questions={questions} />
          <Challenges />
        </Step>
      )}
      {hasFaults && (
        <Step number={findFault} title="Find fault">
          <Cautions step="find-fault" />
        </Step>
      )}
      <Step
        number={check}
        title="Check"
        notch={remarks?.some(({ severity }) => severity === 'fault') ? 'fault' : undefined}
      >
        <CheckStep propose={propose} />
      </Step>
      <Step number={check + 1} title="Next time">
        <RulesHere />
        <Exchange />
      </Step>
    </div>
  );
}
