import { Slot } from 'radix-ui';
import type { ComponentProps } from 'react';

const looks = {
  /** The one thing to do next. */
  main: 'bg-ink text-card border-ink hover:bg-soft hover:border-soft',
  plain: 'bg-card text-ink border-rule-strong hover:border-ink',
  quiet:
    'border-transparent text-ink underline decoration-rule-strong underline-offset-4 hover:decoration-ink',
  /** One of several beside each other that act on what is above them. */
  tool: 'border-transparent text-ink disabled:border-transparent hover:border-rule-strong aria-pressed:bg-wash aria-pressed:border-rule-strong',
  /** One answer of a few beside each other. */
  choice:
    'bg-card text-ink border-rule-strong -ml-px first:ml-0 rounded-none hover:border-ink aria-pressed:bg-ink aria-pressed:text-card aria-pressed:border-ink',
} as const;

const sizes = {
  /** Where an instructor works. */
  dense: 'min-h-9 px-3 text-body gap-2',
  /** In a row of tools. */
  small: 'min-h-8 px-1.5 text-note gap-1.5',
  /** Where a beginner works, on a tablet. */
  roomy: 'min-h-12 px-5 text-bench gap-2.5',
} as const;

interface ButtonProps extends ComponentProps<'button'> {
  readonly look?: keyof typeof looks;
  readonly size?: keyof typeof sizes;
  /** Renders its child, a link, with the look of a button. */
  readonly asChild?: boolean;
}

export function Button({ look = 'plain', size = 'dense', asChild, className = '', ...rest }: ButtonProps) {
  const Element = asChild ? Slot.Root : 'button';
  return (
    <Element
      {...(asChild ? {} : { type: 'button' as const })}
      className={`inline-flex items-center justify-center rounded-edge border font-semibold whitespace-nowrap transition-colors disabled:border-rule disabled:bg-transparent disabled:text-soft ${looks[look]} ${sizes[size]} ${className}`}
      {...rest}
    />
  );
}

/** A key or keys that do the same, shown where they act. */
export function Keys({ children }: { readonly children: string }) {
  return <kbd className="mono ml-1 text-note font-normal">{children}</kbd>;
}
