import { paperLook } from '@/core/drawing/svg';
import type { Drawing, Shape } from '@/core/drawing/list';
import { runsOf, type Face } from './fonts';
import type { Sheet } from './sheet';

/** How far what is not new in a picture recedes. */
const FAINT = 0.35;

/** Width and height of a drawing in its own units. */
export const sizeOf = ({
  window,
  width,
  height,
}: Drawing): { readonly width: number; readonly height: number } => window ?? { width, height };

/** Draws a drawing list on a page, its upper left corner at a place, `scale` points to a unit. */
export function drawOn(
  document: Sheet,
  drawing: Drawing,
  at: { readonly x: number; readonly y: number },
  scale: number,
  emphasis?: readonly string[],
): void {
  const { x, y } = drawing.window ?? { x: 0, y: 0 };
  const { width, height } = sizeOf(drawing);
  // What is written in a drawing moves the document's own cursor.
  const cursor = { x: document.x, y: document.y };
  document.save();
  document.rect(at.x, at.y, width * scale, height * scale).clip();
  document.translate(at.x, at.y).scale(scale).translate(-x, -y);
  for (const { ref, shapes } of drawing.layers) {
    const isFaint = emphasis !== undefined && ref !== undefined && !emphasis.includes(ref);
    for (const shape of shapes) draw(document, shape, isFaint ? FAINT : 1);
  }
  document.restore();
  Object.assign(document, cursor);
}

function draw(document: Sheet, shape: Shape, opacity: number): void {
  const look = paperLook(shape);
  const [fill, stroke] = [
    look.get('fill') ?? (shape.type === 'text' ? '#1b2831' : undefined),
    look.get('stroke'),
  ];
  const hasFill = fill !== undefined && fill !== 'none';
  const hasStroke = stroke !== undefined && stroke !== 'none' && shape.type !== 'text';
  const dash = look.get('stroke-dasharray');
  document.save();
  document.fillOpacity(opacity * Number(look.get('fill-opacity') ?? 1));
  document.strokeOpacity(opacity * Number(look.get('stroke-opacity') ?? 1));
  document.lineWidth(Number(look.get('stroke-width') ?? 1));
  document.lineCap((look.get('stroke-linecap') ?? 'butt') as 'butt');
  document.lineJoin((look.get('stroke-linejoin') ?? 'miter') as 'miter');
  if (dash !== undefined) {
    const [length = 1, space = length] = dash.split(/[ ,]+/).map(Number);
    document.dash(length, { space });
  }
  if (shape.type === 'text') write(document, shape, fill!, look);
  else {
    if (shape.type === 'rect')
      if (shape.radius === undefined) document.rect(shape.x, shape.y, shape.width, shape.height);
      else document.roundedRect(shape.x, shape.y, shape.width, shape.height, shape.radius);
    else if (shape.type === 'circle') document.circle(shape.x, shape.y, shape.radius);
    else document.path(shape.path);
    if (hasFill && hasStroke) document.fillAndStroke(fill, stroke);
    else if (hasFill) document.fill(fill);
    else if (hasStroke) document.stroke(stroke);
    else document.fillOpacity(0).fill('#fff');
  }
  document.restore();
}

/** A name on a drawing, which stands on its base line and is as wide as it is. */
function write(
  document: Sheet,
  { x, y, text, anchor }: Extract<Shape, { type: 'text' }>,
  colour: string,
  look: ReadonlyMap<string, string>,
): void {
  const isStrong = Number(look.get('font-weight') ?? 400) >= 600;
  const face: Face =
    look.get('font-family') === 'sans-serif'
      ? isStrong
        ? 'strong'
        : 'text'
      : isStrong
        ? 'mono-strong'
        : 'mono';
  const runs = runsOf(text, face);
  document.fontSize(Number(look.get('font-size') ?? 12));
  const widths = runs.map(({ text: run, font }) => document.font(font).widthOfString(run));
  const whole = widths.reduce((sum, width) => sum + width, 0);
  let left = x - (anchor === 'middle' ? whole / 2 : anchor === 'end' ? whole : 0);
  for (const [index, { text: run, font }] of runs.entries()) {
    document.font(font).fillColor(colour).text(run, left, y, { lineBreak: false, baseline: 'alphabetic' });
    left += widths[index]!;
  }
}
