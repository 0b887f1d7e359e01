'use client';

import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { curvesOf, type Curve } from '@/core/rehearsal/curves';
import { seconds } from '@/core/units';
import { Button } from '../design/Button';
import { CurveChart } from './CurveChart';
import type { Playing } from './useRehearsal';

/** Rows of a table of values. */
const MOST_ROWS = 40;

/** The numbers of a program over the run, as curves and as tables; nothing where none changes. */
export function Curves({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const names = useStore(rehearsal, ({ runs }) => runs?.runs[index]?.inside?.recording.names);
  const total = useStore(rehearsal, ({ play }) => play.seconds);
  const [isOpen, setOpen] = useState(false);
  const curves = useMemo(() => (names ? curvesOf(names) : []), [names]);
  if (curves.length === 0) return null;
  return (
    <section aria-label="Values over time" className="border-t border-ink px-4 py-2">
      <Button aria-expanded={isOpen} onClick={() => setOpen((before) => !before)}>
        {isOpen ? 'Without the curves' : 'Draw the values as curves'}
      </Button>
      {isOpen &&
        curves.map((curve) => (
          <figure key={curve.name} className="mt-2">
            <figcaption className="mono text-note font-semibold">{curve.name}</figcaption>
            <CurveChart curve={curve} total={total} />
            <Values curve={curve} />
          </figure>
        ))}
    </section>
  );
}

/** The same as a table, for who does not see the curve or wants its figures. */
function Values({ curve: { name, points } }: { readonly curve: Curve }) {
  const every = Math.ceil(points.length / MOST_ROWS);
  const shown = points.filter((_, index) => index % every === 0);
  return (
    <details>
      <summary className="min-h-6 cursor-pointer text-note">Figures of {name}</summary>
      <table className="mono text-note">
        <thead>
          <tr>
            <th scope="col" className="pr-6 text-left font-normal">
              from
            </th>
            <th scope="col" className="text-left font-normal">
              value
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map(([at, value]) => (
            <tr key={at}>
              <td className="pr-6">{seconds(at)}</td>
              <td>{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
