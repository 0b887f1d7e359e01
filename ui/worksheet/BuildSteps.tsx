'use client';

import { useMemo, useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import { benchWork, bringUpText } from '@/core/course/bench-work';
import type { HouseRules } from '@/core/course/house-rules';
import { changeSteps, type ChangeStep } from '@/core/plan/build-steps';
import { LOCAL_RULES, type CautionStep } from '@/core/plan/cautions';
import { boardsOf } from '@/core/formats/exercise';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import type { Sheet } from '@/core/worksheet/sheet';
import { capital } from '@/core/words/words';
import { useTold, useWords } from '../words/Words';
import { useHouseRules, useRested, useRestedWiring } from './useRested';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What comes last in each order. */
const LAST: Readonly<Record<HouseRules['wiringOrder'], string>> = {
  'supply-last': 'the power',
  'supply-first': 'the signals',
};

const deeds: Readonly<Record<ChangeStep['deed'], string>> = {
  remove: 'taken out',
  move: 'moved',
  add: 'put in',
};

/** How it is built: from nothing, or from the build of another exercise. */
export function BuildSteps({ board }: { readonly board: BoardProfile }) {
  const wiring = useRestedWiring();
  return wiring ? <StepsOf wiring={wiring} board={board} /> : null;
}

interface StepsOfProps {
  readonly wiring: Wiring;
  readonly board: BoardProfile;
}

function StepsOf({ wiring, board }: StepsOfProps) {
  const basedOn = useWorksheet((state) => state.sync.sheet.basedOn);
  const boardProfile = useWorksheet((state) => state.sync.sheet.boardProfile);
  const rules = useHouseRules();
  const { wiringOrder } = rules;
  const changes = useTold(
    useMemo(
      () => stepsFrom(basedOn, boardProfile, wiring, wiringOrder),
      [basedOn, boardProfile, wiring, wiringOrder],
    ),
  );
  const [isOpen, setOpen] = useState(false);
  const counts = (['remove', 'move', 'add'] as const)
    .map((deed) => ({ deed, count: changes?.filter((step) => step.deed === deed).length ?? 0 }))
    .filter(({ count }) => count > 0);
  return (
    <>
      {basedOn && changes && (
        <details className="mb-1">
          <summary>
            <strong>From {basedOn.title}:</strong>{' '}
            {counts.length === 0
              ? 'nothing changes.'
              : `${counts.map(({ deed, count }) => `${count} ${deeds[deed]}`).join(', ')}.`}
          </summary>
          <ol className="mt-1 ml-5 list-decimal">
            {changes.map((step) => (
              <li key={step.number}>{step.text}</li>
            ))}
          </ol>
        </details>
      )}
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary>
          <strong>{wiring.parts.length} steps</strong>
          {basedOn ? ' from nothing' : ''}, {LAST[wiringOrder]} last.
        </summary>
        {isOpen && <StepList wiring={wiring} board={board} />}
      </details>
    </>
  );
}

/** From the exercise that it is based on; `undefined` when it is based on none. */
function stepsFrom(
  basedOn: Sheet['basedOn'],
  boardProfile: Sheet['boardProfile'],
  wiring: Wiring,
  wiringOrder: HouseRules['wiringOrder'],
): readonly ChangeStep[] | undefined {
  const before = basedOn && readWiring(basedOn.layout, { boards: boardsOf({ boardProfile }) });
  return before?.ok ? changeSteps(before.value, wiring, wiringOrder) : undefined;
}

/** Every step with the look that follows it; worked out when somebody reads it. */
function StepList({ wiring, board }: StepsOfProps) {
  const { wiringOrder, firstLight } = useHouseRules();
  const { steps, trial } = useTold(
    useMemo(
      () => benchWork(wiring, board, { wiringOrder, firstLight }),
      [wiring, board, wiringOrder, firstLight],
    ),
  );
  return (
    <ol className="mt-1 ml-5 list-decimal">
      {steps.map((step) => (
        <li key={step.number}>
          {step.text} <span className="text-note text-soft">{step.checkpoint}</span>
        </li>
      ))}
      {trial && <li>{trial}</li>}
    </ol>
  );
}

/** The cautions of one step; at the build, what stands above them all. */
export function Cautions({ step }: { readonly step: CautionStep }) {
  const { cautions } = useRested();
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  // The author's own stand below, where they are written.
  const here = useTold(cautions).filter((caution) => caution.step === step && !(mayEdit && caution.isOwn));
  if (here.length === 0) return null;
  return (
    <ul className="mt-2" aria-label="Cautions">
      {here.map((caution) => (
        <li key={caution.text} className="flex gap-2 py-0.5">
          <span aria-hidden="true" className="font-bold text-risk">
            !
          </span>
          <span>
            {caution.text}
            {caution.refs.length > 0 && (
              <span className="mono ml-1 text-note text-soft">{caution.refs.join(' ')}</span>
            )}
          </span>
        </li>
      ))}
      {step === 'build' && <li className="mt-1 max-w-[56ch] text-note text-soft">{LOCAL_RULES}</li>}
    </ul>
  );
}

/** Cautions in the author's own words, a line each; taken over when the field is left. */
export function OwnCautions() {
  const cautions = useWorksheet((state) => state.sync.sheet.cautions);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const [typed, setTyped] = useState<string>();
  if (!mayEdit) return null;
  const shown = typed ?? cautions.join('\n');
  const take = (): void => {
    if (typed === undefined) return;
    const next = [...new Set(typed.split('\n').map((line) => line.trim()))].filter(Boolean);
    if (next.join('\n') !== cautions.join('\n')) dispatch({ type: 'set', fields: { cautions: next } });
    setTyped(undefined);
  };
  return (
    <div className="mt-1 flex gap-2">
      <span aria-hidden="true" className={shown === '' ? 'text-soft' : 'font-bold text-risk'}>
        !
      </span>
      <textarea
        aria-label="Your own cautions, a line each"
        value={shown}
        rows={Math.max(1, shown.split('\n').length)}
        placeholder="your own cautions, a line each"
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        className="min-w-0 flex-1 resize-none border-b border-transparent bg-transparent placeholder:text-soft hover:border-rule-strong focus:border-focus"
      />
    </div>
  );
}

/** How a program gets on the board, and what the board's own LEDs then do. */
export function BringUp({ board }: { readonly board: BoardProfile }) {
  const rules = useHouseRules();
  const { packages } = board.bringUp;
  const say = useWords();
  const [light] = board.onBoard;
  return (
    <p>
      {bringUpText(board, rules)}{' '}
      <span className="text-note text-soft">
        {packages.length > 0 && `${capital(packages.join(', '))}.`}
        {light ? say(` The board’s built-in LED follows pin ${light.pin}, even with nothing connected.`) : ''}
      </span>
    </p>
  );
}
