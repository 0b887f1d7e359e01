'use client';

import { Tabs } from 'radix-ui';
import type { KitBooking, KitLine } from '@/core/messages/kit';
import { History } from './History';
import { MeetingKit } from './MeetingKit';
import { StockTable } from './StockTable';
import type { KitActions, StoreMeeting, ToBuyLine } from './store';
import { ToBuy } from './ToBuy';

export interface KitStoreProps {
  readonly lines: readonly KitLine[];
  readonly meetings: readonly StoreMeeting[];
  readonly toBuy: readonly ToBuyLine[];
  readonly history: readonly KitBooking[];
  /** Whether the viewer may put sorts in and take them out, beyond counting. */
  readonly mayKeep: boolean;
  readonly firstMeeting: string | undefined;
  readonly actions: KitActions;
}

/** The stock of the room: what it lacks for what is planned, where everything lies, what to buy, and who changed what. */
export function KitStore(props: KitStoreProps) {
  const { lines, meetings, toBuy, history, mayKeep, firstMeeting, actions } = props;
  const short = meetings.filter((meeting) => meeting.lines.some((line) => line.short > 0)).length;
  const tabs = [
    { id: 'meetings', label: 'Meetings', note: short > 0 ? `${short} short` : String(meetings.length) },
    { id: 'stock', label: 'Stock', note: String(lines.length) },
    { id: 'buy', label: 'To buy', note: String(toBuy.length) },
    { id: 'history', label: 'History', note: '' },
  ];
  return (
    <Tabs.Root defaultValue={lines.length === 0 ? 'stock' : 'meetings'}>
      <Tabs.List aria-label="Kit store" className="flex gap-6 border-b border-ink px-6 pt-3">
        {tabs.map(({ id, label, note }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="-mb-px min-h-11 border-b-4 border-transparent pb-1 text-bench font-semibold text-soft data-[state=active]:border-ink data-[state=active]:text-ink"
          >
            {label}
            {note !== '' && <span className="mono ml-2 text-note font-normal">{note}</span>}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="meetings">
        <MeetingKit meetings={meetings} firstMeeting={firstMeeting} actions={actions} />
      </Tabs.Content>
      <Tabs.Content value="stock">
        <StockTable lines={lines} mayKeep={mayKeep} actions={actions} />
      </Tabs.Content>
      <Tabs.Content value="buy">
        <ToBuy lines={toBuy} mayKeep={mayKeep} actions={actions} />
      </Tabs.Content>
      <Tabs.Content value="history">
        <History bookings={history} />
      </Tabs.Content>
    </Tabs.Root>
  );
}
