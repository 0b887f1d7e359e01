import { PITCH } from './geometry';
import { boxAround, type Box, type Drawing, type Layer, type Shape } from './list';

/** Room round the parts, in drawing units. */
const MARGIN = PITCH * 1.1;

/**
 * A drawing as seen from near: these parts with the holes about them and every wire that passes there;
 * `undefined` when none of them is drawn. `rows`: whether the names of the rows have to be in it.
 */
export function closeUp(
  drawing: Drawing,
  refs: ReadonlySet<string>,
  { rows }: { readonly rows: 'as they come' | 'with their names' } = { rows: 'as they come' },
): Drawing | undefined {
  const [first, ...others] = drawing.layers.flatMap(({ ref, box }) =>
    ref !== undefined && box && refs.has(ref) ? [box] : [],
  );
  if (!first) return undefined;
  const named = rows === 'with their names' ? rowNamesBeside(drawing, first) : [];
  const { x, y, width, height } = boxAround([first, ...others, ...named]);
  const window = { x: x - MARGIN, y: y - MARGIN, width: width + 2 * MARGIN, height: height + 2 * MARGIN };
  const layers = drawing.layers.flatMap((layer): readonly Layer[] => {
    if (layer.box && !meets(layer.box, window)) return [];
    const shapes = layer.shapes.filter((shape) => mayBeIn(shape, window));
    return shapes.length > 0 ? [{ ...layer, shapes }] : [];
  });
  return { ...drawing, window, layers, targets: [] };
}

/** Rows whose names stand left of the first column. */
const NAMES_BEFORE = 1.6 * PITCH;

/** The strip from the names of the rows to the first column, as high as a part. */
function rowNamesBeside({ targets }: Drawing, { y, height }: Box): readonly Box[] {
  const first = targets.find(({ point }) => /\.a\d+$/.test(point));
  return first ? [{ x: first.x - NAMES_BEFORE, y, width: NAMES_BEFORE, height }] : [];
}

/** Width over height of what is to be seen of a drawing. */
export const aspectOf = ({ window, width, height }: Drawing): number =>
  window ? window.width / window.height : width / height;

const meets = (one: Box, other: Box): boolean =>
  one.x < other.x + other.width &&
  other.x < one.x + one.width &&
  one.y < other.y + other.height &&
  other.y < one.y + one.height;

/** Whether something of the shape can show in the window; of a path only that is not known. */
function mayBeIn(shape: Shape, window: Box): boolean {
  switch (shape.type) {
    case 'rect':
      return meets(shape, window);
    case 'circle':
      return meets(
        {
          x: shape.x - shape.radius,
          y: shape.y - shape.radius,
          width: 2 * shape.radius,
          height: 2 * shape.radius,
        },
        window,
      );
    case 'text':
      return meets({ x: shape.x, y: shape.y - 1, width: 1, height: 1 }, window);
    case 'path':
      return true;
  }
}
