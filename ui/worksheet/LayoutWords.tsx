import { useRested } from './useRested';

/** How large the layout is, who is held in it, and that it is right; or why there is none. */
export function LayoutWords() {
  const { figures, layoutProblem, sheet } = useRested();
  if (layoutProblem) return <p className="font-semibold text-fault">{layoutProblem}</p>;
  if (!figures || !sheet.layout || figures.legCount === 0)
    return <p className="text-soft">Nothing to lay out yet.</p>;
  const held = sheet.held ?? [];
  return (
    <p>
      {figures.legCount} ends in {figures.legCount} holes and sockets
      {figures.lastRow > 0 && `; row ${figures.lastRow + 1} on is free`}.
      {held.length > 0 && ` ${held.join(', ')} ${held.length === 1 ? 'is' : 'are'} held in place.`}{' '}
      <span className="text-soft">Proven: the layout gives exactly the connections above.</span>
    </p>
  );
}
