import { describe, expect, test } from 'vitest';
import { clientOf } from './client-address.mjs';

const asks = (remoteAddress: string, forwarded?: string, proto?: string) => ({
  remoteAddress,
  headers: { 'x-forwarded-for': forwarded, 'x-forwarded-proto': proto },
});

describe('the address of whoever asks', () => {
  test.each([
    ['is that of the socket', asks('10.0.0.7'), [], '10.0.0.7'],
    ['is the same whichever protocol it comes by', asks('::ffff:10.0.0.7'), [], '10.0.0.7'],
    ['is not what a stranger writes', asks('10.0.0.7', '1.2.3.4'), [], '10.0.0.7'],
    [
      'is not what a stranger writes beside named proxies',
      asks('10.0.0.7', '1.2.3.4'),
      ['10.0.0.1'],
      '10.0.0.7',
    ],
    ['is what a named proxy says', asks('10.0.0.1', '10.0.0.7'), ['10.0.0.1'], '10.0.0.7'],
    [
      'is the one before the proxies, not what its client wrote',
      asks('10.0.0.1', '6.6.6.6, 10.0.0.7, 10.0.0.2'),
      ['10.0.0.1', '10.0.0.2'],
      '10.0.0.7',
    ],
    ['is the proxy’s own when it says nothing', asks('10.0.0.1'), ['10.0.0.1'], '10.0.0.1'],
  ])('%s', (_, request, proxies, address) => {
    expect(clientOf(request, proxies).address).toBe(address);
  });

  test('came over TLS only when a named proxy says so', () => {
    expect(clientOf(asks('10.0.0.7', undefined, 'https'), []).isSecure).toBe(false);
    expect(clientOf(asks('10.0.0.1', '10.0.0.7', 'https'), ['10.0.0.1']).isSecure).toBe(true);
    expect(clientOf(asks('10.0.0.1', '10.0.0.7', 'http'), ['10.0.0.1']).isSecure).toBe(false);
  });
});
