import { memo } from 'react';
import { lightColours } from '@/core/drawing/colours';
import type { Box } from '@/core/drawing/list';
import type { Observed } from '@/core/parts';
import type { Moment } from '@/core/rehearsal/replay';
import { middleOf } from './middle';
import { Plate, Word } from './Plate';

interface DoingProps {
  readonly of: string;
  readonly observed: Observed;
  readonly seat: Box;
  readonly moment: Moment;
}

/** What a part that gives no light does: its name in the moment's tables is that of the part. */
export function Doing({ of, observed, seat, moment }: DoingProps) {
  const name = of as Parameters<Moment['sounds']['get']>[0];
  switch (observed) {
    case 'sound':
      return <Sounding seat={seat} hertz={moment.sounds.get(name) ?? 0} />;
    case 'angle': {
      const degrees = moment.angles.get(name);
      return <Standing seat={seat} degrees={degrees === undefined ? undefined : Math.round(degrees)} />;
    }
    case 'turning': {
      const { speed, turned } = moment.turns.get(name) ?? { speed: 0, turned: 0 };
      return (
        <Turning seat={seat} percent={Math.round(speed * 100)} degrees={Math.round(turned * 360) % 360} />
      );
    }
    case 'click':
      return <Word seat={seat} text={moment.pulled.get(name) ? 'pulled in' : 'let go'} />;
    case 'picture':
      return <Picture seat={seat} rows={(moment.pictures.get(name) ?? []).join(' ')} />;
    case 'text':
      return <Shown seat={seat} text={(moment.texts.get(name) ?? []).join('\n')} />;
    case 'light':
      return null;
  }
}

const Sounding = memo(function Sounding({ seat, hertz }: { readonly seat: Box; readonly hertz: number }) {
  if (hertz === 0) return null;
  const { x, y } = middleOf(seat);
  const from = seat.width / 2 + 6;
  return (
    <>
      <path
        d={[0, 8, 16]
          .map((more) => {
            const r = from + more;
            return `M${x + r * 0.7} ${y - r * 0.7} A${r} ${r} 0 0 1 ${x + r * 0.7} ${y + r * 0.7}`;
          })
          .join(' ')}
        fill="none"
        stroke="var(--sense)"
        strokeWidth="3"
      />
      <Plate x={x + from + 26} y={y} text={`${hertz} Hz`} />
    </>
  );
});

/** A servo's horn on a half circle of degrees. */
const Standing = memo(function Standing({
  seat,
  degrees,
}: {
  readonly seat: Box;
  readonly degrees: number | undefined;
}) {
  const reach = Math.min(27, seat.height / 2 - 3);
  const x = seat.x + seat.width - reach - 6;
  const y = seat.y + seat.height / 2 + reach / 2 - 4;
  return (
    <>
      <path
        d={`M${x - reach} ${y} A${reach} ${reach} 0 0 1 ${x + reach} ${y} Z`}
        fill="var(--card)"
        stroke="var(--ink)"
      />
      {degrees === undefined ? (
        <text x={x} y={y - 4} textAnchor="middle" fontSize="11" fill="var(--ink)">
          no pulses
        </text>
      ) : (
        <>
          <g transform={`rotate(${degrees - 180} ${x} ${y})`}>
            <path
              d={`M${x} ${y} h${reach - 2}`}
              stroke="var(--signal)"
              strokeWidth="5"
              strokeLinecap="round"
            />
          </g>
          <circle cx={x} cy={y} r="3.4" fill="var(--ink)" />
          <text x={x} y={y + 13} textAnchor="middle" fontSize="12" fill="#1b2831">
            {degrees}°
          </text>
        </>
      )}
    </>
  );
});

const Turning = memo(function Turning({
  seat,
  percent,
  degrees,
}: {
  readonly seat: Box;
  readonly percent: number;
  readonly degrees: number;
}) {
  const { x, y } = middleOf(seat);
  const at = { x: seat.x + seat.width - 24, y };
  return (
    <>
      <circle cx={at.x} cy={at.y} r="19" fill="var(--card)" stroke="var(--ink)" />
      <g transform={`rotate(${degrees} ${at.x} ${at.y})`}>
        <path
          d={`M${at.x} ${at.y} v-15 M${at.x} ${at.y} l13 7.5 M${at.x} ${at.y} l-13 7.5`}
          stroke={percent === 0 ? 'var(--soft)' : 'var(--signal)'}
          strokeWidth="6"
          strokeLinecap="round"
        />
      </g>
      {percent !== 0 && <Plate x={x - 40} y={seat.y + seat.height + 11} text={`${percent} %`} />}
    </>
  );
});

const Picture = memo(function Picture({ seat, rows }: { readonly seat: Box; readonly rows: string }) {
  const size = Math.min(seat.width, seat.height) - 12;
  const pitch = size / 8;
  const [left, top] = [seat.x + seat.width - size - 6, seat.y + (seat.height - size) / 2];
  const bytes = rows === '' ? Array.from({ length: 8 }, () => 0) : rows.split(' ').map(Number);
  const dot = (row: number, column: number): string => {
    const r = pitch * 0.4;
    const [x, y] = [left + (column + 0.5) * pitch, top + (row + 0.5) * pitch];
    return `M${x - r} ${y} a${r} ${r} 0 1 0 ${2 * r} 0 a${r} ${r} 0 1 0 ${-2 * r} 0`;
  };
  const dots = (isLit: boolean): string =>
    bytes
      .flatMap((bits, row) =>
        Array.from({ length: 8 }, (_, column) =>
          ((bits >> (7 - column)) & 1) === (isLit ? 1 : 0) ? dot(row, column) : '',
        ),
      )
      .join('');
  return (
    <>
      <rect x={left - 3} y={top - 3} width={size + 6} height={size + 6} fill="#20262b" />
      <path d={dots(false)} fill="#4a2a2a" />
      <path d={dots(true)} fill={lightColours['red']} />
    </>
  );
});

const Shown = memo(function Shown({ seat, text }: { readonly seat: Box; readonly text: string }) {
  const lines = text.split('\n');
  const [x, y] = [seat.x + 24, seat.y + seat.height / 2 - 20];
  const width = seat.width - 28;
  return (
    <>
      <rect x={x} y={y} width={width} height="40" fill="#dfe8c8" stroke="#1b2831" />
      {lines.slice(0, 2).map((line, index) => (
        <text
          key={index}
          x={x + 4}
          y={y + 16 + index * 16}
          fontSize={Math.min(12, ((width - 8) / Math.max(16, line.length)) * 1.75)}
          fill="#1b2831"
          xmlSpace="preserve"
        >
          {line}
        </text>
      ))}
    </>
  );
});
