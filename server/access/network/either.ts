import type { Server as HttpServer } from 'node:http';
import type { Server as TlsServer } from 'node:https';
import { createServer, type Server } from 'node:net';

/** The first byte of a TLS handshake (RFC 8446, content type 22). */
const HANDSHAKE = 22;
const SILENT_MS = 30_000;

/**
 * One port for both: a connection that begins with a TLS handshake is given to the one server, any other to the other.
 * A phone that is to be added comes by HTTP first, as it does not trust the certificate yet.
 */
export function eitherServer(plain: HttpServer, secure: TlsServer): Server {
  return createServer({ pauseOnConnect: true }, (socket) => {
    socket.setTimeout(SILENT_MS, () => socket.destroy());
    socket.on('error', () => socket.destroy());
    socket.once('readable', () => {
      const first = socket.read(1) as Buffer | null;
      if (first === null) return void socket.destroy();
      socket.setTimeout(0);
      socket.unshift(first);
      (first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
    });
  });
}
