'use client';

import { useMemo, useRef } from 'react';
import type { BoardProfile } from '@/core/boards';
import { drawBoard } from '@/core/drawing/board';
import { nearestTarget } from './pointer';
import { BenchFigure } from './BenchFigure';

interface BoardFigureProps {
  readonly board: BoardProfile;
  readonly marked: ReadonlySet<string>;
  /** A socket was pointed at. */
  readonly onChoose: (socket: string) => void;
  readonly className?: string;
  readonly style?: React.CSSProperties;
}

/** A board as it lies on the desk; its sockets can be pointed at. */
export function BoardFigure({ board, marked, onChoose, className, style }: BoardFigureProps) {
  const frame = useRef<HTMLDivElement>(null);
  const drawing = useMemo(() => drawBoard(board, { marked }), [board, marked]);
  return (
    <div
      ref={frame}
      className={className}
      style={style}
      onClick={(event) => {
        const target = nearestTarget(frame.current, drawing.targets, event, 'along its line');
        if (target) onChoose(target.point.slice(target.point.indexOf('.') + 1));
      }}
    >
      <BenchFigure
        drawing={drawing}
        title="The board as it lies on the desk"
        className="w-full cursor-pointer"
      />
    </div>
  );
}
