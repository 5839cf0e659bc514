import { createServer } from 'node:net';
import { StartProblem } from './db/directoryLock.ts';

/** Makes sure that a port can be had before anything slow is begun. @throws StartProblem when it cannot. */
export function claimPort(host: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', ({ code }: NodeJS.ErrnoException) =>
      reject(new StartProblem(sentence(host, port, code))),
    );
    probe.listen(port, host, () => probe.close(() => resolve()));
  });
}

function sentence(host: string, port: number, code: string | undefined): string {
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${port} is taken by another program. Choose another with --port.`;
    case 'EACCES':
      return `Port ${port} may not be used by this account. Choose one above 1023 with --port.`;
    default:
      return `Nothing can listen on ${host} (${code}). Choose an address of this machine with --host.`;
  }
}
