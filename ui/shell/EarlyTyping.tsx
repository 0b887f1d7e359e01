'use client';

import { useEffect } from 'react';

/**
 * Tells the page of what was typed before its scripts had come: a field shows it, and nothing else knows of it yet.
 * Such a field has another value than the server gave it.
 */
export function EarlyTyping() {
  useEffect(() => {
    // Once everything that came with the page listens.
    const timer = setTimeout(() => {
      for (const field of document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(
        "input:not([type='file'], [type='checkbox'], [type='radio']), textarea",
      ))
        if (field.value !== field.defaultValue) tellAgain(field);
    });
    return () => clearTimeout(timer);
  }, []);
  return null;
}

/** Gives a field its value once more. A page takes note of changes only, so it is another for a moment. */
function tellAgain(field: HTMLInputElement | HTMLTextAreaElement): void {
  const { value } = field;
  const prototype = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  const set = Object.getOwnPropertyDescriptor(prototype.prototype, 'value')?.set;
  for (const next of [field.defaultValue, value]) {
    set?.call(field, next);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  }
}
