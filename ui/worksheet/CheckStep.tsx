'use client';

import type { ProposedScenario } from '@/core/generated/proposals';
import { FaultRehearsal } from './FaultRehearsal';
import { HintWords } from './HintWords';
import { Marking } from './Marking';
import { Proposals } from './Proposals';
import { Remarks } from './Remarks';
import { LeftOpen } from './LeftOpen';
import { ScenarioList } from './scenarios/late-list';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What the checker says of the reference, what must be seen, what else the program does, and which slips it would notice. */
export function CheckStep({ propose }: { readonly propose: () => Promise<readonly ProposedScenario[]> }) {
  const hasProgram = useWorksheet((state) => state.sync.sheet.program.trim() !== '');
  const isLaidOut = useWorksheet((state) => state.sync.sheet.layout !== undefined);
  const stillWrong = useWorksheet((state) => state.proof.stillWrong);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  return (
    <>
      <Remarks />
      <Expected />
      <LeftOpen />
      {stillWrong.length > 0 && (
        <p className="mt-2 border-l-4 border-risk pl-3">
          <strong className="text-risk">Marked as wrong, and still doing it:</strong> {stillWrong.join('; ')}.
          The program has to change.
        </p>
      )}
      {mayEdit && hasProgram && <Proposals propose={propose} />}
      {isLaidOut && <FaultRehearsal />}
      <Marking />
      <HintWords />
    </>
  );
}

/** What must be seen for a build to pass. */
function Expected() {
  const { parts, scenarios, open } = useWorksheet((state) => state.sync.sheet);
  const results = useWorksheet((state) => state.proof.scenarios);
  const withoutProgram = useWorksheet((state) => state.proof.withoutProgram);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  return (
    <ScenarioList
      scenarios={scenarios}
      parts={parts}
      results={results}
      isFrame={open !== undefined}
      withoutProgram={withoutProgram}
      mayEdit={mayEdit}
      onChange={(next) => dispatch({ type: 'set', fields: { scenarios: next } })}
    />
  );
}
