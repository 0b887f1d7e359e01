import type { Page } from 'playwright-core';

/** What a way through the product took. */
export interface Taken {
  readonly keys: number;
  readonly taps: number;
  readonly seconds: number;
}

export function published(page: Page): Promise<Taken>;
export function printed(page: Page): Promise<Taken>;
