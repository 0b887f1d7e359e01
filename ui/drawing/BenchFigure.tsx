import { memo, type CSSProperties } from 'react';
import type { Drawing, Layer, Paint, Shape } from '@/core/drawing/list';
import { bandColours, glassColours, wireColours } from '@/core/drawing/colours';
import { textTurn, turnedSize, turnTransform, type QuarterTurns } from '@/core/drawing/turn';
import { useTold } from '../words/Words';

function colourOf({ of, name }: Paint): string {
  if (of === 'wire') return wireColours[name] ?? '#6f7a81';
  if (of === 'glass') return glassColours[name] ?? '#d9d9d9';
  if (of === 'band') return bandColours[name] ?? '#22282c';
  return `var(--${name})`;
}

interface BenchFigureProps {
  readonly drawing: Drawing;
  readonly className?: string;
  readonly style?: CSSProperties;
  readonly children?: React.ReactNode;
  readonly turns?: QuarterTurns;
  /** Parts and wires that are new: all others are drawn faintly. */
  readonly emphasis?: ReadonlySet<string>;
  /** A word for what this drawing shows, read before the drawing in words. */
  readonly title: string;
}

/** A drawing list as SVG, turned as the bench lies in front of its user. */
export function BenchFigure({
  drawing: drawn,
  className,
  style,
  children,
  title,
  turns = 0,
  emphasis,
}: BenchFigureProps) {
  const drawing = useTold(drawn);
  const { x, y, width, height } = drawing.window ?? { x: 0, y: 0, ...turnedSize(drawing, turns) };
  return (
    <svg
      className={`bench-drawing ${className ?? ''}`}
      style={style}
      viewBox={`${x} ${y} ${width} ${height}`}
      preserveAspectRatio="xMinYMin meet"
      role="img"
      aria-label={`${title}. ${drawing.description}`}
    >
      <g data-contents="" transform={turnTransform(drawing, turns)}>
        {keyed(drawing.layers).map(([key, layer]) => (
          <LayerElement
            key={key}
            layer={layer}
            turns={turns}
            isFaint={emphasis !== undefined && layer.ref !== undefined && !emphasis.has(layer.ref)}
          />
        ))}
        {children}
      </g>
    </svg>
  );
}

/** Each layer with a key of its own: a wire has one for itself and one for its name. */
function keyed(layers: readonly Layer[]): readonly (readonly [key: string, layer: Layer])[] {
  const seen = new Map<string, number>();
  return layers.map((layer) => {
    const owner = layer.ref ?? '';
    const index = seen.get(owner) ?? 0;
    seen.set(owner, index + 1);
    return [`${owner} ${index}`, layer];
  });
}

interface LayerElementProps {
  readonly layer: Layer;
  readonly turns: QuarterTurns;
  readonly isFaint: boolean;
}

/** Layers that are alike are not drawn again: most of a drawing stays while a line is written. */
const LayerElement = memo(
  function LayerElement({ layer, turns, isFaint }: LayerElementProps) {
    return (
      <g data-ref={layer.ref} opacity={isFaint ? 0.4 : undefined}>
        {layer.shapes.map((shape, at) => (
          <ShapeElement key={at} shape={shape} turns={turns} />
        ))}
      </g>
    );
  },
  (before, after) =>
    before.turns === after.turns &&
    before.isFaint === after.isFaint &&
    before.layer.ref === after.layer.ref &&
    before.layer.shapes.length === after.layer.shapes.length &&
    before.layer.shapes.every((shape, index) => sameShape(shape, after.layer.shapes[index]!)),
);

function sameShape(one: Shape, other: Shape): boolean {
  if (one === other) return true;
  const [a, b] = [one as unknown as Record<string, unknown>, other as unknown as Record<string, unknown>];
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) =>
      key === 'paint'
        ? one.paint?.of === other.paint?.of && one.paint?.name === other.paint?.name
        : a[key] === b[key],
    )
  );
}

function ShapeElement({ shape, turns }: { readonly shape: Shape; readonly turns: QuarterTurns }) {
  const paint = shape.paint && colourOf(shape.paint);
  switch (shape.type) {
    case 'rect':
      return (
        <rect
          data-role={shape.role}
          x={shape.x}
          y={shape.y}
          width={shape.width}
          height={shape.height}
          rx={shape.radius}
        />
      );
    case 'circle':
      return (
        <circle
          data-role={shape.role}
          cx={shape.x}
          cy={shape.y}
          r={shape.radius}
          style={paint ? { fill: paint, stroke: 'var(--card)', strokeWidth: 1.2 } : undefined}
        />
      );
    case 'text':
      return (
        <text
          data-role={shape.role}
          x={shape.x}
          y={shape.y}
          textAnchor={shape.anchor}
          transform={uprightTransform(shape, turns)}
        >
          {shape.text}
        </text>
      );
    case 'path':
      return <path data-role={shape.role} d={shape.path} style={pathStyle(shape, paint)} />;
  }
}

/** Half the height of figures, and the mean width of one, in drawing units. */
const [HALF_HEIGHT, LETTER] = [4.6, 7.4];

/** Turns a text about its middle, so that it stands where it stood and can be read. */
function uprightTransform(
  { x, y, text, anchor }: Extract<Shape, { type: 'text' }>,
  turns: QuarterTurns,
): string | undefined {
  const degrees = textTurn(text, turns);
  if (degrees === 0) return undefined;
  const half = (text.length * LETTER) / 2;
  const middle = anchor === 'middle' ? x : anchor === 'start' ? x + half : x - half;
  return `rotate(${degrees} ${middle} ${y - HALF_HEIGHT})`;
}

function pathStyle(shape: Extract<Shape, { type: 'path' }>, paint: string | undefined): CSSProperties {
  const dash = shape.dashed ? { strokeDasharray: shape.role === 'outline' ? '9 3' : '6 4' } : {};
  if (shape.role === 'trace')
    return { ...dash, fill: 'none', strokeWidth: shape.width, ['--paint' as string]: paint };
  if (shape.filled)
    return {
      ...dash,
      strokeWidth: shape.width,
      ...(paint ? { fill: paint } : {}),
      ...(shape.width === 0 ? { stroke: 'none' } : {}),
    };
  return { ...dash, fill: 'none', strokeWidth: shape.width, ...(paint ? { stroke: paint } : {}) };
}
