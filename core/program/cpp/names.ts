import type { WatchedName } from '../watching';
import type { CppMachine } from './machine';
import { printed } from './print';
import type { Variable } from './scope';
import type { FunctionTree, NamedPlace, ProgramTree } from './tree';
import { isScalar, cellsOf, type CType } from './types';

/** Values of an array that are shown. */
const MOST_VALUES = 16;
/** Names of a program that are followed. */
const MOST_NAMES = 200;

/** Variables as whoever watches a run finds them: what never changes and what only says where something is are none. */
export const namedPlaces = (variables: readonly Variable[]): readonly NamedPlace[] =>
  variables.flatMap(({ name, type, constant, refers, place: { area, address } }) =>
    constant || refers === true || type.kind === 'pointer' ? [] : [{ name, type, area, address }],
  );

/** The variables of a program on a machine. */
export function watchedNames(tree: ProgramTree, machine: CppMachine): readonly WatchedName[] {
  const ofFunction = ({ names, lines }: FunctionTree): readonly WatchedName[] =>
    names.map((name) => ({ ...watched(name, machine), within: lines }));
  return [...tree.names.map((name) => watched(name, machine)), ...tree.functions.flatMap(ofFunction)].slice(
    0,
    MOST_NAMES,
  );
}

function watched({ name, type, area, address }: NamedPlace, machine: CppMachine): WatchedName {
  return {
    name,
    read: () => valueText(type, area === 'frame' ? machine.frame + address : address, machine),
  };
}

/** A value as it is shown; `undefined` for one of which only a machine has an idea. */
function valueText(type: CType, cell: number, machine: CppMachine): string | undefined {
  if (isScalar(type)) return scalarText(type, machine.cells[cell] ?? 0, machine);
  if (type.kind === 'array') {
    const size = cellsOf(type.of);
    const shown = Array.from({ length: Math.min(type.length, MOST_VALUES) }, (_, at) =>
      valueText(type.of, cell + at * size, machine),
    );
    return shown.includes(undefined)
      ? undefined
      : `{${shown.join(', ')}${type.length > MOST_VALUES ? ', …' : ''}}`;
  }
  if (type.kind !== 'struct' || type.isLibrary) return undefined;
  const fields = type.fields.flatMap((field) => {
    const text = valueText(field.type, cell + field.cell, machine);
    return text === undefined ? [] : [`${field.name} ${text}`];
  });
  return fields.length === 0 ? undefined : fields.join(', ');
}

/** One value of a variable; `undefined` where its number says nothing to a reader. */
function scalarText(type: CType, value: number, machine: CppMachine): string | undefined {
  if (type.kind === 'string') return `"${machine.texts.at(value)}"`;
  return type.kind === 'pointer' || type.kind === 'text' ? undefined : numberText(type, value);
}

/** A number as the language writes a value of a type. */
export function numberText(type: CType, value: number): string {
  if (type.kind === 'bool') return value === 0 ? 'false' : 'true';
  if (type.kind === 'float') return printed(type, value);
  // A letter is shown as one; a small number that somebody keeps in the type of letters is not.
  const isLetter = type.kind === 'integer' && type.bits === 8 && type.signed && value >= 32 && value < 127;
  return isLetter ? `'${String.fromCharCode(value)}'` : String(value);
}
