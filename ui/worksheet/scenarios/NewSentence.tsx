'use client';

import { useRef, useState } from 'react';
import type { Result } from '@/core/result';
import { Button } from '../../design/Button';
import { Problem } from '../../design/Problem';

interface NewSentenceProps<Read> {
  readonly label: string;
  readonly placeholder: string;
  /** What the button says that takes the sentence. */
  readonly submit: string;
  readonly read: (text: string) => Result<Read>;
  readonly onAdd: (read: Read) => void;
  /** Whether whoever writes goes on here. */
  readonly isNext?: boolean;
  /** What an empty line leads to. */
  readonly onLeave?: () => void;
  /** Sentences that may be meant, to be taken and changed. */
  readonly proposed?: readonly string[];
}

/** A line in which a stimulus or an expectation is written as a sentence. */
export function NewSentence<Read>({
  label,
  placeholder,
  submit,
  read,
  onAdd,
  isNext = false,
  onLeave,
  proposed = [],
}: NewSentenceProps<Read>) {
  const line = useRef<HTMLTextAreaElement>(null);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  return (
    <form
      className="mt-1 flex items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') {
          onLeave?.();
          return;
        }
        const sentence = read(text);
        if (!sentence.ok) {
          setProblem(sentence.problems[0]!.message);
          return;
        }
        setProblem(undefined);
        setText('');
        onAdd(sentence.value);
      }}
    >
      <div className="min-w-0 flex-1">
        <textarea
          ref={line}
          rows={1}
          value={text}
          autoFocus={isNext}
          aria-label={label}
          aria-invalid={problem ? true : undefined}
          placeholder={placeholder}
          onChange={(event) => setText(event.target.value.replace(/\s*\n\s*/g, ' '))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
            event.preventDefault();
            event.currentTarget.form?.requestSubmit();
          }}
          className="mono block field-sizing-content w-full resize-none border-b border-rule-strong bg-transparent py-1 placeholder:text-soft"
        />
        <Problem className="mt-2 text-note">{problem}</Problem>
        {text === '' && proposed.length > 0 && (
          <p className="mt-1 -ml-1.5 flex flex-wrap items-center gap-x-1 text-note text-soft">
            <span className="px-1.5">Say what must be seen, such as</span>
            {proposed.map((sentence) => (
              <Button
                key={sentence}
                look="quiet"
                size="small"
                className="font-normal whitespace-normal"
                onClick={() => {
                  setText(sentence);
                  line.current?.focus();
                }}
              >
                {sentence}
              </Button>
            ))}
          </p>
        )}
      </div>
      {text.trim() !== '' && (
        <Button type="submit" className="min-h-8">
          {submit}
        </Button>
      )}
    </form>
  );
}
