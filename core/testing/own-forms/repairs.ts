import type { Finding } from '../../findings/finding';
import { applyTextEdit } from '../../program/problem';

/** A program with all repairs of these causes made, from the end. */
export const withRepairs = (source: string, causes: readonly Finding[]): string =>
  causes
    .flatMap(({ repair }) => repair?.edits ?? [])
    .flatMap((edit) => ('replace' in edit ? [edit.replace] : []))
    .sort((one, other) => other.line - one.line || other.column - one.column)
    .reduce(applyTextEdit, source);
