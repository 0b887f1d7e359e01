// The web process: node scripts/web.mjs --host ADDRESS --port N. DIDAKTOR_PROXIES names proxies in front, by comma.
import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { clientOf } from './machine/client-address.mjs';

const { values } = parseArgs({
  options: { host: { type: 'string', default: '127.0.0.1' }, port: { type: 'string', default: '4170' } },
});
const port = Number(values.port);
const proxies = (process.env.DIDAKTOR_PROXIES ?? '')
  .split(',')
  .map((address) => address.trim())
  .filter((address) => address !== '');

const app = next({ dev: false, hostname: values.host, port });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => {
  const { address, isSecure } = clientOf(
    { remoteAddress: request.socket.remoteAddress, headers: request.headers },
    proxies,
  );
  // The application reads these two and no other; whatever came under their names is overwritten.
  request.headers['x-didaktor-address'] = address;
  request.headers['x-didaktor-secure'] = isSecure ? '1' : '0';
  void handle(request, response);
});
server.on('error', (error) => {
  console.error(`The web process cannot listen on ${values.host}, port ${port}: ${error.message}`);
  process.exit(1);
});
server.listen(port, values.host);

function leave() {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 3000).unref();
}
process.on('SIGTERM', leave);
process.on('SIGINT', leave);
