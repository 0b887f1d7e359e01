'use client';

import { useMemo, useState } from 'react';
import { aspectOf } from '@/core/drawing/close-up';
import { drawPartAlone } from '@/core/drawing/part-card';
import { kindOf, partKinds, type PartKind } from '@/core/parts';
import { figure } from '@/core/units';
import { BenchFigure } from '../drawing/BenchFigure';

/** Every kind of part: how it looks, how to know its legs, what it stands, how it is tried. */
export function PartCards() {
  const [search, setSearch] = useState('');
  const found = partKinds.filter(
    (kind) =>
      !kind.conductor &&
      [kind.title, kind.kind, ...kind.alsoTyped].some((word) => word.includes(search.trim().toLowerCase())),
  );
  return (
    <div className="pb-10">
      <div className="px-6 py-4">
        <input
          type="search"
          aria-label="Find a part"
          placeholder="Find a part"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          className="min-h-10 w-72 border border-rule-strong bg-card px-3 placeholder:text-soft"
        />
      </div>
      {found.length === 0 && (
        <p className="px-6 text-lead">No part has that name. Try LED, button or sensor.</p>
      )}
      <div className="grid grid-cols-1 border-t border-rule md:grid-cols-2 xl:grid-cols-3">
        {found.map((kind) => (
          <PartCard key={kind.kind} kind={kind} />
        ))}
      </div>
    </div>
  );
}

function PartCard({ kind }: { readonly kind: PartKind }) {
  const drawing = useMemo(() => drawPartAlone(kind.kind), [kind]);
  const { ratings } = kindOf(kind.kind);
  const known = kind.legs.filter(({ knownBy }) => knownBy !== undefined);
  return (
    <article className="border-r border-b border-rule px-6 py-4">
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-lead">{kind.title}</h2>
        <span className="mono text-note text-soft">{kind.prefix}1</span>
      </div>
      {drawing && (
        <BenchFigure
          drawing={drawing}
          title={kind.title}
          className="mt-2 h-28 max-w-full border border-rule"
          style={{ aspectRatio: aspectOf(drawing) }}
        />
      )}
      {known.length > 0 ? (
        <dl className="mt-2">
          {known.slice(0, 4).map((leg) => (
            <div key={leg.name}>
              <dt className="inline font-semibold">{leg.title}: </dt>
              <dd className="inline">{leg.knownBy}</dd>
            </div>
          ))}
        </dl>
      ) : (
        <p className="mt-2">
          {kind.symmetrical
            ? 'Its legs are the same: either way round will do.'
            : `${kind.legs.length} legs, as printed beside them.`}
        </p>
      )}
      {kind.preparation && <p className="mt-1 text-note">{kind.preparation}</p>}
      {kind.pretest && (
        <p className="mt-1 text-note">
          <span className="font-semibold">To try it:</span> {kind.pretest}
        </p>
      )}
      {kind.hazards.map((hazard) => (
        <p key={hazard} className="mt-1 text-note">
          <span aria-hidden="true" className="font-bold text-risk">
            !{' '}
          </span>
          {hazard}
        </p>
      ))}
      {ratings && (
        <p className="mt-1 text-note text-soft">
          {[
            ratings.currentMa && `${figure(ratings.currentMa)} mA`,
            ratings.volts && `${figure(ratings.volts)} V`,
            ratings.powerMw && `${figure(ratings.powerMw)} mW`,
            ratings.supplyVolts && `supply ${ratings.supplyVolts.join(' to ')} V`,
          ]
            .filter(Boolean)
            .join(', ')}
          . {ratings.source}
        </p>
      )}
    </article>
  );
}
