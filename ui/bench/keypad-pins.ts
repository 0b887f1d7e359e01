import type { BoardProfile } from '@/core/boards';
import type { ExerciseData } from '@/core/formats/exercise';
import { groundSocket, supplySocket } from '@/core/statements/pins';

/** Sockets that the keypad has room for. */
const MOST = 13;
/** Those that are there whatever the exercise asks for. */
const USUAL = 5;

/**
 * Sockets for the keypad: those that the exercise is about, `asked` among them, then ground, the supply and plain pins
 * of the board.
 */
export function keypadPins(
  { nets }: Pick<ExerciseData, 'nets'>,
  board: BoardProfile,
  asked: readonly string[] = [],
): readonly string[] {
  const named = nets.flatMap((net) =>
    net.points.filter((point) => point.startsWith('U')).map((point) => point.slice(point.indexOf('.') + 1)),
  );
  const plain = board.pins.filter(({ reserved }) => reserved === undefined).map(({ name }) => name);
  const fed = [groundSocket(board), supplySocket(board)].filter((socket) => socket !== undefined);
  const own = [...new Set([...named, ...asked, ...fed])];
  return [...new Set([...own.slice(0, MOST), ...plain.reverse()])].slice(
    0,
    Math.max(USUAL, Math.min(MOST, own.length)),
  );
}
