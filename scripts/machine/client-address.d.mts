export function plainAddress(address: string | undefined): string;
export function clientOf(
  request: {
    readonly remoteAddress: string | undefined;
    readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  },
  proxies: readonly string[],
): { readonly address: string; readonly isSecure: boolean };
