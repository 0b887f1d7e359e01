interface StepProps {
  readonly number: number;
  readonly title: string;
  /** A notch in the margin: something here is wrong or risky. */
  readonly notch?: 'fault' | 'risk' | undefined;
  readonly children: React.ReactNode;
}

/** One step of the work: its number in the margin, its name, and what there is to say. */
export function Step({ number, title, notch, children }: StepProps) {
  return (
    <section
      className={`ruled-line [contain-intrinsic-size:auto_10rem] [content-visibility:auto] ${notch === 'fault' ? 'shadow-[inset_5px_0_0_var(--fault)]' : notch === 'risk' ? 'shadow-[inset_5px_0_0_var(--risk)]' : ''}`}
      aria-label={title}
    >
      <span className="mono text-right text-soft">{number}</span>
      <h2 className="font-text text-body font-semibold">{title}</h2>
      <div className="min-w-0">{children}</div>
    </section>
  );
}
