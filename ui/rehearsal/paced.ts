/**
 * `act` at most once in so many milliseconds: the first value at once, of those that follow too fast the last one as
 * soon as its time has come.
 */
export function paced<Value>(milliseconds: number, act: (value: Value) => void): (value: Value) => void {
  let actedAt = Number.NEGATIVE_INFINITY;
  let waiting: { value: Value } | undefined;
  const now = (value: Value): void => {
    actedAt = performance.now();
    act(value);
  };
  return (value) => {
    const rest = actedAt + milliseconds - performance.now();
    if (rest <= 0 && !waiting) now(value);
    else if (waiting) waiting.value = value;
    else {
      waiting = { value };
      setTimeout(() => {
        const last = waiting!.value;
        waiting = undefined;
        now(last);
      }, rest);
    }
  };
}
