// Who asks, and whether over TLS: from the socket, and from what a proxy says only when that proxy is named.

/** An address as it is compared: an IPv4 one that comes by IPv6 is the IPv4 one. */
export const plainAddress = (address) => (address ?? '').replace(/^::ffff:(?=\d+\.\d+\.\d+\.\d+$)/i, '');

/**
 * The address of whoever asks, and whether the way to the first proxy was encrypted. `proxies` are the addresses
 * of the proxies in front; what anybody else writes into the forwarding headers is not believed.
 */
export function clientOf({ remoteAddress, headers }, proxies) {
  const direct = plainAddress(remoteAddress);
  if (!proxies.includes(direct)) return { address: direct, isSecure: false };
  const way = String(headers['x-forwarded-for'] ?? '')
    .split(',')
    .map((address) => plainAddress(address.trim()))
    .filter((address) => address !== '');
  return {
    // From the nearest to the farthest: the first one that is no proxy is the client.
    address: way.findLast((address) => !proxies.includes(address)) ?? direct,
    isSecure: headers['x-forwarded-proto'] === 'https',
  };
}
