import { fail, ok, type Problem, type Result } from '../result';
import { assemblySchema, calibrationSchema, type Assembly, type Calibration } from './assembly';

/**
 * Pieces of a build as they are written: a line that begins at the margin names a piece and the parts that go into it,
 * `Gate: M1, D1`; what stands under it indented is a fastener, `2 × M2 × 8 screw`, or a step.
 */
export function readAssemblies(text: string): Result<readonly Assembly[]> {
  const found: { name: string; refs: string[]; steps: string[]; fasteners: Assembly['fasteners'] }[] = [];
  const problems: Problem[] = [];
  for (const [index, raw] of text.split('\n').entries()) {
    const line = raw.trimEnd();
    if (line.trim() === '') continue;
    if (!/^\s/.test(line)) {
      const [, name = '', parts = ''] = /^([^:]*?)\s*(?::\s*(.*))?$/.exec(line) ?? [];
      found.push({ name, refs: refsIn(parts), steps: [], fasteners: [] });
      continue;
    }
    const piece = found.at(-1);
    if (!piece) {
      problems.push({ message: 'begin with the name of a piece, at the margin', line: index + 1 });
      continue;
    }
    const fastener = /^\s*(\d+)\s*[×x*]\s*(.+)$/i.exec(line);
    if (fastener) piece.fasteners = [...piece.fasteners, { count: Number(fastener[1]), what: fastener[2]! }];
    else piece.steps.push(line.trim());
  }
  for (const piece of found) {
    const read = assemblySchema.safeParse(piece);
    if (!read.success)
      problems.push({ message: `${piece.name || 'a piece'}: ${read.error.issues[0]!.message}` });
  }
  return problems.length > 0 ? fail(...problems) : ok(found);
}

const refsIn = (text: string): string[] =>
  text
    .split(/[\s,;]+|\band\b/)
    .map((word) => word.trim().toUpperCase())
    .filter((word) => word !== '');

/** Pieces as `readAssemblies` reads them. */
export const assembliesText = (assemblies: readonly Assembly[]): string =>
  assemblies
    .map(({ name, refs, steps, fasteners }) =>
      [
        refs.length > 0 ? `${name}: ${refs.join(', ')}` : name,
        ...fasteners.map(({ what, count }) => `  ${count} × ${what}`),
        ...steps.map((step) => `  ${step}`),
      ].join('\n'),
    )
    .join('\n');

/** `closed angle (M1): 80 to 100 °`; the part, the range and the unit may be left out. */
const CALIBRATION =
  /^(?<name>[^:(]+?)\s*(?:\((?<ref>[A-Za-z]+\d*)\))?\s*(?::\s*(?:(?<from>-?\d+(?:\.\d+)?)\s*(?:to|–|-)\s*(?<to>-?\d+(?:\.\d+)?))?\s*(?<unit>[^\d].*)?)?$/u;

/** Values that are found on each bench as they are written, one to a line. */
export function readCalibrations(text: string): Result<readonly Calibration[]> {
  const found: Calibration[] = [];
  for (const [index, raw] of text.split('\n').entries()) {
    const line = raw.trim();
    if (line === '') continue;
    const groups = CALIBRATION.exec(line)?.groups;
    if (!groups)
      return fail({
        message: 'write it like “closed angle (M1): 80 to 100 °”',
        line: index + 1,
        typed: line,
      });
    const { name = '', ref, from, to, unit = '' } = groups;
    const read = calibrationSchema.safeParse({
      name: name.trim(),
      unit: unit.trim(),
      ...(ref === undefined ? {} : { ref: ref.toUpperCase() }),
      ...(from === undefined ? {} : { from: Number(from), to: Number(to) }),
    });
    if (!read.success) return fail({ message: read.error.issues[0]!.message, line: index + 1, typed: line });
    if (found.some((other) => other.name === read.data.name))
      return fail({ message: `“${read.data.name}” is there twice`, line: index + 1, typed: line });
    found.push(read.data);
  }
  return ok(found);
}

/** Values as `readCalibrations` reads them. */
export const calibrationsText = (calibrations: readonly Calibration[]): string =>
  calibrations
    .map(({ name, ref, unit, from, to }) => {
      const range = from === undefined || to === undefined ? '' : `${from} to ${to}`;
      const rest = [range, unit].filter(Boolean).join(' ');
      return `${name}${ref === undefined ? '' : ` (${ref})`}${rest === '' ? '' : `: ${rest}`}`;
    })
    .join('\n');
