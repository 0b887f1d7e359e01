export function buildGuard(): void;
export function buildIfChanged(): void;
