import type { BoardProfile } from '@/core/boards';
import type { ExerciseData } from '@/core/formats/exercise';
import { groundSocket, supplySocket } from '@/core/statements/pins';

/** Sockets that the keypad has room for. */
const MOST = 5;

/** Sockets for the keypad: those that the exercise is about, then ground, the supply and plain pins of the board. */
export function keypadPins({ nets }: Pick<ExerciseData, 'nets'>, board: BoardProfile): readonly string[] {
  const named = nets.flatMap((net) =>
    net.points.filter((point) => point.startsWith('U')).map((point) => point.slice(point.indexOf('.') + 1)),
  );
  const plain = board.pins.filter(({ reserved }) => reserved === undefined).map(({ name }) => name);
  const fed = [groundSocket(board), supplySocket(board)].filter((socket) => socket !== undefined);
  return [...new Set([...named, ...fed, ...plain.reverse()])].slice(0, MOST);
}
