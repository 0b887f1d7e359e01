/** Where a sortable row is drawn while it or others move. */
export function shift(
  transform: { readonly x: number; readonly y: number } | null,
  transition: string | undefined,
) {
  return {
    ...(transform ? { transform: `translate3d(0, ${Math.round(transform.y)}px, 0)` } : {}),
    ...(transition ? { transition } : {}),
  };
}
