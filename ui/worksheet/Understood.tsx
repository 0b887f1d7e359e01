'use client';

import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import {
  alternativesTo,
  type Piece,
  type StatedLine,
  type StatementContext,
  type TakenPins,
} from '@/core/statements';
import { useTold } from '../words/Words';

interface UnderstoodProps {
  readonly line: StatedLine;
  readonly context: StatementContext;
  readonly taken: TakenPins;
  readonly isFocused: boolean;
  readonly mayEdit: boolean;
  readonly onWrite: (text: string) => void;
}

/** What a line was understood as, piece by piece, each to be corrected; what was filled in; and what is wrong. */
export function Understood({ line, context, taken, isFocused, mayEdit, onWrite }: UnderstoodProps) {
  const { troubles, assumptions } = useTold({ troubles: line.troubles, assumptions: line.assumptions });
  const pieces = line.pieces.filter((piece) => piece.slot !== 'join' || piece.to > piece.from);
  return (
    <div className="mb-1 ml-19 text-note" aria-live="polite">
      {troubles.slice(0, 2).map((trouble) => (
        <p key={trouble.message} className="py-0.5">
          <span
            className={
              trouble.weight === 'stops'
                ? 'font-semibold text-fault'
                : trouble.weight === 'warns'
                  ? 'font-semibold text-risk'
                  : 'text-soft'
            }
          >
            {trouble.message}
          </span>{' '}
          {mayEdit &&
            trouble.offers.slice(0, 3).map((offer) => (
              <button
                key={offer.line}
                type="button"
                onClick={() => onWrite(offer.line)}
                className="mono mr-2 underline decoration-rule-strong underline-offset-3 hover:decoration-ink"
              >
                {offer.label}
              </button>
            ))}
        </p>
      ))}
      {isFocused && (pieces.length > 0 || assumptions.length > 0) && (
        <p className="flex flex-wrap items-baseline gap-x-2.5 gap-y-0.5 py-0.5">
          <span className="text-soft">read as</span>
          {pieces.map((piece) => (
            <PieceWord
              key={`${piece.slot}${piece.from}`}
              piece={piece}
              line={line}
              context={context}
              taken={taken}
              mayEdit={mayEdit}
              onWrite={onWrite}
            />
          ))}
          {assumptions.map(({ says, because, words: written }) => {
            const told = (
              <>
                {says} <span className="text-soft">({because})</span>
              </>
            );
            if (written === undefined) return <span key={says}>{told}</span>;
            return (
              <button
                key={says}
                type="button"
                disabled={!mayEdit}
                title={`Write it in the line: ${because}`}
                onClick={() =>
                  onWrite(`${line.text.trimEnd()}${written.startsWith(',') ? '' : ' '}${written}`)
                }
                className="border-b border-dashed border-rule-strong text-left hover:border-ink"
              >
                {told}
              </button>
            );
          })}
        </p>
      )}
    </div>
  );
}

interface PieceWordProps extends Omit<UnderstoodProps, 'isFocused'> {
  readonly piece: Piece;
}

function PieceWord({ piece, line, context, taken, mayEdit, onWrite }: PieceWordProps) {
  const [isOpen, setOpen] = useState(false);
  const others = mayEdit ? alternativesTo(line, piece, context, taken) : [];
  const words = (
    <>
      {piece.guessed && <span className="text-risk">as if </span>}
      {piece.says}
    </>
  );
  if (others.length === 0) return <span className="font-semibold">{words}</span>;
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className="inline-flex items-center gap-0.5 border-b border-rule-strong font-semibold hover:border-ink">
        {words}
        <ChevronDown size={12} aria-hidden="true" />
        <span className="sr-only">: choose another</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          align="start"
          className="z-20 flex max-w-80 flex-wrap gap-1 border border-ink bg-card p-2"
          aria-label={`Instead of ${piece.says}`}
        >
          {others.map((offer) => (
            <button
              key={offer.line}
              type="button"
              onClick={() => {
                setOpen(false);
                onWrite(offer.line);
              }}
              className="mono border border-rule px-2 py-1 text-note hover:border-ink focus-visible:border-ink"
            >
              {offer.label}
            </button>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
