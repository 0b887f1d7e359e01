import { memo, useMemo } from 'react';
import type { Drawing } from '@/core/drawing/list';
import type { PinDrive } from '@/core/electrics/bench';
import type { Moment } from '@/core/rehearsal/replay';

/** Height and width of the gauge in a pin's socket. */
const [GAUGE_HEIGHT, GAUGE_WIDTH] = [15, 7];

/** A gauge in each socket that the program drives: as high as its pin is for a share of the time. */
export function Pins({
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
