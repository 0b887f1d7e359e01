'use client';

import { Grid2x2, Lock, LockOpen, MoveHorizontal, RotateCw, Route, Spline } from 'lucide-react';
import { Button, Keys } from '../design/Button';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What can be done on the drawing, each with its key. */
export function DrawingTools({ isHeld }: { readonly isHeld: boolean }) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const { chosen, isTracing, following, isWide } = useWorksheet((state) => state.drawing);
  const dispatch = useDispatch();
  return (
    <div className="-ml-1.5 flex flex-wrap">
      <Tool shortcut="N" onClick={() => dispatch({ type: 'next part', by: 1 })}>
        Next part
      </Tool>
      <Tool shortcut="L" onClick={() => dispatch({ type: 'next leg' })}>
        Its legs
      </Tool>
      <Tool shortcut="T" isOn={isTracing} onClick={() => dispatch({ type: 'trace chosen' })}>
        <Spline size={15} aria-hidden="true" /> Trace node
      </Tool>
      <Tool shortcut="F" isOn={following !== undefined} onClick={() => dispatch({ type: 'follow current' })}>
        <Route size={15} aria-hidden="true" /> Follow current
      </Tool>
      <Tool shortcut="R" onClick={() => dispatch({ type: 'turn drawing' })}>
        <RotateCw size={15} aria-hidden="true" /> Turn
      </Tool>
      {/* On a narrow screen the drawings have all of the width anyway. */}
      <span className="hidden lg:contents">
        <Tool shortcut="W" isOn={isWide} onClick={() => dispatch({ type: 'widen' })}>
          <MoveHorizontal size={15} aria-hidden="true" /> Whole width
        </Tool>
      </span>
      {mayEdit && (
        <>
          <Tool shortcut="H" isOn={isHeld} isOff={!chosen} onClick={() => dispatch({ type: 'hold' })}>
            {isHeld ? <Lock size={15} aria-hidden="true" /> : <LockOpen size={15} aria-hidden="true" />}
            {isHeld ? 'Held' : 'Hold'}
          </Tool>
          <Tool onClick={() => dispatch({ type: 'lay out anew' })}>
            <Grid2x2 size={15} aria-hidden="true" /> Lay out again
          </Tool>
        </>
      )}
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
