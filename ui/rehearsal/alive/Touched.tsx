import { memo } from 'react';
import type { Box } from '@/core/drawing/list';
import type { PartState } from '@/core/parts';
import type { Touchable } from '@/core/rehearsal/hands';
import { middleOf } from './middle';
import { Word } from './Plate';

interface TouchedProps {
  readonly hand: Touchable;
  readonly seat: Box;
  readonly state: PartState;
}

/** What a hand has done to a part: pressed, turned, covered, warmed. */
export function Touched({ hand: { how, isLatching }, seat, state }: TouchedProps) {
  switch (how) {
    case 'press':
      return <Pressed seat={seat} isPressed={state.pressed} />;
    case 'turn':
      return isLatching ? (
        <Slid seat={seat} isOver={state.position > 0.5} />
      ) : (
        <Turned seat={seat} share={state.position} />
      );
    case 'light':
      return <Word seat={below(seat)} text={`light ${Math.round(state.light * 100)} %`} />;
    case 'warm':
      return <Word seat={below(seat)} text={`${Math.round(state.celsius)} °C`} />;
    case 'distance':
      return <Word seat={below(seat)} text={`${Math.round(state.metres * 100)} cm away`} />;
    case 'motion':
      return <Word seat={below(seat)} text={state.moving ? 'something moves' : 'still'} />;
  }
}

const below = ({ x, y, width, height }: Box): Box => ({ x, y: y + height + 2, width, height: 20 });

const Pressed = memo(function Pressed({
  seat,
  isPressed,
}: {
  readonly seat: Box;
  readonly isPressed: boolean;
}) {
  const { x, y } = middleOf(seat);
  return isPressed ? (
    <>
      <circle cx={x} cy={y} r="13" fill="var(--signal)" />
      <circle cx={x} cy={y} r="17" fill="none" stroke="var(--signal)" strokeWidth="3" />
    </>
  ) : null;
});

const Slid = memo(function Slid({ seat, isOver }: { readonly seat: Box; readonly isOver: boolean }) {
  const { x, y } = middleOf(seat);
  return (
    <>
      <rect x={x - 7} y={y - 24} width="14" height="48" fill="var(--trough)" stroke="var(--ink)" />
      <rect x={x - 6} y={isOver ? y + 2 : y - 20} width="12" height="18" fill="var(--ink)" />
    </>
  );
});

const Turned = memo(function Turned({ seat, share }: { readonly seat: Box; readonly share: number }) {
  const { x, y } = middleOf(seat);
  const angle = -150 + 300 * share;
  return (
    <>
      <circle cx={x} cy={y} r="19" fill="#f3f1e6" stroke="#1b2831" strokeWidth="1.4" />
      <g transform={`rotate(${angle} ${x} ${y})`}>
        <path d={`M${x} ${y} v-16`} stroke="#1b2831" strokeWidth="3.4" strokeLinecap="round" />
      </g>
    </>
  );
});
