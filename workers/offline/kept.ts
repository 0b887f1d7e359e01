/** Names of what a browser keeps for when there is no connection: pages, and the files that they are made of. */
export const PAGES = 'didaktor-pages';
export const FILES = 'didaktor-files';

/** What a page asks to be kept: itself, and what it has loaded. */
export interface OfflineMessage {
  readonly page: string;
  readonly urls: readonly string[];
}

/** Whether a path is that of a file whose name says its version. */
export const isFile = (path: string): boolean => path.startsWith('/_next/static/');

/** Whether a page is kept: benches, run sheets with their walls, and the way to them. */
export const isKeptPage = (path: string): boolean =>
  path === '/' || path.startsWith('/bench/') || /^\/classes\/[^/]+\/meetings\/./.test(path);
