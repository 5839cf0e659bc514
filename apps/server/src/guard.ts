import fastifyHelmet from '@fastify/helmet';
import { say } from '@keypost/core/messages';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { Refusal } from './problems.ts';

/** Who may call a server. */
export interface Callers {
  /** Another page that may call, while the interface is developed there. */
  readonly devOrigin?: string;
  /** Whoever reaches this machine may call it, not only the machine itself. */
  readonly trustNetwork?: boolean;
}

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Lets only pages and programs call that mean this server. A page of somebody else's that a browser here has open can
 * send requests too: under a name that was made to lead here, or with its own origin; both are seen by what the browser
 * says of itself (RFC 9110, 7.2; Fetch, 3.2).
 */
export async function guard(
  app: FastifyInstance,
  { devOrigin, trustNetwork = false }: Callers,
): Promise<void> {
  await app.register(fastifyHelmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        // WebAssembly only of our own files: the integer programming solver.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // The interface writes its styles while it runs.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    // It answers on plain HTTP, on this machine or network.
    hsts: false,
    xFrameOptions: { action: 'deny' },
  });
  // Forms and plain text are what a foreign page may post without asking.
  app.removeContentTypeParser('text/plain');
  app.addHook('onRequest', async (request) => {
    if (!isOurName(request.headers.host ?? '', trustNetwork))
      throw new Refusal(
        421,
        say('service.foreign-name', { name: (request.headers.host ?? '').slice(0, 80) }),
      );
    if (!isOurPage(request, devOrigin)) throw new Refusal(403, say('service.foreign-page'));
  });
}

/** Whether a request was made to a name that can only mean this machine. */
function isOurName(host: string, trustNetwork: boolean): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase();
  if (LOOPBACK.has(name)) return true;
  if (!trustNetwork) return false;
  const own = hostname().toLowerCase();
  const bare = name.replace(/^\[|\]$/g, '');
  return isIP(bare) !== 0 || name === own || name === `${own.split('.')[0]}.local`;
}

/** Whether a page that calls was served by this server; programs say nothing of a page. */
function isOurPage({ headers }: FastifyRequest, devOrigin: string | undefined): boolean {
  const { origin } = headers;
  if (origin !== undefined) return origin === devOrigin || origin === `http://${headers.host}`;
  const site = headers['sec-fetch-site'];
  // A link may lead here from anywhere; what it opens has no hold over the page.
  return (
    site === undefined ||
    site === 'same-origin' ||
    site === 'none' ||
    headers['sec-fetch-mode'] === 'navigate'
  );
}
