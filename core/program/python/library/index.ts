import type { BoardProfile } from '../../../boards';
import { dictMethods, listMethods, textMethods } from '../methods';
import { setMethods } from '../sets';
import { PyClass, type PyModule } from '../values';
import { mathModule, randomModule, timeModule } from './modules';
import { analogModule, boardModule, digitalModule, pinAttributes, pwmModule } from './pins';

export { builtins } from './builtins';

/** The modules that a program can import on a board, by name. */
export const libraryModules = (board: BoardProfile): ReadonlyMap<string, PyModule> =>
  new Map(
    [boardModule(board), digitalModule, analogModule, pwmModule, timeModule, randomModule, mathModule].map(
      (module) => [module.name, module],
    ),
  );

/** Every name that can stand behind a dot. */
export function attributeNames(modules: ReadonlyMap<string, PyModule>): ReadonlySet<string> {
  const ofClasses = [...modules.values()].flatMap(({ members }) =>
    [...members.values()].flatMap((member) => (member instanceof PyClass ? [...member.members.keys()] : [])),
  );
  return new Set([
    ...[...modules.values()].flatMap(({ members }) => [...members.keys()]),
    ...ofClasses,
    ...listMethods.keys(),
    ...textMethods.keys(),
    ...dictMethods.keys(),
    ...setMethods.keys(),
    ...pinAttributes,
  ]);
}
