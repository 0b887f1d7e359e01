import type { KitBooking } from '@/core/messages/kit';
import { Clock } from '../design/Clock';

const SAID: Readonly<Record<KitBooking['what'], string>> = {
  counted: 'counted',
  bought: 'bought',
  broken: 'broken',
  lost: 'lost',
  'brought-in': 'brought in by a list',
  moved: 'moved to another drawer',
  removed: 'taken out of the store',
};

/** Who changed what, the last first. */
export function History({ bookings }: { readonly bookings: readonly KitBooking[] }) {
  if (bookings.length === 0) return <p className="p-8 text-lead">Nothing has been booked yet.</p>;
  return (
    <table className="mx-6 my-5 w-[calc(100%-3rem)] max-w-[60rem] border-collapse">
      <thead>
        <tr className="border-b border-ink text-left text-note text-soft">
          <th className="w-36 py-1 font-normal">When</th>
          <th className="w-44 py-1 font-normal">Who</th>
          <th className="py-1 font-normal">What</th>
          <th className="w-24 py-1 text-right font-normal">Change</th>
          <th className="w-28 py-1 text-right font-normal">Then there</th>
        </tr>
      </thead>
      <tbody>
        {bookings.map(({ id, at, by, title, what, change, after }) => (
          <tr key={id} className="border-b border-rule">
            <td className="py-1">
              <Clock at={at} />
            </td>
            <td>{by}</td>
            <td>
              <strong>{title}</strong> {SAID[what]}
            </td>
            <td className="mono text-right">
              {change > 0 ? `+${change}` : change === 0 ? '±0' : `−${-change}`}
            </td>
            <td className="mono text-right">{after}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
