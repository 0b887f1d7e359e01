'use client';

import { format } from 'date-fns';
import { Redo2, Undo2, ZoomIn, ZoomOut } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import { currentPath, type CurrentPath } from '@/core/electrics/paths';
import type { Finding } from '@/core/findings/finding';
import { isToldAtOnce } from '@/core/findings/hints';
import { rowOf } from '@/core/findings/table';
import { boardsOf, type ExerciseData, languageOf } from '@/core/formats/exercise';
import { kindOf } from '@/core/parts';
import { Circuit } from '@/core/wiring/circuit';
import type { Point } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { BenchDrawing } from './BenchDrawing';
import { CurrentStepper } from '../drawing/CurrentStepper';
import { newPart, readDraft, shortPlace, withEdits } from './draft';
import { HandInPanel } from './HandInPanel';
import { Keypad } from './Keypad';
import { PartList, type LegKey } from './PartList';
import { ProgramEditor } from './ProgramEditor';
import { ResultPanel } from './ResultPanel';
import { keypadPins } from './keypad-pins';
import { newClientId } from './storage';
import { useChecker } from './useChecker';
import { useDraft } from './useDraft';
import { useHandIn } from './useHandIn';

interface BenchProps {
  readonly learnerId: string;
  readonly publicationId: string;
  /** Earlier publications of the exercise, newest first: work begun on them goes on here. */
  readonly earlier: readonly string[];
  /** What the server has kept of the bench, as text. */
  readonly kept: string | undefined;
  /** Who checks builds; the server, when the tablet holds nothing of the solution. */
  readonly checkedBy: 'tablet' | 'server';
  /** The student form of the exercise. */
  readonly exercise: ExerciseData;
}

type Panel = 'wiring' | 'program' | 'hand-in';

/** A learner's bench: record the build, put the program in, check, and hand in. */
export function Bench({
  learnerId,
  publicationId,
  earlier,
  kept: keptThere,
  checkedBy,
  exercise,
}: BenchProps) {
  const kept = useDraft({ learnerId, publicationId, earlier, keptThere, exercise });
  const { draft, change, changeQuietly } = kept;
  const { result, check, cancel } = useChecker(checkedBy);
  const [panel, setPanel] = useState<Panel>('wiring');
  const [active, setActive] = useState<LegKey>();
  const [checked, setChecked] = useState<string>();
  const [hintLevel, setHintLevel] = useState(0);
  const [step, setStep] = useState<number>();
  const [isZoomed, setZoomed] = useState(false);
  const read = useMemo(() => readDraft(draft, exercise), [draft, exercise]);
  const board = boardsOf(exercise).get(exercise.board)!;
  const handInState = useHandIn(publicationId, draft.pending, () =>
    changeQuietly((now) => ({ ...now, pending: undefined })),
  );

  const fingerprint = `${read.table}\n${draft.program}\n${draft.sighting ?? ''}`;
  const isStale = checked !== undefined && checked !== fingerprint;
  const causes = result.state === 'done' ? result.report.findings.filter((finding) => finding.cause) : [];
  const [cause] = causes;
  const showsPlace = hintLevel >= 2 || (cause !== undefined && isToldAtOnce(cause));
  const marked = useMemo(
    () => (cause && showsPlace && !isStale ? cause.refs : []),
    [cause, showsPlace, isStale],
  );
  const markedPoints = useMemo(
    () => (cause && showsPlace && !isStale ? cause.at : []),
    [cause, showsPlace, isStale],
  );
  const markedLines = useMemo(
    () =>
      cause?.line !== undefined && (showsPlace || rowOf(cause.code).isRefused) && !isStale
        ? [cause.line]
        : [],
    [cause, showsPlace, isStale],
  );

  const path = useMemo(() => (step === undefined ? undefined : findPath(read.wiring)), [step, read.wiring]);
  const threads = useMemo(
    () => (path && step !== undefined ? threadsUpTo(path, step) : undefined),
    [path, step],
  );

  const problem = Object.values(read.problems)[0];
  const runCheck = (): void => {
    setActive(undefined);
    setHintLevel(0);
    setStep(undefined);
    setChecked(fingerprint);
    if (problem !== undefined || !read.wiring) {
      setPanel('wiring');
      return;
    }
    check({
      publicationId,
      exercise,
      wiring: read.table,
      program: draft.program,
      ...(draft.sighting ? { sighting: draft.sighting } : {}),
    });
  };

  const place = ({ ref, leg }: LegKey, where: string): void =>
    change((now) => ({
      ...now,
      parts: now.parts.map((part) =>
        part.ref === ref ? { ...part, at: { ...part.at, [leg]: where } } : part,
      ),
    }));

  const legOrder = draft.parts.flatMap((part) =>
    kindOf(part.kind).legs.map((leg) => ({ ref: part.ref, leg: leg.name as string })),
  );
  const moveOn = (from: LegKey): void => {
    const index = legOrder.findIndex((key) => key.ref === from.ref && key.leg === from.leg);
    setActive(legOrder[index + 1]);
  };

  const applyRepair = (finding: Finding): void => {
    change((now) => withEdits(now, finding.repair?.edits ?? []));
    setPanel('wiring');
  };

  const handIn = (): void =>
    changeQuietly((now) => ({
      ...now,
      pending: {
        clientId: newClientId(),
        wiring: read.table,
        program: now.program,
        hintsTaken: now.hintsTaken,
        ...(now.sighting ? { sighting: now.sighting } : {}),
      },
    }));

  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      if ((event.target as HTMLElement | null)?.closest('.cm-editor')) return;
      event.preventDefault();
      if (event.shiftKey) kept.redo();
      else kept.undo();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [kept]);

  const activePart = active && draft.parts.find((part) => part.ref === active.ref);
  const placing =
    active &&
    activePart &&
    `the ${kindOf(activePart.kind).legs.find((leg) => leg.name === active.leg)?.title ?? active.leg} of ${active.ref}`;
  const pins = useMemo(() => keypadPins(exercise, board), [exercise, board]);

  return (
    <div className="grid min-h-[calc(100dvh-3.9rem)] lg:grid-cols-[minmax(0,1fr)_24.5rem] xl:grid-cols-[minmax(0,1fr)_28.5rem]">
      <div className="flex min-w-0 flex-col border-ink lg:border-r">
        <div className="flex flex-wrap items-center gap-2 border-b border-rule px-5 py-2">
          <p className="mr-auto min-w-0 flex-1 basis-36 text-note text-soft" role="status">
            {kept.problem ??
              (kept.savedAt ? `Saved on this tablet, ${format(kept.savedAt, 'HH:mm')}` : 'Opening …')}
            {checkedBy === 'server' ? ' · checked by the server' : ' · checked on this tablet'}
          </p>
          <Button onClick={() => setZoomed((zoomed) => !zoomed)} aria-pressed={isZoomed} className="min-h-11">
            {isZoomed ? <ZoomOut size={18} aria-hidden="true" /> : <ZoomIn size={18} aria-hidden="true" />}
            {isZoomed ? 'Whole bench' : 'Closer'}
          </Button>
          <Button onClick={kept.undo} disabled={!kept.canUndo} aria-label="Undo" className="min-h-11">
            <Undo2 size={17} aria-hidden="true" />
          </Button>
          <Button onClick={kept.redo} disabled={!kept.canRedo} aria-label="Redo" className="min-h-11">
            <Redo2 size={17} aria-hidden="true" />
          </Button>
          <Button look="main" size="roomy" onClick={runCheck}>
            {checked === undefined ? 'Check' : 'Check again'}
          </Button>
        </div>
        <div className="px-4 py-3">
          {read.wiring && (
            <BenchDrawing
              wiring={read.wiring}
              isZoomed={isZoomed}
              placing={placing}
              onPlace={(point) => {
                if (!active) return;
                place(active, shortPlace(point));
                moveOn(active);
              }}
              {...(threads ? { threads } : {})}
              marked={marked}
              markedPoints={markedPoints}
            />
          )}
        </div>
        <div className="mt-auto">
          {path && step !== undefined && read.wiring ? (
            <CurrentStepper
              path={path}
              wiring={read.wiring}
              step={step}
              onStep={setStep}
              onClose={() => setStep(undefined)}
            />
          ) : (
            <ResultPanel
              result={
                problem !== undefined && checked === fingerprint
                  ? { state: 'unusable', message: problem }
                  : result
              }
              isStale={isStale}
              hintLevel={hintLevel}
              onHint={() => {
                setHintLevel((level) => level + 1);
                changeQuietly((now) => ({ ...now, hintsTaken: now.hintsTaken + 1 }));
              }}
              onApply={applyRepair}
              onHandIn={() => setPanel('hand-in')}
              onCancel={cancel}
              onFollow={read.wiring && findPath(read.wiring) ? () => setStep(0) : undefined}
            />
          )}
        </div>
      </div>
      <Tabs.Root
        value={panel}
        onValueChange={(value) => setPanel(value as Panel)}
        className="flex min-w-0 flex-col border-t border-ink lg:sticky lg:top-[3.9rem] lg:max-h-[calc(100dvh-3.9rem)] lg:border-t-0"
      >
        <Tabs.List aria-label="What to record" className="flex border-b border-ink">
          {(
            [
              ['wiring', 'Wiring'],
              ['program', 'Program'],
              ['hand-in', 'Hand in'],
            ] as const
          ).map(([value, label]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="min-h-12 flex-1 border-r border-rule text-bench font-semibold last:border-r-0 hover:bg-card data-[state=active]:bg-card data-[state=active]:shadow-[inset_0_-4px_0_var(--ink)]"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="wiring" className="flex min-h-0 flex-1 flex-col">
          <div className="min-h-0 flex-1 overflow-y-auto">
            <PartList
              parts={draft.parts}
              problems={read.problems}
              active={active}
              marked={marked}
              onActivate={setActive}
              onPlace={place}
              onFlip={(ref) => change((now) => withEdits(now, [{ flip: ref }]))}
              onValue={(ref, value) => change((now) => withEdits(now, [{ value: ref, to: value }]))}
              onRemove={(ref) => change((now) => withEdits(now, [{ remove: ref }]))}
              onAdd={(kind, value) =>
                change((now) => ({ ...now, parts: [...now.parts, newPart(now, kind, value)] }))
              }
            />
          </div>
          {active && placing && activePart && (
            <Keypad
              board={board}
              title={placing}
              place={activePart.at[active.leg] ?? ''}
              pins={pins}
              onPlace={(where) => place(active, where)}
              onNext={() => moveOn(active)}
            />
          )}
        </Tabs.Content>
        <Tabs.Content value="program" forceMount className="min-h-0 flex-1 data-[state=inactive]:hidden">
          <ProgramEditor
            source={draft.program}
            language={languageOf({ data: exercise, board })}
            marked={markedLines}
            onChange={(program) => program !== draft.program && changeQuietly((now) => ({ ...now, program }))}
          />
        </Tabs.Content>
        <Tabs.Content value="hand-in" className="min-h-0 flex-1 overflow-y-auto">
          <HandInPanel
            sighting={draft.sighting}
            onSighting={(sighting) => change((now) => ({ ...now, sighting }))}
            state={handInState}
            isPending={draft.pending !== undefined}
            obstacle={problem}
            onHandIn={handIn}
          />
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}

/** The path of the current from the first signal pin that something is plugged into. */
function findPath(wiring: ReturnType<typeof readDraft>['wiring']): CurrentPath | undefined {
  if (!wiring?.board) return undefined;
  const { profile } = wiring.board;
  const used = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at?.type === 'pin' ? [at] : [])),
  );
  const isSupply = (at: Point): boolean =>
    at.type === 'pin' && profile.supplies.some((supply) => supply.name === at.pin);
  const start =
    used.find((at) => !isSupply(at)) ??
    used.find((at) => profile.supplies.some((supply) => supply.name === at.pin && supply.role === 'supply'));
  return start && currentPath(new Circuit(wiring), start);
}

/** The strips that the current has come by, up to a step. */
function threadsUpTo(path: CurrentPath, step: number): { readonly point: Point; readonly role: 'signal' }[] {
  return path.steps.slice(0, step + 1).flatMap((passed) => {
    const points = 'to' in passed ? [passed.to] : 'at' in passed ? [passed.at] : [];
    return points.flatMap((point) => (point ? [{ point, role: 'signal' as const }] : []));
  });
}
