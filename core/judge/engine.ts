/** Name and version of the judging engine; it changes whenever a report could. */
export const ENGINE = 'didaktor-core/0.28.0';
