import { randomUUID } from 'node:crypto';
import { execFile } from 'node:child_process';
import { Agent, request } from 'node:http';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';

/** How long each of many requests took. */
export interface Loaded {
  /** Answers a second. */
  readonly rate: number;
  /** ms. */
  readonly p50: number;
  readonly p99: number;
  readonly failed: number;
}

/** One request. */
export interface Ask {
  readonly method: 'GET' | 'POST';
  readonly url: string;
  /** A point that is stamped: a new change each time. */
  readonly stamps?: string;
  readonly headers?: Readonly<Record<string, string>>;
}

/**
 * Asks over so many connections, each again as soon as it was answered, for so long. In a process of its own: what asks
 * does not stand in the way of what answers.
 */
export async function load(ask: Ask, connections: number, seconds: number): Promise<Loaded> {
  const own = fileURLToPath(import.meta.url);
  const args = ['--import', 'tsx', own, JSON.stringify([ask, connections, seconds])];
  const { stdout } = await promisify(execFile)(process.execPath, args);
  return JSON.parse(stdout) as Loaded;
}

async function loadHere(ask: Ask, connections: number, seconds: number): Promise<Loaded> {
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const took: number[] = [];
  let failed = 0;
  const until = performance.now() + seconds * 1000;
  const one = async (): Promise<void> => {
    while (performance.now() < until) {
      const started = performance.now();
      const status = await send(ask, agent).catch(() => 0);
      took.push(performance.now() - started);
      if (status < 200 || status > 399) failed++;
    }
  };
  const started = performance.now();
  await Promise.all(Array.from({ length: connections }, one));
  const elapsed = (performance.now() - started) / 1000;
  agent.destroy();
  took.sort((a, b) => a - b);
  const at = (share: number): number => took[Math.min(took.length - 1, Math.floor(share * took.length))] ?? 0;
  return { rate: took.length / elapsed, p50: at(0.5), p99: at(0.99), failed };
}

function send({ method, url, stamps, headers = {} }: Ask, agent: Agent): Promise<number> {
  const text = stamps === undefined ? '' : JSON.stringify(stampOf(stamps));
  return new Promise((resolve, reject) => {
    const call = request(
      url,
      {
        method,
        agent,
        headers: {
          ...headers,
          ...(text && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
        },
      },
      (answer) => {
        answer.on('data', () => undefined);
        answer.on('end', () => resolve(answer.statusCode ?? 0));
      },
    );
    call.on('error', reject);
    call.end(text);
  });
}

/** A stamp of a point, as a change of its own. */
const stampOf = (pointId: string) => ({
  changeId: randomUUID(),
  by: 'BN',
  change: { kind: 'stamp', stamp: { id: randomUUID(), pointId, step: 'tug', fingerprint: {} } },
  expects: [],
});

const [, script, given] = process.argv;
if (script === fileURLToPath(import.meta.url) && given)
  console.log(JSON.stringify(await loadHere(...(JSON.parse(given) as [Ask, number, number]))));
