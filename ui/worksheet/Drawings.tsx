'use client';

import { Grid2x2, Lock, LockOpen, RotateCw, Route, Spline } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { ref } from '@/core/brand';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import { turnedStep, type QuarterTurns } from '@/core/drawing/turn';
import { currentPaths, type CurrentPath } from '@/core/electrics/paths';
import type { Connection } from '@/core/plan/worksheet';
import { kindOf } from '@/core/parts';
import { Circuit } from '@/core/wiring/circuit';
import { readPoint, surroundingsOf } from '@/core/wiring/point';
import { findPart, nameOf, shortNameOf, type Point, type Wiring } from '@/core/wiring/wiring';
import type { Step } from '@/core/worksheet/nudge';
import { Button, Keys } from '../design/Button';
import { BenchFigure } from '../drawing/BenchFigure';
import { CurrentStepper } from '../drawing/CurrentStepper';
import { placeOnDrawing } from '../drawing/pointer';
import type { Chosen } from './chosen';
import { SchematicFigure } from './SchematicFigure';
import { threadsFor, type Thread } from './threads';
import { useWords } from '../words/Words';

interface DrawingsProps {
  readonly title: string;
  readonly wiring: Wiring | undefined;
  /** Why there is no layout. */
  readonly problem: string | undefined;
  readonly mayEdit: boolean;
  readonly chosen: Chosen | undefined;
  readonly onChoose: (chosen: Chosen | undefined) => void;
  /** Parts that are pointed at elsewhere on the page. */
  readonly marked: readonly string[];
  /** The node that is traced, here or from elsewhere on the page. */
  readonly traced: Connection | undefined;
  /** Traces the node of a point; `undefined` for none. */
  readonly onTrace: (point: Point | undefined) => void;
  /** The nodes that show while nothing is traced or followed. */
  readonly atRest: readonly Thread[];
  readonly held: readonly string[];
  /** Moves a part or leg by a step; the reason when it cannot be. */
  readonly onNudge: (chosen: Chosen, step: Step) => string | undefined;
  readonly onPut: (chosen: Chosen, at: Point) => string | undefined;
  readonly onHold: (ref: string, isHeld: boolean) => void;
  readonly onLayOutAnew: () => void;
}

const arrows: Readonly<Record<string, Step>> = {
  ArrowUp: { rows: -1, columns: 0 },
  ArrowDown: { rows: 1, columns: 0 },
  ArrowLeft: { rows: 0, columns: -1 },
  ArrowRight: { rows: 0, columns: 1 },
};

/** The bench and the schematic beside each other: pointed at, traced, followed, nudged and turned. */
export function Drawings(props: DrawingsProps) {
  const { title, wiring, problem, mayEdit, chosen, onChoose, marked, traced, atRest, held } = props;
  const { onTrace, onNudge, onPut, onHold, onLayOutAnew } = props;
  const [turns, setTurns] = useState<QuarterTurns>(0);
  const [isTracing, setTracing] = useState(false);
  const [following, setFollowing] = useState<{ path: number; step: number }>();
  const [refusal, setRefusal] = useState<string>();
  const frame = useRef<HTMLDivElement>(null);

  const circuit = useMemo(() => wiring && new Circuit(wiring), [wiring]);
  const legAt = useMemo(() => pointOf(wiring, chosen), [wiring, chosen]);
  const paths = useMemo(
    () => (circuit && following ? pathsThrough(circuit, chosen) : []),
    [circuit, following, chosen],
  );
  const path = following && paths[following.path];
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
      wiring &&
      drawBench(wiring, {
        crop: 'used',
        threads: threads.length > 0 ? threads : atRest,
        marked: [...marked, ...(chosen ? [chosen.ref] : [])],
        ...(legAt ? { ghost: legAt } : {}),
      }),
    [wiring, threads, atRest, marked, chosen, legAt],
  );

  if (!wiring || !drawing)
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

  const parts = wiring.parts.filter((part) => !kindOf(part.kind).conductor);
  const choosePart = (by: 1 | -1): void => {
    if (parts.length === 0) return;
    const at = parts.findIndex((part) => part.ref === chosen?.ref);
    onChoose({ ref: parts[(at + by + parts.length) % parts.length]!.ref, leg: null });
  };
  const chooseLeg = (): void => {
    const part = chosen && findPart(wiring, ref(chosen.ref));
    if (!part) return choosePart(1);
    const legs = [null, ...part.legs.map(({ leg }) => leg as string)];
    onChoose({ ref: part.ref, leg: legs[(legs.indexOf(chosen.leg) + 1) % legs.length]! });
  };
  const act = (key: string): boolean => {
    const step = arrows[key];
    if (step && chosen && mayEdit) setRefusal(onNudge(chosen, turnedStep(step, turns)));
    else if (key === 'n' || key === 'N') choosePart(key === 'N' ? -1 : 1);
    else if (key === 'l') chooseLeg();
    else if (key === 't') setTracing(!isTracing);
    else if (key === 'f') setFollowing(following ? undefined : { path: 0, step: 0 });
    else if (key === 'r') setTurns(((turns + 1) % 4) as QuarterTurns);
    else if (key === 'h' && chosen && mayEdit) onHold(chosen.ref, !held.includes(chosen.ref));
    else if (key === 'Escape') {
      onChoose(undefined);
      onTrace(undefined);
      setTracing(false);
      setFollowing(undefined);
    } else return false;
    return true;
  };
  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (act(event.key)) event.preventDefault();
  };
  const onClick = (event: MouseEvent): void => {
    const place = placeOnDrawing(frame.current, event);
    if (!place) return;
    const { x, y } = place;
    const owner = (event.target as Element).closest('[data-ref]')?.getAttribute('data-ref');
    const near = drawing.targets
      .map((target) => ({ ...target, distance: Math.hypot(target.x - x, target.y - y) }))
      .sort((a, b) => a.distance - b.distance)[0];
    const leg = near && near.distance < PITCH * 0.6 ? legInHole(wiring, near.point) : undefined;
    if (leg) onChoose(leg);
    else if (near && near.distance < PITCH * 0.6 && chosen?.leg && mayEdit && !owner) {
      const at = readPoint(near.point, surroundingsOf(wiring));
      if (at.ok) setRefusal(onPut(chosen, at.value));
    } else if (owner && parts.some((part) => part.ref === owner)) onChoose({ ref: owner, leg: null });
    else {
      onChoose(undefined);
      const wire = wiring.parts.find((part) => part.ref === owner);
      onTrace(wire?.legs.find(({ at }) => at)?.at ?? undefined);
    }
  };
  const isHeld = chosen !== undefined && held.includes(chosen.ref);

  return (
    <div>
      <div
        ref={frame}
        role="application"
        tabIndex={0}
        aria-label={`The bench of ${title}. N next part, L its legs, arrows move it, T traces its node, F follows the current, R turns the drawing, H holds the part.`}
        aria-describedby="bench-said"
        onKeyDown={onKey}
        onClick={onClick}
        className="focus-visible:outline-offset-4"
      >
        <BenchFigure
          drawing={drawing}
          title={`How ${title} is wired`}
          turns={turns}
          className="max-h-[62vh] w-full"
        />
      </div>
      <p id="bench-said" aria-live="polite" className="min-h-6 text-note">
        {refusal ? (
          <span className="font-semibold text-risk">{refusal}</span>
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
      <div className="-ml-1.5 flex flex-wrap">
        <Tool shortcut="N" onClick={() => choosePart(1)}>
          Next part
        </Tool>
        <Tool shortcut="L" onClick={chooseLeg}>
          Its legs
        </Tool>
        <Tool shortcut="T" isOn={isTracing} onClick={() => act('t')}>
          <Spline size={15} aria-hidden="true" /> Trace node
        </Tool>
        <Tool shortcut="F" isOn={following !== undefined} onClick={() => act('f')}>
          <Route size={15} aria-hidden="true" /> Follow current
        </Tool>
        <Tool shortcut="R" onClick={() => act('r')}>
          <RotateCw size={15} aria-hidden="true" /> Turn
        </Tool>
        {mayEdit && (
          <>
            <Tool shortcut="H" isOn={isHeld} isOff={!chosen} onClick={() => act('h')}>
              {isHeld ? <Lock size={15} aria-hidden="true" /> : <LockOpen size={15} aria-hidden="true" />}
              {isHeld ? 'Held' : 'Hold'}
            </Tool>
            <Tool onClick={onLayOutAnew}>
              <Grid2x2 size={15} aria-hidden="true" /> Lay out again
            </Tool>
          </>
        )}
      </div>
      {following && path && (
        <div className="-mx-5 mt-2">
          {paths.length > 1 && (
            <p className="px-5 text-note text-soft">
              Way {following.path + 1} of {paths.length}.{' '}
              <button
                type="button"
                className="underline"
                onClick={() => setFollowing({ path: (following.path + 1) % paths.length, step: 0 })}
              >
                Another way
              </button>
            </p>
          )}
          <CurrentStepper
            path={path}
            wiring={wiring}
            step={Math.min(following.step, path.steps.length - 1)}
            onStep={(step) => setFollowing({ ...following, step })}
            onClose={() => setFollowing(undefined)}
            size="dense"
          />
        </div>
      )}
      <SchematicFigure
        wiring={wiring}
        title={title}
        threads={threads}
        onChoose={onChoose}
        onTrace={onTrace}
      />
    </div>
  );
}

interface ToolProps {
  readonly onClick: () => void;
  readonly shortcut?: string;
  /** For those that stay on; `undefined` for those that act once. */
  readonly isOn?: boolean;
  readonly isOff?: boolean;
  readonly children: React.ReactNode;
}

function Tool({ onClick, shortcut, isOn, isOff, children }: ToolProps) {
  return (
    <Button look="tool" size="small" aria-pressed={isOn} disabled={isOff} onClick={onClick}>
      {children}
      {shortcut && <Keys>{shortcut}</Keys>}
    </Button>
  );
}

function ChosenWords({
  chosen,
  wiring,
  isHeld,
}: {
  readonly chosen: Chosen;
  readonly wiring: Wiring;
  readonly isHeld: boolean;
}) {
  const say = useWords();
  const part = findPart(wiring, ref(chosen.ref));
  if (!part) return null;
  const kind = kindOf(part.kind);
  const placed = part.legs.filter(({ at }) => at !== null);
  const leg = placed.find((candidate) => (candidate.leg as string) === chosen.leg);
  const title = kind.legs.find(({ name }) => (name as string) === chosen.leg)?.title;
  return (
    <>
      <strong className="mono">{part.ref}</strong> {say(kind.describe(part.value))}
      {leg?.at ? (
        <>
          , {title} in <span className="mono">{shortNameOf(leg.at)}</span>
        </>
      ) : (
        <>
          {' '}
          in <span className="mono">{placed.map(({ at }) => shortNameOf(at!)).join(' ')}</span>
        </>
      )}
      {isHeld && '. It stays there when the rest is laid out again'}.
    </>
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
