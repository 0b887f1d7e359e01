'use client';

import { useEffect } from 'react';
import { PAGE_ANSWERS } from './early-input';

/** Tells the document that the page around it answers. It stands where the page stands: a layout answers earlier. */
export function PageAnswers() {
  useEffect(() => {
    // Once everything that came with the page listens.
    const timer = setTimeout(() => document.dispatchEvent(new Event(PAGE_ANSWERS)));
    return () => clearTimeout(timer);
  }, []);
  return null;
}
