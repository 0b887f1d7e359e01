import { socketsOf } from '../places';
import type { Observation } from '../../findings/finding';
import type { WiringRule } from '../subject';

/** Parts on pins that the board needs for something else. */
export const pinReserved: WiringRule = ({ circuit, board, usesSerial }) =>
  circuit.nodes.flatMap((node) =>
    node.pins.flatMap((name): readonly Observation[] => {
      const pin = board.pins.find((candidate) => candidate.name === name);
      if (pin?.reserved === undefined || (node.terminals.length === 0 && node.pins.length < 2)) return [];
      const use = pin.reserved === 'serial' ? 'loading programs and for serial text' : 'starting';
      const effect =
        usesSerial && pin.reserved === 'serial'
          ? pin.serialEnd === 'out'
            ? 'The program starts the serial line, and from then on this pin is high and sends text, whatever the program writes to it.'
            : pin.serialEnd === 'in'
              ? 'The program starts the serial line, and from then on this pin listens to the computer.'
              : 'The program prints, so the two disturb each other.'
          : pin.reserved === 'serial'
            ? 'Loading a program may fail while something is connected there.'
            : `It must be ${pin.startLevel ?? 'left alone'} while the board starts, or the board does not start at all.`;
      return [
        {
          code: 'pin-reserved',
          severity: usesSerial && pin.reserved === 'serial' ? 'fault' : 'advice',
          refs: circuit.partsAt(node.id).map(({ ref }) => ref as string),
          at: socketsOf(circuit, name),
          message: `Pin ${name} is used, but the board needs it for ${use}. ${effect}`,
          hints: [
            `What else does the board use pin ${name} for?`,
            `Pin ${name} belongs to the pins for ${use}.`,
            `Move the wire from pin ${name} to a free pin from 2 on, and change the number in the program.`,
          ],
        },
      ];
    }),
  );
