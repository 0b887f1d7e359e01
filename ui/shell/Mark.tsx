/** The product's mark: a ruled sheet with one thread drawn from leg to leg. */
export function Mark({ size = 34 }: { readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 34 34" aria-hidden="true">
      <path d="M1 9h32M1 17h32M1 25h32" stroke="var(--rule-strong)" strokeWidth="1" />
      <path d="M8 1v32" stroke="var(--ink)" strokeWidth="1.6" />
      <path
        d="M8 9h9c5 0 9 3 9 8s-4 8-9 8H8"
        fill="none"
        stroke="var(--signal)"
        strokeWidth="3"
        strokeLinecap="round"
      />
      <circle cx="8" cy="9" r="3.6" fill="var(--ink)" />
      <circle cx="8" cy="25" r="3.6" fill="var(--ink)" />
    </svg>
  );
}
