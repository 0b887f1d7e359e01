'use client';

import { useMemo, useRef, type PointerEvent } from 'react';
import { drawBench } from '@/core/drawing/bench';
import { PITCH } from '@/core/drawing/geometry';
import type { Box, Drawing } from '@/core/drawing/list';
import type { Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { Alive } from './Alive';
import type { Hand } from './useHands';
import type { Playing } from './useRehearsal';

/** Distance between holes in CSS pixels from near. */
const NEAR_PITCH = 44;

interface LiveBenchProps {
  readonly rehearsal: Playing;
  readonly index: number;
  readonly wiring: Wiring;
  readonly title: string;
  /** What can be done to its parts; none for the second of two. */
  readonly hands: readonly Hand[];
  readonly className?: string;
  /** Shown so large that a finger hits every hole, and moved about. */
  readonly isNear?: boolean;
  /** Parts and ends that are pointed at. */
  readonly marked?: { readonly refs: readonly string[]; readonly at: readonly string[] } | undefined;
}

/** A bench as it runs: everything on it that can be pressed or turned is, where it is drawn. */
export function LiveBench({
  rehearsal,
  index,
  wiring,
  title,
  hands,
  className,
  isNear = false,
  marked,
}: LiveBenchProps) {
  const drawing = useMemo(
    () =>
      drawBench(wiring, {
        crop: 'used',
        ...(marked ? { marked: marked.refs, markedPoints: marked.at } : {}),
      }),
    [wiring, marked],
  );
  const figure = (
    <BenchFigure
      drawing={drawing}
      title={title}
      className={isNear ? '' : (className ?? '')}
      style={isNear ? { width: (drawing.width * NEAR_PITCH) / PITCH } : undefined}
    >
      <Alive
        rehearsal={rehearsal}
        index={index}
        parts={wiring.parts}
        board={wiring.board?.ref}
        drawing={drawing}
      />
      <Places drawing={drawing} hands={hands} rehearsal={rehearsal} />
    </BenchFigure>
  );
  return isNear ? <div className="max-h-[52vh] overflow-auto border border-rule">{figure}</div> : figure;
}

/** Room round a part in which a finger still hits it, in drawing units. */
const ROOM = 10;
/** Pixels that a pointer goes for the whole of what there is. */
const WHOLE_WAY = 140;

interface PlacesProps {
  readonly drawing: Drawing;
  readonly hands: readonly Hand[];
  readonly rehearsal: Playing;
}

/** Where a drawing can be touched. */
export function Places({ drawing, hands, rehearsal }: PlacesProps) {
  const seats = useMemo(
    () =>
      new Map(drawing.layers.flatMap(({ ref, seat }) => (ref !== undefined && seat ? [[ref, seat]] : []))),
    [drawing],
  );
  return hands.map((hand) => {
    const seat = seats.get(hand.ref);
    return seat && <Place key={hand.ref} hand={hand} seat={seat} rehearsal={rehearsal} />;
  });
}

interface PlaceProps {
  readonly hand: Hand;
  readonly seat: Box;
  readonly rehearsal: Playing;
}

/** The place of a part on the drawing, to be pressed, or pulled up and down. */
function Place({ hand, seat, rehearsal }: PlaceProps) {
  const pull = useRef<{ readonly from: number; readonly share: number }>(undefined);
  const isTurned = hand.how !== 'press' && hand.how !== 'motion' && !hand.isLatching;
  const down = (event: PointerEvent<SVGRectElement>): void => {
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    if (isTurned) {
      const { at, going } = rehearsal.getState().play;
      if (at === 0 && going === 'off') rehearsal.dispatch({ type: 'go on' });
      pull.current = { from: event.clientY - event.clientX, share: hand.share(at) };
    } else hand.down();
  };
  const move = (event: PointerEvent<SVGRectElement>): void => {
    const { current } = pull;
    if (!current) return;
    const way = current.from - (event.clientY - event.clientX);
    hand.bring(Math.max(0, Math.min(1, current.share + way / WHOLE_WAY)));
  };
  const up = (): void => {
    pull.current = undefined;
    if (!isTurned) hand.up();
  };
  return (
    <rect
      data-hand={hand.ref}
      x={seat.x - ROOM}
      y={seat.y - ROOM}
      width={seat.width + 2 * ROOM}
      height={seat.height + 2 * ROOM}
      fill="transparent"
      className={`touch-none ${isTurned ? 'cursor-ns-resize' : 'cursor-pointer'}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
    />
  );
}
