'use client';

import { DropdownMenu } from 'radix-ui';
import { useMemo } from 'react';
import type { BoardProfile } from '@/core/boards';
import type { PointName } from '@/core/brand';
import type { Connection, ConnectionEnd } from '@/core/plan/worksheet';
import type { TakenPins } from '@/core/statements';
import type { Sheet } from '@/core/worksheet/sheet';
import { useRested } from './useRested';
import { useDispatch, useWorksheet } from './useWorksheet';
import { keyOfConnection } from './worksheet-state';

type Socket = { readonly name: string; readonly note: string };

const roleWords: Readonly<Record<Connection['role'], string>> = {
  supply: 'supply',
  ground: 'ground',
  signal: 'signal',
  sense: 'between parts',
};
const roleLines: Readonly<Record<Connection['role'], string>> = {
  supply: 'border-t-4 border-dashed border-supply',
  ground: 'border-t-4 border-double border-ground',
  signal: 'border-t-4 border-signal',
  sense: 'border-t-4 border-dotted border-sense',
};

/** Every node with its pins and legs; each end can be joined elsewhere. */
export function Connections({ board }: { readonly board: BoardProfile }) {
  const refusal = useWorksheet((state) => state.refusal);
  const { figures, sheet } = useRested();
  return (
    <>
      {figures && <ConnectionList connections={figures.connections} board={board} />}
      {refusal?.at === 'connections' && (
        <p role="alert" className="mt-1 font-semibold text-risk">
          {refusal.message}
        </p>
      )}
      <FreePins free={sheet.free} />
    </>
  );
}

interface ConnectionListProps {
  readonly connections: readonly Connection[];
  readonly board: BoardProfile;
}

function ConnectionList({ connections, board }: ConnectionListProps) {
  const followed = useWorksheet((state) => state.followed && keyOfConnection(state.followed));
  const taken = useWorksheet((state) => state.derived.taken());
  const dispatch = useDispatch();
  const onFollow = (connection: Connection | undefined): void => dispatch({ type: 'follow', connection });
  const sockets = useMemo(() => socketsOf(board, taken), [board, taken]);
  if (connections.length === 0) return <p className="text-soft">Nothing is connected yet.</p>;
  return (
    <ul onMouseLeave={() => onFollow(undefined)}>
      {connections.map((connection) => {
        const key = keyOfConnection(connection);
        return (
          <li
            key={key}
            onMouseEnter={() => onFollow(connection)}
            onFocus={() => onFollow(connection)}
            className={`-mx-2 flex items-baseline gap-3 px-2 py-1 ${followed === key ? 'bg-wash' : ''}`}
          >
            <span className={`w-5 shrink-0 self-center ${roleLines[connection.role]}`} aria-hidden="true" />
            <span className="min-w-0">
              {connection.ends.map((end, index) => (
                <span key={end.point}>
                  {index > 0 && <span className="text-soft"> to </span>}
                  <End end={end} connection={connection} connections={connections} sockets={sockets} />
                </span>
              ))}
              <span className="ml-2 text-note text-soft">
                {connection.ends.length > 1 ? roleWords[connection.role] : 'joined to nothing'}
                {connection.wires.map((wire) => `, ${wire.ref} ${wire.colour}`)}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

interface EndProps {
  readonly connections: readonly Connection[];
  /** Pins and sockets that a leg can be joined to beside those in use. */
  readonly sockets: readonly Socket[];
  readonly end: ConnectionEnd;
  readonly connection: Connection;
}

function End({ end, connection, connections, sockets }: EndProps) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const onJoin = (leg: PointName, target: PointName | null): void =>
    dispatch({ type: 'join leg', leg, target });
  const look = end.isPin ? 'mono font-semibold' : '';
  const isPower = connection.role === 'ground' || connection.role === 'supply';
  if (!mayEdit || (end.isPin && isPower)) return <span className={look}>{end.text}</span>;
  const others = connections.filter((other) => other !== connection && !(end.isPin && other.ends[0]!.isPin));
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        className={`${look} border-b border-transparent hover:border-ink focus-visible:border-ink`}
        aria-label={`${end.text}: connect it elsewhere`}
      >
        {end.text}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-20 max-h-80 w-72 overflow-y-auto border border-ink bg-card p-1.5"
        >
          <DropdownMenu.Label className="px-2 py-1 text-note text-soft">
            {end.isPin ? `Everything on ${end.text} goes to` : `${end.text} is connected to`}
          </DropdownMenu.Label>
          {!end.isPin &&
            others.map((other) => (
              <Choice key={keyOfConnection(other)} onSelect={() => onJoin(end.point, other.ends[0]!.point)}>
                {other.ends.map(({ text }) => text).join(', ')}
              </Choice>
            ))}
          {sockets.map(({ name, note }) => (
            <Choice
              key={name}
              note={note}
              onSelect={() =>
                end.isPin
                  ? dispatch({ type: 'move pin', from: end.text, to: name })
                  : onJoin(end.point, `U1.${name}` as PointName)
              }
            >
              <span className="mono font-semibold">{name}</span>
            </Choice>
          ))}
          {!end.isPin && <Choice onSelect={() => onJoin(end.point, null)}>nothing: not plugged in</Choice>}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Choice({
  onSelect,
  note,
  children,
}: {
  readonly onSelect: () => void;
  readonly note?: string;
  readonly children: React.ReactNode;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="flex cursor-pointer items-baseline justify-between gap-3 px-2 py-1 data-[highlighted]:bg-wash"
    >
      <span className="min-w-0 truncate">{children}</span>
      {note && <span className="text-note text-soft">{note}</span>}
    </DropdownMenu.Item>
  );
}

function FreePins({ free }: Pick<Sheet, 'free'>) {
  return Object.entries(free.pins ?? {}).map(([pin, range]) => (
    <p key={pin} className="mt-2 text-note text-soft">
      Any of the pins <span className="mono">{range}</span> may stand for{' '}
      <span className="mono">{pin.replace(/^\w+\./, '')}</span> as long as wire and program agree.
    </p>
  ));
}

/** Sockets that a leg can be joined to, signal pins that are free and the supplies. */
function socketsOf(board: BoardProfile, taken: TakenPins): readonly Socket[] {
  return [
    ...board.supplies
      .filter(({ role }) => role !== 'input')
      .map(({ name, role }) => ({ name, note: role === 'ground' ? 'ground' : 'supply' })),
    ...board.pins
      .filter(({ name, reserved }) => !taken.has(name) && reserved === undefined)
      .map(({ name, functions }) => ({
        name,
        note: ['free', ...functions.filter((one) => one === 'pwm' || one === 'analog')].join(', '),
      })),
  ];
}
