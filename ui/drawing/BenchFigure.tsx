import type { CSSProperties } from 'react';
import type { Drawing, Paint, Shape } from '@/core/drawing/list';
import { bandColours, glassColours, wireColours } from '@/core/drawing/colours';

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
  /** A word for what this drawing shows, read before the drawing in words. */
  readonly title: string;
}

/** A drawing list as SVG. */
export function BenchFigure({ drawing, className, style, children, title }: BenchFigureProps) {
  return (
    <svg
      className={`bench-drawing ${className ?? ''}`}
      style={style}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      preserveAspectRatio="xMinYMin meet"
      role="img"
      aria-label={`${title}. ${drawing.description}`}
    >
      {drawing.layers.map((layer, index) => (
        <g key={layer.ref ?? `layer-${index}`} data-ref={layer.ref}>
          {layer.shapes.map((shape, at) => (
            <ShapeElement key={at} shape={shape} />
          ))}
        </g>
      ))}
      {children}
    </svg>
  );
}

function ShapeElement({ shape }: { readonly shape: Shape }) {
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
        <text data-role={shape.role} x={shape.x} y={shape.y} textAnchor={shape.anchor}>
          {shape.text}
        </text>
      );
    case 'path':
      return <path data-role={shape.role} d={shape.path} style={pathStyle(shape, paint)} />;
  }
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
