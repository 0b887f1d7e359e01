import { libraryCycles } from '../costs';
import type { Machine } from '../machine';
import type { Evaluate } from './emit';
import { isPureName, pureWork } from './library-pure';
import { isTextName, LETTER_CYCLES, textAt, textWork } from './library-text';
import { printed } from './print';
import type { Expression } from './tree';
import { conversionTo } from './types';

/** Compiles a call of a library function. `watched`: its reading of the clock is followed. */
export function emitBuiltin(
  call: Extract<Expression, { node: 'builtin' }>,
  values: readonly Evaluate[],
  watched: boolean,
): Evaluate {
  const { line } = call.span;
  const fit = conversionTo(call.type);
  const at = (machine: Machine, index: number): number => values[index]!(machine);
  /** Evaluates the arguments, lets the cycles pass, then acts. */
  const acting =
    (cycles: number, act: (machine: Machine, given: readonly number[]) => number | void): Evaluate =>
    (machine) => {
      const given = values.map((value) => value(machine));
      machine.spend(cycles);
      return act(machine, given) ?? 0;
    };
  const { name } = call;
  if (isPureName(name)) {
    const pure = pureWork(name);
    return acting(libraryCycles.small + pure.cycles, (_, [first, second]) => fit(pure.work(first!, second!)));
  }
  if (isTextName(name)) {
    const type = call.arguments[0]?.type;
    const bits = type?.kind === 'integer' ? type.bits : 0;
    return acting(libraryCycles.small, (machine, given) => {
      const write = (cell: number, letter: number): void => void machine.write(machine.within(cell), letter);
      const { value, letters } = textWork(name, machine, given, write, bits);
      machine.spend(letters * LETTER_CYCLES);
      return fit(value);
    });
  }
  switch (name) {
    case 'pinMode':
      return acting(libraryCycles.pinMode, (machine, [pin, mode]) => machine.host.pinMode(pin!, mode!, line));
    case 'digitalWrite':
      return acting(libraryCycles.digitalWrite, (machine, [pin, level]) =>
        machine.host.digitalWrite(pin!, level!, line),
      );
    case 'digitalRead':
      return acting(libraryCycles.digitalRead, (machine, [pin]) => machine.host.digitalRead(pin!, line));
    case 'analogWrite':
      return acting(libraryCycles.analogWrite, (machine, [pin, duty]) =>
        machine.host.analogWrite(pin!, duty!, line),
      );
    case 'analogRead':
      return acting(libraryCycles.analogRead, (machine, [pin]) => machine.host.analogRead(pin!, line));
    case 'delay':
      return acting(libraryCycles.delay, (machine, [milliseconds]) =>
        machine.pause(milliseconds! / 1e3, line),
      );
    case 'delayMicroseconds':
      return acting(4, (machine, [microseconds]) => machine.pause(microseconds! / 1e6, line));
    case 'millis':
    case 'micros': {
      const isMillis = call.name === 'millis';
      return (machine) => {
        machine.spend(isMillis ? libraryCycles.millis : libraryCycles.micros);
        if (!watched) machine.clockEscaped = true;
        // The timer behind micros counts every 64th cycle of a 16 MHz clock: steps of four.
        const count = isMillis
          ? Math.floor((machine.cycles * 1e3) / machine.clockHz)
          : Math.floor((machine.cycles * 2.5e5) / machine.clockHz) * 4;
        return count >>> 0;
      };
    }
    case 'min':
      return acting(libraryCycles.small, (_, [one, other]) => Math.min(one!, other!));
    case 'max':
      return acting(libraryCycles.small, (_, [one, other]) => Math.max(one!, other!));
    case 'abs':
      return (machine) => fit(Math.abs(at(machine, 0)));
    case 'constrain':
      return acting(libraryCycles.small, (_, [value, low, high]) =>
        value! < low! ? low! : value! > high! ? high! : value!,
      );
    case 'map':
      return acting(libraryCycles.map, (machine, [value, fromLow, fromHigh, toLow, toHigh]) => {
        const span = fit(fromHigh! - fromLow!);
        if (span === 0) machine.fault({ kind: 'division', line });
        const scaled = fit(Math.imul(fit(value! - fromLow!), fit(toHigh! - toLow!)));
        return fit((span === 0 ? -1 : Math.trunc(scaled / span)) + toLow!);
      });
    case 'random':
      return acting(libraryCycles.random, (machine, given) => {
        const [low, high] = given.length > 1 ? [given[0]!, given[1]!] : [0, given[0]!];
        if (given.length > 1 && low >= high) return low;
        return high - low === 0 ? 0 : low + (machine.nextRandom() % (high - low));
      });
    case 'randomSeed':
      return acting(libraryCycles.small, (machine, [seed]) => machine.seedRandom(seed!));
    case 'Serial.begin':
      return acting(libraryCycles.small, (machine, [rate]) => machine.host.serialBegin(rate!, line));
    case 'Serial.print':
    case 'Serial.println': {
      const [argument] = call.arguments;
      const ending = call.name === 'Serial.println' ? '\r\n' : '';
      return (machine) => {
        const value = argument && argument.node !== 'text' ? at(machine, 0) : 0;
        const option = values[1] ? at(machine, 1) : undefined;
        const shown = !argument
          ? ''
          : argument.type.kind === 'pointer'
            ? textAt(machine, value)
            : printed(argument, value, option);
        const text = shown + ending;
        machine.spend(libraryCycles.print * text.length);
        machine.host.serialPrint(text, line);
        return text.length;
      };
    }
    case 'Serial.available':
      return acting(libraryCycles.small, (machine) => machine.host.serialAvailable());
    case 'Serial.read':
      return acting(libraryCycles.small, (machine) => machine.host.serialRead());
  }
}
