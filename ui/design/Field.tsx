import { useId, type ComponentProps } from 'react';

interface FieldProps extends ComponentProps<'input'> {
  readonly label: string;
  readonly hint?: string;
  readonly problem?: string;
}

/** A labelled line to write on. */
export function Field({ label, hint, problem, className = '', ...rest }: FieldProps) {
  const id = useId();
  const notes = [hint ? `${id}-hint` : '', problem ? `${id}-problem` : ''].filter(Boolean).join(' ');
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        aria-describedby={notes || undefined}
        aria-invalid={problem ? true : undefined}
        className="min-h-12 w-full border border-rule-strong bg-card px-3 text-bench placeholder:text-soft aria-invalid:border-fault"
        {...rest}
      />
      {hint && (
        <span id={`${id}-hint`} className="text-note text-soft">
          {hint}
        </span>
      )}
      {problem && (
        <span id={`${id}-problem`} className="text-note font-semibold text-fault" role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}
