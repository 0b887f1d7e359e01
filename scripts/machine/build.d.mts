export function buildProcesses(): void;
export function buildIfChanged(): void;
