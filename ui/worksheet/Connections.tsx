'use client';

import { DropdownMenu } from 'radix-ui';
import type { PointName } from '@/core/brand';
import type { Connection, ConnectionEnd } from '@/core/plan/worksheet';

interface ConnectionsProps {
  readonly connections: readonly Connection[];
  /** Pins and sockets that a leg can be joined to beside those in use. */
  readonly sockets: readonly { readonly name: string; readonly note: string }[];
  readonly followed: string | undefined;
  readonly onFollow: (connection: Connection | undefined) => void;
  readonly mayEdit: boolean;
  readonly onJoin: (leg: PointName, target: PointName | null) => void;
  readonly onMovePin: (from: string, to: string) => void;
}

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
export function Connections(props: ConnectionsProps) {
  const { connections, followed, onFollow } = props;
  if (connections.length === 0) return <p className="text-soft">Nothing is connected yet.</p>;
  return (
    <ul onMouseLeave={() => onFollow(undefined)}>
      {connections.map((connection) => {
        const key = keyOf(connection);
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
                  <End end={end} connection={connection} {...props} />
                </span>
              ))}
              <span className="ml-2 text-note text-soft">
                {roleWords[connection.role]}
                {connection.wires.map((wire) => `, ${wire.ref} ${wire.colour}`)}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

export const keyOf = ({ ends }: Connection): string => ends.map(({ point }) => point).join();

interface EndProps extends ConnectionsProps {
  readonly end: ConnectionEnd;
  readonly connection: Connection;
}

function End({ end, connection, connections, sockets, mayEdit, onJoin, onMovePin }: EndProps) {
  const look = end.isPin ? 'mono font-semibold' : '';
  const isPower = connection.role === 'ground' || connection.role === 'supply';
  if (!mayEdit || (end.isPin && isPower)) return <span className={look}>{end.text}</span>;
  const others = connections.filter((other) => other !== connection && !(end.isPin && other.ends[0]!.isPin));
  return (
    <DropdownMenu.Root>
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
              <Choice key={keyOf(other)} onSelect={() => onJoin(end.point, other.ends[0]!.point)}>
                {other.ends.map(({ text }) => text).join(', ')}
              </Choice>
            ))}
          {sockets.map(({ name, note }) => (
            <Choice
              key={name}
              note={note}
              onSelect={() =>
                end.isPin ? onMovePin(end.text, name) : onJoin(end.point, `U1.${name}` as PointName)
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
