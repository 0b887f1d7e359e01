'use client';

import { useMemo, useRef, type KeyboardEvent, type MouseEvent } from 'react';
import { ref } from '@/core/brand';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import { currentPaths, type CurrentPath } from '@/core/electrics/paths';
import { kindOf } from '@/core/parts';
import { Circuit } from '@/core/wiring/circuit';
import { readPoint, surroundingsOf } from '@/core/wiring/point';
import { findPart, nameOf, type Point, type Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { CurrentStepper } from '../drawing/CurrentStepper';
import { placeOnDrawing } from '../drawing/pointer';
import type { Chosen } from './chosen';
import { ChosenWords } from './ChosenWords';
import { actionOfKey, choosable } from './drawing-state';
import { DrawingTools } from './DrawingTools';
import { SchematicFigure } from './SchematicFigure';
import { threadsFor } from './threads';
import { useDispatch, useWorksheet } from './useWorksheet';

/** The bench and the schematic beside each other: pointed at, traced, followed, nudged and turned. */
export function Drawings() {
  const wiring = useWorksheet((state) => state.derived.wiring);
  const problem = useWorksheet((state) => state.readOut.layoutProblem ?? state.readOut.problem);
  if (wiring) return <DrawingsOf wiring={wiring} />;
  return (
    <p className="border border-rule bg-card p-6">
      {problem ? (
        <>
          <strong>It can’t be laid out yet.</strong> {problem}
        </>
      ) : (
        'The drawing appears with the first part.'
      )}
    </p>
  );
}

const NOBODY: readonly string[] = [];

function DrawingsOf({ wiring }: { readonly wiring: Wiring }) {
  const title = useWorksheet((state) => state.sync.sheet.title);
  const held = useWorksheet((state) => state.sync.sheet.held) ?? NOBODY;
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const traced = useWorksheet((state) => state.followed);
  const marked = useWorksheet((state) => state.pointedAt);
  const atRest = useWorksheet((state) => state.derived.atRest);
  const refusal = useWorksheet((state) => state.refusal);
  const state = useWorksheet((worksheet) => worksheet.drawing);
  const dispatch = useDispatch();
  const frame = useRef<HTMLDivElement>(null);

  const { chosen, following, turns, isTracing, isWide } = state;
  const circuit = useMemo(() => new Circuit(wiring), [wiring]);
  const legAt = useMemo(() => pointOf(wiring, chosen), [wiring, chosen]);
  const paths = useMemo(() => (following ? pathsThrough(circuit, chosen) : []), [circuit, following, chosen]);
  const path = following && paths[following.way];
  const threads = useMemo(
    () =>
      threadsFor(circuit, {
        path,
        step: following?.step,
        traced: traced?.point ?? (isTracing ? legAt : undefined),
      }),
    [circuit, path, following?.step, traced?.point, isTracing, legAt],
  );
  const drawing = useMemo(
    () =>
      drawBench(wiring, {
        crop: 'used',
        threads: threads.length > 0 ? threads : atRest,
        marked: [...marked, ...(chosen ? [chosen.ref] : [])],
        ...(legAt ? { ghost: legAt } : {}),
      }),
    [wiring, threads, atRest, marked, chosen, legAt],
  );

  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const action = actionOfKey(event.key, state);
    const changes = action?.type === 'nudge' || action?.type === 'hold';
    if (!action || (changes && !(chosen && mayEdit))) return;
    event.preventDefault();
    dispatch(action);
  };
  const onClick = (event: MouseEvent): void => {
    const place = placeOnDrawing(frame.current, event);
    if (!place) return;
    const owner = (event.target as Element).closest('[data-ref]')?.getAttribute('data-ref');
    const near = drawing.targets
      .map((target) => ({ ...target, distance: Math.hypot(target.x - place.x, target.y - place.y) }))
      .sort((a, b) => a.distance - b.distance)[0];
    const point = near && near.distance < PITCH * 0.6 ? near.point : undefined;
    const leg = point === undefined ? undefined : legInHole(wiring, point);
    if (leg) dispatch({ type: 'choose', chosen: leg });
    else if (point !== undefined && chosen?.leg && mayEdit && !owner) {
      const at = readPoint(point, surroundingsOf(wiring));
      if (at.ok) dispatch({ type: 'put', at: at.value });
    } else if (owner && choosable(wiring).some((part) => part.ref === owner))
      dispatch({ type: 'choose', chosen: { ref: owner, leg: null } });
    else {
      dispatch({ type: 'choose', chosen: undefined });
      const wire = wiring.parts.find((part) => part.ref === owner);
      dispatch({ type: 'trace', point: wire?.legs.find(({ at }) => at)?.at ?? undefined });
    }
  };
  const isHeld = chosen !== undefined && held.includes(chosen.ref);

  return (
    <div>
      <div
        ref={frame}
        role="application"
        tabIndex={0}
        aria-label={`The bench of ${title}. N next part, L its legs, arrows move it, T traces its node, F follows the current, R turns the drawing, W gives it the whole width, H holds the part.`}
        aria-describedby="bench-said"
        onKeyDown={onKey}
        onClick={onClick}
        className="focus-visible:outline-offset-4"
      >
        <BenchFigure
          drawing={drawing}
          title={`How ${title} is wired`}
          turns={turns}
          className={isWide ? 'max-h-[calc(100dvh-13rem)] w-full' : 'max-h-[62vh] w-full'}
        />
      </div>
      <p id="bench-said" aria-live="polite" className="min-h-6 text-note">
        {refusal?.at === 'drawing' ? (
          <span className="font-semibold text-risk">{refusal.message}</span>
        ) : chosen ? (
          <ChosenWords chosen={chosen} wiring={wiring} isHeld={isHeld} />
        ) : traced ? (
          <>
            Traced: <span className="mono">{traced.ends.map(({ text }) => text).join(' to ')}</span>
          </>
        ) : (
          <span className="text-soft">
            Choose a part or a wire on the drawing, or step through them with the keys.
          </span>
        )}
      </p>
      <DrawingTools isHeld={isHeld} />
      {following && path && (
        <div className="-mx-5 mt-2">
          {paths.length > 1 && (
            <p className="px-5 text-note text-soft">
              Way {following.way + 1} of {paths.length}.{' '}
              <button
                type="button"
                className="underline"
                onClick={() => dispatch({ type: 'another way', of: paths.length })}
              >
                Another way
              </button>
            </p>
          )}
          <CurrentStepper
            path={path}
            wiring={wiring}
            step={Math.min(following.step, path.steps.length - 1)}
            onStep={(step) => dispatch({ type: 'go to step', step })}
            onClose={() => dispatch({ type: 'follow current' })}
            size="dense"
          />
        </div>
      )}
      <SchematicFigure wiring={wiring} title={title} threads={threads} />
    </div>
  );
}

function pointOf(wiring: Wiring | undefined, chosen: Chosen | undefined): Point | undefined {
  const part = wiring && chosen && findPart(wiring, ref(chosen.ref));
  if (!part) return undefined;
  const leg =
    part.legs.find((candidate) => (candidate.leg as string) === chosen.leg) ?? part.legs.find(({ at }) => at);
  return chosen.leg === null ? undefined : (leg?.at ?? undefined);
}

function legInHole(wiring: Wiring, point: string): Chosen | undefined {
  for (const part of wiring.parts) {
    if (kindOf(part.kind).conductor) continue;
    const leg = part.legs.find(({ at }) => at && nameOf(at) === point);
    if (leg) return { ref: part.ref, leg: leg.leg };
  }
  return undefined;
}

/** The ways of the current that pass a part; all of them when none is chosen or none passes it. */
function pathsThrough(circuit: Circuit, chosen: Chosen | undefined): readonly CurrentPath[] {
  const pins = circuit.nodes.flatMap(({ id }) => circuit.signalsAt(id));
  const all = currentPaths(circuit, pins).filter(({ steps }) => steps.length > 1);
  const through = all.filter(({ steps }) => steps.some((step) => 'ref' in step && step.ref === chosen?.ref));
  return through.length > 0 ? through : all;
}
