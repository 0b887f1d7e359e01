'use client';

import { CircuitBoard } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import { drawBoard } from '@/core/drawing/board';
import { Button } from '../design/Button';
import { BoardFigure } from '../drawing/BoardFigure';

/** Width of the picture for each unit of the drawing: sockets lie 40 px apart for a finger. */
const PIXELS = 1.55;

interface BoardPickerProps {
  readonly board: BoardProfile;
  readonly place: string;
  /** What is being placed, in words. */
  readonly title: string;
  readonly onPlace: (pin: string) => void;
}

/** The board as it lies on the desk, to find a pin on it with a finger. */
export function BoardPicker({ board, place, title, onPlace }: BoardPickerProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button className="min-h-11" aria-label="Find it on the board">
          <CircuitBoard size={18} aria-hidden="true" /> Board
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 max-h-[94dvh] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-ink bg-paper p-3"
        >
          <div className="mb-1 flex items-center justify-between gap-4">
            <Dialog.Title className="text-body font-semibold">Tap the socket for {title}</Dialog.Title>
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
          </div>
          <BoardFigure
            board={board}
            marked={new Set([place])}
            style={{ width: `min(${Math.round(drawBoard(board).width * PIXELS)}px, 92vw)` }}
            onChoose={(pin) => {
              setOpen(false);
              onPlace(pin);
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
