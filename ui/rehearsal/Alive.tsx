'use client';

import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { Box, Drawing, Light } from '@/core/drawing/list';
import { stateAt, touchables } from '@/core/rehearsal/hands';
import { EYE_SECONDS } from '@/core/rehearsal/seen';
import { kindOf, type Observed } from '@/core/parts';
import type { PlacedPart } from '@/core/wiring/wiring';
import { Doing } from './alive/Doing';
import { Lights } from './alive/Lights';
import { Pins } from './alive/Pins';
import { Touched } from './alive/Touched';
import type { Playing } from './useRehearsal';

interface AliveProps {
  readonly rehearsal: Playing;
  /** Which of the runs. */
  readonly index: number;
  readonly parts: readonly Pick<PlacedPart, 'ref' | 'kind'>[];
  /** The name of the board, whose pins are shown. */
  readonly board?: string | undefined;
  readonly drawing: Drawing;
}

/** What a bench does at a moment, over its drawing: what shines, turns, sounds and shows, and the levels of its pins. */
export function Alive({ rehearsal, index, parts, board, drawing }: AliveProps) {
  const run = useStore(rehearsal, ({ runs }) => runs?.runs[index]);
  const at = useStore(rehearsal, ({ play }) => play.at);
  const speed = useStore(rehearsal, ({ play }) => play.speed);
  const moment = useMemo(
    // What the eye takes for one, it does in its own time, however fast the run is shown.
    () => run?.replay.momentAt(at, EYE_SECONDS * (speed < 1 ? speed : Math.max(1, speed / 2))),
    [run, at, speed],
  );
  const bodies = useMemo(() => bodiesOf(drawing, parts), [drawing, parts]);
  const hands = useMemo(() => touchables(parts), [parts]);
  if (!moment || !run) return null;
  return (
    <g aria-hidden="true" pointerEvents="none">
      {bodies.map(({ ref, seat, lights, observed }) => (
        <g key={ref}>
          {lights && <Lights of={ref} lights={lights} seat={seat} moment={moment} />}
          {observed && <Doing of={ref} observed={observed} seat={seat} moment={moment} />}
        </g>
      ))}
      {hands.map((hand) => {
        const body = bodies.find(({ ref }) => ref === hand.ref);
        return (
          body && (
            <Touched key={hand.ref} hand={hand} seat={body.seat} state={stateAt(run.stimuli, hand.ref, at)} />
          )
        );
      })}
      {board !== undefined && <Pins drawing={drawing} board={board} moment={moment} />}
    </g>
  );
}

interface BodyOf {
  readonly ref: string;
  readonly seat: Box;
  readonly lights: readonly Light[] | undefined;
  readonly observed: Observed | undefined;
}

/** The bodies of a drawing with what can be seen of their parts. */
function bodiesOf({ layers }: Drawing, parts: AliveProps['parts']): readonly BodyOf[] {
  const kinds = new Map(parts.map(({ ref, kind }) => [ref as string, kindOf(kind)]));
  return layers.flatMap(({ ref, seat, lights }) =>
    ref !== undefined && seat ? [{ ref, seat, lights, observed: kinds.get(ref)?.observed }] : [],
  );
}
