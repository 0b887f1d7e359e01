'use client';

import { memo, useMemo } from 'react';
import { useStore } from 'zustand';
import { lightColours } from '@/core/drawing/colours';
import type { Box, Drawing, Light } from '@/core/drawing/list';
import type { PinDrive } from '@/core/electrics/bench';
import { stateAt, touchables, type Touchable } from '@/core/rehearsal/hands';
import { EYE_SECONDS } from '@/core/rehearsal/seen';
import type { Moment } from '@/core/rehearsal/replay';
import { kindOf, type Observed, type PartState } from '@/core/parts';
import type { PlacedPart } from '@/core/wiring/wiring';
import type { Playing } from './useRehearsal';

interface AliveProps {
  readonly rehearsal: Playing;
  /** Which of the runs. */
  readonly index: number;
  readonly parts: readonly Pick<PlacedPart, 'ref' | 'kind'>[];
  /** The name of the board, whose pins are shown. */
  readonly board?: string | undefined;
  readonly drawing: Drawing;
}

/** What a bench does at a moment, over its drawing: what shines, turns, sounds and shows, and the levels of its pins. */
export function Alive({ rehearsal, index, parts, board, drawing }: AliveProps) {
  const run = useStore(rehearsal, ({ runs }) => runs?.runs[index]);
  const at = useStore(rehearsal, ({ play }) => play.at);
  const speed = useStore(rehearsal, ({ play }) => play.speed);
  const moment = useMemo(
    // What the eye takes for one, it does in its own time, however fast the run is shown.
    () => run?.replay.momentAt(at, EYE_SECONDS * (speed < 1 ? speed : Math.max(1, speed / 2))),
    [run, at, speed],
  );
  const bodies = useMemo(() => bodiesOf(drawing, parts), [drawing, parts]);
  const hands = useMemo(() => touchables(parts), [parts]);
  if (!moment || !run) return null;
  return (
    <g aria-hidden="true" pointerEvents="none">
      {bodies.map(({ ref, seat, lights, observed }) => (
        <g key={ref}>
          {lights && <Lights of={ref} lights={lights} seat={seat} moment={moment} />}
          {observed && <Doing of={ref} observed={observed} seat={seat} moment={moment} />}
        </g>
      ))}
      {hands.map((hand) => {
        const body = bodies.find(({ ref }) => ref === hand.ref);
        return (
          body && (
            <Touched key={hand.ref} hand={hand} seat={body.seat} state={stateAt(run.stimuli, hand.ref, at)} />
          )
        );
      })}
      {board !== undefined && <Pins drawing={drawing} board={board} moment={moment} />}
    </g>
  );
}

interface BodyOf {
  readonly ref: string;
  readonly seat: Box;
  readonly lights: readonly Light[] | undefined;
  readonly observed: Observed | undefined;
}

/** The bodies of a drawing with what can be seen of their parts. */
function bodiesOf({ layers }: Drawing, parts: AliveProps['parts']): readonly BodyOf[] {
  const kinds = new Map(parts.map(({ ref, kind }) => [ref as string, kindOf(kind)]));
  return layers.flatMap(({ ref, seat, lights }) =>
    ref !== undefined && seat ? [{ ref, seat, lights, observed: kinds.get(ref)?.observed }] : [],
  );
}

const middleOf = ({ x, y, width, height }: Box) => ({ x: x + width / 2, y: y + height / 2 });

/** Steps of brightness that are told apart: what is less is not drawn anew. */
const SHADES = 40;

interface LightsProps {
  readonly of: string;
  readonly lights: readonly Light[];
  readonly seat: Box;
  readonly moment: Moment;
}

function Lights({ of, lights, seat, moment }: LightsProps) {
  const shadeOf = (name: string): number =>
    Math.round((moment.lights.get(name === '' ? of : `${of}.${name}`) ?? 0) * SHADES) / SHADES;
  const isMixed = lights.length > 1 && lights.every(({ path }) => path === lights[0]!.path);
  if (isMixed)
    return <Mixed path={lights[0]!.path} seat={seat} shades={lights.map(({ name }) => shadeOf(name))} />;
  return lights.map(({ name, path, colour }) => (
    <Glow
      key={name}
      path={path}
      seat={lights.length === 1 ? seat : undefined}
      colour={lightColours[colour] ?? lightColours['white']!}
      shade={shadeOf(name)}
    />
  ));
}

/** Rays beside a lit LED: it is told from a dark one without its colour. */
const RAYS = Array.from({ length: 8 }, (_, index) => (index * Math.PI) / 4 + Math.PI / 8);

interface GlowProps {
  readonly path: string;
  readonly seat: Box | undefined;
  readonly colour: string;
  /** 0 to 1, as the eye sees it. */
  readonly shade: number;
}

const Glow = memo(function Glow({ path, seat, colour, shade }: GlowProps) {
  const centre = seat && middleOf(seat);
  const radius = seat ? seat.width / 2 : 0;
  return (
    <>
      {centre && shade > 0 && (
        <>
          <circle cx={centre.x} cy={centre.y} r={radius * 1.9} fill={colour} opacity={0.28 * shade} />
          <circle cx={centre.x} cy={centre.y} r={radius * 1.4} fill={colour} opacity={0.4 * shade} />
        </>
      )}
      <path d={path} fill="#20262b" opacity={0.62 * (1 - shade)} />
      {shade > 0 && <path d={path} fill={colour} opacity={0.35 + 0.65 * shade} />}
      {centre && shade > 0 && (
        <path
          d={RAYS.map((angle) => {
            const [from, to] = [radius + 4, radius + 6 + 8 * shade];
            const [x, y] = [Math.cos(angle), Math.sin(angle)];
            return `M${centre.x + x * from} ${centre.y + y * from} L${centre.x + x * to} ${centre.y + y * to}`;
          }).join(' ')}
          stroke="var(--ink)"
          strokeWidth="2"
          opacity={0.25 + 0.6 * shade}
        />
      )}
    </>
  );
});

const Mixed = memo(
  function Mixed({
    path,
    seat,
    shades,
  }: {
    readonly path: string;
    readonly seat: Box;
    readonly shades: readonly number[];
  }) {
    const most = Math.max(...shades);
    const colour =
      most === 0 ? '#20262b' : `rgb(${shades.map((shade) => Math.round((255 * shade) / most)).join(' ')})`;
    const { x, y } = middleOf(seat);
    return (
      <>
        {most > 0 && <circle cx={x} cy={y} r={seat.width * 0.85} fill={colour} opacity={0.35 * most} />}
        <path d={path} fill={colour} opacity={most === 0 ? 0.6 : 0.4 + 0.6 * most} />
      </>
    );
  },
  (before, after) =>
    before.path === after.path && before.shades.every((shade, index) => shade === after.shades[index]),
);

interface DoingProps {
  readonly of: string;
  readonly observed: Observed;
  readonly seat: Box;
  readonly moment: Moment;
}

/** What a part that gives no light does: its name in the moment's tables is that of the part. */
function Doing({ of, observed, seat, moment }: DoingProps) {
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

/** A small plate with words beside or over a part. */
function Plate({ x, y, text }: { readonly x: number; readonly y: number; readonly text: string }) {
  const width = text.length * 7.6 + 10;
  return (
    <>
      <rect x={x - 3} y={y - 10} width={width} height="20" fill="var(--card)" stroke="var(--ink)" />
      <text x={x - 3 + width / 2} y={y + 4.5} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
        {text}
      </text>
    </>
  );
}

const Word = memo(function Word({ seat, text }: { readonly seat: Box; readonly text: string }) {
  const { x, y } = middleOf(seat);
  return <Plate x={x - (text.length * 7.6) / 2} y={y} text={text} />;
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

interface TouchedProps {
  readonly hand: Touchable;
  readonly seat: Box;
  readonly state: PartState;
}

/** What a hand has done to a part: pressed, turned, covered, warmed. */
function Touched({ hand: { how, isLatching }, seat, state }: TouchedProps) {
  switch (how) {
    case 'press':
      return <Pressed seat={seat} isPressed={state.pressed} />;
    case 'turn':
      return isLatching ? (
        <Slid seat={seat} isOver={state.position > 0.5} />
      ) : (
        <Turned seat={seat} share={state.position} />
      );
    case 'light':
      return <Word seat={below(seat)} text={`light ${Math.round(state.light * 100)} %`} />;
    case 'warm':
      return <Word seat={below(seat)} text={`${Math.round(state.celsius)} °C`} />;
    case 'distance':
      return <Word seat={below(seat)} text={`${Math.round(state.metres * 100)} cm away`} />;
    case 'motion':
      return <Word seat={below(seat)} text={state.moving ? 'something moves' : 'still'} />;
  }
}

const below = ({ x, y, width, height }: Box): Box => ({ x, y: y + height + 2, width, height: 20 });

const Pressed = memo(function Pressed({
  seat,
  isPressed,
}: {
  readonly seat: Box;
  readonly isPressed: boolean;
}) {
  const { x, y } = middleOf(seat);
  return isPressed ? (
    <>
      <circle cx={x} cy={y} r="13" fill="var(--signal)" />
      <circle cx={x} cy={y} r="17" fill="none" stroke="var(--signal)" strokeWidth="3" />
    </>
  ) : null;
});

const Slid = memo(function Slid({ seat, isOver }: { readonly seat: Box; readonly isOver: boolean }) {
  const { x, y } = middleOf(seat);
  return (
    <>
      <rect x={x - 7} y={y - 24} width="14" height="48" fill="var(--trough)" stroke="var(--ink)" />
      <rect x={x - 6} y={isOver ? y + 2 : y - 20} width="12" height="18" fill="var(--ink)" />
    </>
  );
});

const Turned = memo(function Turned({ seat, share }: { readonly seat: Box; readonly share: number }) {
  const { x, y } = middleOf(seat);
  const angle = -150 + 300 * share;
  return (
    <>
      <circle cx={x} cy={y} r="19" fill="#f3f1e6" stroke="#1b2831" strokeWidth="1.4" />
      <g transform={`rotate(${angle} ${x} ${y})`}>
        <path d={`M${x} ${y} v-16`} stroke="#1b2831" strokeWidth="3.4" strokeLinecap="round" />
      </g>
    </>
  );
});

/** Height and width of the gauge in a pin's socket. */
const [GAUGE_HEIGHT, GAUGE_WIDTH] = [15, 7];

/** A gauge in each socket that the program drives: as high as its pin is for a share of the time. */
function Pins({
  drawing,
  board,
  moment,
}: {
  readonly drawing: Drawing;
  readonly board: string;
  readonly moment: Moment;
}) {
  const places = useMemo(
    () => new Map(drawing.targets.map(({ point, x, y }) => [point as string, { x, y }])),
    [drawing],
  );
  return [...moment.pins].map(([pin, drive]) => {
    const place = places.get(`${board}.${pin}`);
    const share = shareOf(drive);
    return place && share !== undefined && <Gauge key={pin} x={place.x} y={place.y} share={share} />;
  });
}

function shareOf(drive: PinDrive): number | undefined {
  switch (drive.mode) {
    case 'high':
      return 1;
    case 'low':
      return 0;
    case 'pwm':
      return drive.duty;
    default:
      return undefined;
  }
}

const Gauge = memo(function Gauge({
  x,
  y,
  share,
}: {
  readonly x: number;
  readonly y: number;
  readonly share: number;
}) {
  const height = (GAUGE_HEIGHT - 2) * share;
  return (
    <>
      <rect
        x={x - GAUGE_WIDTH - 1}
        y={y - GAUGE_HEIGHT / 2}
        width={GAUGE_WIDTH}
        height={GAUGE_HEIGHT}
        fill="var(--card)"
        stroke="var(--ink)"
      />
      <rect
        x={x - GAUGE_WIDTH}
        y={y + GAUGE_HEIGHT / 2 - 1 - height}
        width={GAUGE_WIDTH - 2}
        height={height}
        fill="var(--signal)"
      />
    </>
  );
});
