interface ProblemProps {
  /** What is wrong, in the user's words; nothing is shown when nothing is. */
  readonly children: string | undefined;
  readonly className?: string;
}

/** Says what was not done and why, and is read out when it appears. */
export function Problem({ children, className = '' }: ProblemProps) {
  if (!children) return null;
  return (
    <p role="alert" className={`font-semibold text-fault ${className}`}>
      {children}
    </p>
  );
}
