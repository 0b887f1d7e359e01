import { bandColours, glassColours, wireColours } from './colours';
import type { Drawing, Paint, Role, Shape } from './list';

/** How a role looks on paper: black on white, readable without colour. */
const looks: Readonly<Record<Role, string>> = {
  sheet: 'fill="#fffdf8"',
  'sheet-edge': 'fill="none" stroke="#1b2831" stroke-width="1.4"',
  rule: 'stroke="#d7d0c0"',
  trough: 'fill="#f0ebdf"',
  strip: 'stroke="#e3dccb"',
  'rail-plus': 'stroke="#b5301c"',
  'rail-minus': 'stroke="#1b2831"',
  hole: 'fill="#fffdf8" stroke="#9aa39f" stroke-width="1.1"',
  'hole-used': 'fill="#5d6a70"',
  socket: 'fill="#fffdf8" stroke="#9aa39f" stroke-width="1.2"',
  'socket-used': 'fill="#1b2831"',
  leg: 'stroke="#7b868b" stroke-linecap="round"',
  body: 'fill="#ece4d2" stroke="#1b2831"',
  outline: 'stroke="#1b2831" stroke-linejoin="round"',
  plate: 'fill="#fffdf8" fill-opacity="0.93"',
  'wire-casing': 'stroke="#fffdf8" stroke-linecap="round"',
  trace: 'stroke-linecap="round" stroke-opacity="0.3"',
  ghost: 'fill="none" stroke="#2a6fb8" stroke-width="2.4" stroke-dasharray="4 3"',
  mark: 'stroke="#a3261b"',
  sign: 'stroke="#1b2831" stroke-linecap="round"',
  'leg-mark': 'font-size="11" font-weight="700"',
  'pin-name': 'font-size="14" fill="#5d6a70"',
  'pin-name-used': 'font-size="14.5" font-weight="700"',
  note: 'font-size="11.5" fill="#5d6a70" font-family="sans-serif"',
  caption: 'font-size="13" font-weight="700" font-family="sans-serif"',
  'column-name': 'font-size="13.5" fill="#5d6a70"',
  'row-name': 'font-size="12" fill="#5d6a70" stroke="#fffdf8" stroke-width="4" paint-order="stroke"',
  'row-name-fifth':
    'font-size="12.5" font-weight="700" stroke="#fffdf8" stroke-width="4" paint-order="stroke"',
  'part-name': 'font-size="13" font-weight="700"',
  'wire-name': 'font-size="12" font-weight="600"',
};

const electricity: Readonly<Record<string, string>> = {
  supply: '#b5301c',
  ground: '#1b2831',
  signal: '#1f6f8b',
  sense: '#5a7a2b',
};

/** Writes a drawing list as a stand-alone SVG file for print; `title` is read before the drawing in words. */
export function writeSvg(drawing: Drawing, title: string): string {
  const { x, y, ...size } = drawing.window ?? { x: 0, y: 0, width: drawing.width, height: drawing.height };
  const width = Math.ceil(size.width);
  const height = Math.ceil(size.height);
  const layers = drawing.layers.map(
    ({ ref, shapes }) =>
      `<g${ref === undefined ? '' : ` data-ref="${escaped(ref)}"`}>${shapes.map(element).join('')}</g>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${n(x)} ${n(y)} ${width} ${height}" font-family="monospace" role="img">
<title>${escaped(title)}</title>
<desc>${escaped(drawing.description)}</desc>
<rect x="${n(x)}" y="${n(y)}" width="${width}" height="${height}" fill="#fffdf8"/>
${layers.join('\n')}
</svg>
`;
}

function element(shape: Shape): string {
  const look = [...paperLook(shape)].map(([name, value]) => `${name}="${value}"`).join(' ');
  switch (shape.type) {
    case 'rect': {
      const radius = shape.radius === undefined ? '' : ` rx="${shape.radius}"`;
      return `<rect x="${n(shape.x)}" y="${n(shape.y)}" width="${n(shape.width)}" height="${n(shape.height)}"${radius} ${look}/>`;
    }
    case 'circle':
      return `<circle cx="${n(shape.x)}" cy="${n(shape.y)}" r="${n(shape.radius)}" ${look}/>`;
    case 'text':
      return `<text x="${n(shape.x)}" y="${n(shape.y)}" text-anchor="${shape.anchor}" ${look}>${escaped(shape.text)}</text>`;
    case 'path':
      return `<path d="${shape.path}" ${look}/>`;
  }
}

/** How a shape looks on paper, by the names that SVG has for it; each once, as XML wants. */
export function paperLook(shape: Shape): ReadonlyMap<string, string> {
  const paint = shape.paint && colourOf(shape.paint);
  if (shape.type === 'path') return pathLook(shape, paint);
  return shape.type === 'circle' && paint
    ? new Map([
        ['fill', paint],
        ['stroke', '#fffdf8'],
        ['stroke-width', '1.2'],
      ])
    : ownLook(shape.role);
}

const ownLook = (role: Role): Map<string, string> =>
  new Map([...looks[role].matchAll(/([\w-]+)="([^"]*)"/g)].map((match) => [match[1]!, match[2]!]));

function pathLook(
  shape: Extract<Shape, { type: 'path' }>,
  paint: string | undefined,
): ReadonlyMap<string, string> {
  const own = ownLook(shape.role);
  if (shape.width !== undefined) own.set('stroke-width', String(shape.width));
  if (shape.dashed) own.set('stroke-dasharray', shape.role === 'outline' ? '9 3' : '6 4');
  if (shape.filled) {
    if (paint) own.set('fill', paint);
    if (shape.width === 0) own.set('stroke', 'none');
  } else {
    own.set('fill', 'none');
    if (paint) own.set('stroke', paint);
    else if (shape.role === 'body') own.set('stroke', '#ece4d2');
  }
  return own;
}

function colourOf({ of, name }: Paint): string {
  if (of === 'wire') return wireColours[name] ?? '#6f7a81';
  if (of === 'glass') return glassColours[name] ?? '#d9d9d9';
  if (of === 'band') return bandColours[name] ?? '#22282c';
  return electricity[name] ?? '#1b2831';
}

const n = (amount: number): string => String(Math.round(amount * 10) / 10);
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
