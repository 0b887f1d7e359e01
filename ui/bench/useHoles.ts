'use client';

import { useEffect, useRef, useState, type MouseEvent, type PointerEvent, type RefObject } from 'react';
import type { Drawing, Target } from '@/core/drawing/list';
import { nearestTarget, pitchOnScreen, placeOnDrawing, type Pointed } from '../drawing/pointer';
import { useBench } from './useBench';

/** Distance between holes in CSS pixels from which on a finger hits the right one without a closer look. */
const FINGER_PITCH = 40;

/** What a finger has pointed at and is looked at from near. */
interface LookedAt {
  /** In drawing units. */
  readonly x: number;
  readonly y: number;
  readonly at: Pointed;
}

/**
 * Holes that are chosen on the bench's drawing: for the leg that is being placed (`placing`), else for the two ends of
 * a wire. A mouse pulls a wire along or clicks twice; a finger taps, and sees the holes from near first.
 */
export function useHoles(
  frame: RefObject<HTMLElement | null>,
  drawing: Drawing,
  placing: string | undefined,
) {
  const { dispatch } = useBench();
  const [hovered, setHovered] = useState<Target>();
  const [begun, setBegun] = useState<Target>();
  const [looked, setLooked] = useState<LookedAt>();
  /** Whether the button was pressed where the wire begins, and is still down. */
  const isPulled = useRef(false);
  const nearest = (pointed: Pointed): Target | undefined =>
    nearestTarget(frame.current, drawing.targets, pointed);
  const choose = (target: Target): void => {
    setLooked(undefined);
    if (placing) {
      dispatch({ type: 'tap point', point: target.point });
      return;
    }
    if (begun && begun.point !== target.point)
      dispatch({ type: 'draw wire', from: begun.point, to: target.point });
    setBegun(begun ? undefined : target);
  };
  useEffect(() => {
    if (!begun) return undefined;
    const leave = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setBegun(undefined);
    };
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [begun]);
  const tap = (pointed: Pointed): void => {
    const place = placeOnDrawing(frame.current, pointed);
    if (!place) return;
    const target = nearest(pointed);
    const isSocket = target?.point.startsWith('U') === true;
    if (!isSocket && pitchOnScreen(frame.current) < FINGER_PITCH) {
      const { clientX, clientY } = pointed;
      setLooked({ x: place.x, y: place.y, at: { clientX, clientY } });
    } else if (target) choose(target);
  };
  return {
    begun,
    hovered,
    looked,
    choose,
    leave: () => setBegun(undefined),
    lookAway: () => setLooked(undefined),
    handlers: {
      onPointerDown: (event: PointerEvent<HTMLElement>): void => {
        if (event.pointerType === 'touch' || event.button !== 0 || placing || begun) return;
        setBegun(nearest(event));
        isPulled.current = true;
      },
      onPointerMove: (event: PointerEvent<HTMLElement>): void => {
        if (event.pointerType !== 'touch') setHovered(placing || begun ? nearest(event) : undefined);
      },
      onPointerLeave: (): void => setHovered(undefined),
      onPointerUp: (event: PointerEvent<HTMLElement>): void => {
        if (event.pointerType === 'touch') return;
        const target = nearest(event);
        // Where a wire begins and is not pulled along, it waits for its other end.
        const isBeginning = isPulled.current && (!target || target.point === begun?.point);
        isPulled.current = false;
        if (target && !isBeginning) choose(target);
      },
      onClick: (event: MouseEvent<HTMLElement>): void => {
        const { pointerType } = event.nativeEvent as unknown as { readonly pointerType?: string };
        if (pointerType === 'touch') tap(event);
      },
    },
  };
}
