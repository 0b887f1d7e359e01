import type { Observation } from '../../finding';
import type { Rule } from './context';

/** Parts on pins that the board needs for something else. */
export const pinReserved: Rule = ({ netlist, board, wiring, usesSerial }) =>
  netlist.nodes.flatMap((node) =>
    node.pins.flatMap((name): readonly Observation[] => {
      const pin = board.pins.find((candidate) => candidate.name === name);
      if (pin?.reserved === undefined || (node.terminals.length === 0 && node.pins.length < 2)) return [];
      const use = pin.reserved === 'serial' ? 'loading programs and for serial text' : 'starting';
      const effect =
        usesSerial && pin.reserved === 'serial'
          ? 'The program prints, so both disturb each other.'
          : pin.reserved === 'serial'
            ? 'Loading a program may fail while something is wired there.'
            : `It must be ${pin.startLevel ?? 'left alone'} while the board starts, or the board does not start at all.`;
      return [
        {
          code: 'pin-reserved',
          severity: usesSerial && pin.reserved === 'serial' ? 'fault' : 'advice',
          refs: [...new Set(node.terminals.map((terminal) => terminal.ref as string))],
          at: wiring.board ? [`${wiring.board.ref}.${name}`] : [],
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
