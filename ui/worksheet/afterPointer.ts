let isDown = false;

if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', () => (isDown = true), { capture: true });
  for (const end of ['pointerup', 'pointercancel'] as const)
    window.addEventListener(end, () => (isDown = false), { capture: true });
}

/**
 * Runs `act` when no pointer is down. What gives way under a finger that has come down, as a line that
 * closes when it is left, would make it go up over something else.
 */
export function afterPointer(act: () => void): void {
  if (isDown) window.addEventListener('pointerup', () => setTimeout(act), { once: true });
  else act();
}
