import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';

/** Frames of Modbus TCP that answer nothing: another transaction, another unit. */
const frames = Buffer.alloc(64 * 1024);
for (let at = 0; at + 12 <= frames.length; at += 12)
  frames.set([at & 255, 7, 0, 0, 0, 6, 9, 3, 3, at & 255, 1, 2], at);

// A partner, in a process of its own, that sends them as fast as they are taken.
const server = createServer((socket) => {
  socket.on('error', () => undefined);
  const more = (): void => {
    while (!socket.destroyed && socket.write(frames));
  };
  socket.on('drain', more);
  more();
});
server.listen(0, '127.0.0.1', () => console.log((server.address() as AddressInfo).port));
