/** Told to the document once the page answers; what was kept until then is done now. */
export const PAGE_ANSWERS = 'page-answers';

/**
 * Keeps what is pressed and sent before the scripts of a page have come, shows that it waits, and does it once the
 * document is told `pageAnswers`, in the same order and each once, with what has been typed until then told first. Links,
 * and forms that have an action, need no script.
 *
 * It stands in the page itself, as the text of this function: it can use nothing but what it is given.
 */
export function keepEarlyInput(pageAnswers: string): void {
  const kept = new Map<HTMLElement, () => void>();

  const keep = (pressed: HTMLElement, again: () => void): void => {
    if (!kept.has(pressed)) kept.set(pressed, again);
    pressed.setAttribute('aria-busy', 'true');
  };

  // Menus and tabs answer to the way down, all others to the click.
  const press = (button: HTMLElement): void => {
    const how = { bubbles: true, cancelable: true, button: 0 };
    const pointer = { ...how, pointerType: 'mouse', isPrimary: true };
    button.dispatchEvent(new PointerEvent('pointerdown', pointer));
    button.dispatchEvent(new MouseEvent('mousedown', how));
    button.dispatchEvent(new PointerEvent('pointerup', pointer));
    button.dispatchEvent(new MouseEvent('mouseup', how));
    button.click();
  };

  // A page takes note of changes only, so the field is another for a moment.
  const tellAgain = (field: HTMLInputElement | HTMLTextAreaElement): void => {
    const { value, defaultValue } = field;
    const prototype = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(prototype.prototype, 'value')?.set;
    for (const next of [defaultValue, value]) {
      set?.call(field, next);
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }
  };

  const buttonAt = (place: EventTarget | null): HTMLButtonElement | null =>
    place instanceof Element ? place.closest('button') : null;

  const onClick = ({ target }: MouseEvent): void => {
    const button = buttonAt(target);
    if (button && !(button.type === 'submit' && button.form)) keep(button, () => press(button));
  };

  // A button that waits for words does not know of those that stand there already.
  const onPointer = ({ target }: PointerEvent): void => {
    const button = buttonAt(target);
    if (button?.disabled) keep(button, () => button.click());
  };

  const onKey = (event: KeyboardEvent): void => {
    const { key, ctrlKey, metaKey, target } = event;
    const called =
      (ctrlKey || metaKey) &&
      document.querySelector(`button[aria-keyshortcuts='Control+${key.toUpperCase()}']`);
    const ofForm =
      key === 'Enter' && target instanceof HTMLInputElement
        ? target.form?.querySelector('button:disabled:not([type="button"])')
        : undefined;
    const button = buttonAt(called || ofForm || null);
    if (!button) return;
    event.preventDefault();
    keep(button, () => button.click());
  };

  const onSubmit = (event: SubmitEvent): void => {
    const { target: form, submitter } = event;
    if (!(form instanceof HTMLFormElement) || form.hasAttribute('action')) return;
    event.preventDefault();
    keep(submitter ?? form, () => form.requestSubmit(submitter));
  };

  const listening = new AbortController();
  const early = { capture: true, signal: listening.signal };
  document.addEventListener('click', onClick, early);
  document.addEventListener('pointerup', onPointer, early);
  document.addEventListener('keydown', onKey, early);
  document.addEventListener('submit', onSubmit, early);

  const doAll = (): void => {
    listening.abort();
    // What a field shows and the server did not give it, nothing else knows of yet.
    for (const field of document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(
      "input:not([type='file'], [type='checkbox'], [type='radio']), textarea",
    ))
      if (field.value !== field.defaultValue) tellAgain(field);
    for (const [pressed, again] of kept)
      // Each finds the page as the one before has left it.
      setTimeout(() => {
        pressed.removeAttribute('aria-busy');
        if (pressed.isConnected) again();
      });
  };
  document.addEventListener(pageAnswers, doAll, { once: true });
}
