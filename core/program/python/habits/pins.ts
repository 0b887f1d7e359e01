import type { Expression, Statement } from '../tree';
import { allStatements, placeOf } from '../walk';

/** Pin objects by the name that they were given: what each is for. */
export type PinObjects = ReadonlyMap<string, 'digital' | 'analog'>;

const uses: Readonly<Record<string, 'digital' | 'analog'>> = { DigitalInOut: 'digital', AnalogIn: 'analog' };

/** The pin objects that a program makes and gives a name. */
export function pinObjects(body: readonly Statement[]): PinObjects {
  const found = new Map<string, 'digital' | 'analog'>();
  for (const statement of allStatements(body)) {
    if (statement.node !== 'assign' || statement.value.node !== 'call') continue;
    const use = uses[classOf(statement.value.callee) ?? ''];
    for (const target of statement.targets) if (use && target.target === 'name') found.set(target.name, use);
  }
  return found;
}

/** The class that is called: `digitalio.DigitalInOut`, or `DigitalInOut` where it was imported from there. */
const classOf = (callee: Expression): string | undefined =>
  callee.node === 'attribute' || callee.node === 'name' ? callee.name : undefined;

/** Whether an expression reads a pin object of that use: `button.value`. */
export function reads(expression: Expression, use: 'digital' | 'analog', pins: PinObjects): boolean {
  if (expression.node !== 'attribute' || expression.name !== 'value') return false;
  const owner = placeOf(expression.owner);
  return owner !== undefined && pins.get(owner) === use;
}
