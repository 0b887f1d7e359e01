import { memo } from 'react';
import { lightColours } from '@/core/drawing/colours';
import type { Box, Light } from '@/core/drawing/list';
import type { Moment } from '@/core/rehearsal/replay';
import { middleOf } from './middle';

/** Steps of brightness that are told apart: what is less is not drawn anew. */
const SHADES = 40;

interface LightsProps {
  readonly of: string;
  readonly lights: readonly Light[];
  readonly seat: Box;
  readonly moment: Moment;
}
/** The lights of a part: as bright as the eye sees them, dark glass where they are off. */
export function Lights({ of, lights, seat, moment }: LightsProps) {
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
