import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { chownSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { freePort } from './freePort.ts';

/** PostgreSQL does not run as root: Debian's user of that name runs it then. */
function account(): { uid?: number; gid?: number } {
  if (process.getuid?.() !== 0) return {};
  const id = (flag: string): number =>
    Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout.trim());
  return { uid: id('-u'), gid: id('-g') };
}

/** A PostgreSQL server on a port and in a directory of its own. */
export class PostgresServer {
  readonly #bin: string;
  readonly #base: string;
  readonly #port: number;
  readonly #account: { uid?: number; gid?: number };
  #child?: ChildProcess;

  private constructor(bin: string, base: string, port: number) {
    this.#bin = bin;
    this.#base = base;
    this.#port = port;
    this.#account = account();
  }

  static async start(): Promise<PostgresServer> {
    const bin = process.env.KEYPOST_POSTGRES_BIN;
    if (!bin)
      throw new Error('There is no PostgreSQL here: KEYPOST_POSTGRES_BIN says where its programs are.');
    const base = mkdtempSync(path.join(os.tmpdir(), 'keypost-postgres-'));
    const server = new PostgresServer(bin, base, await freePort());
    const { uid, gid } = server.#account;
    if (uid !== undefined && gid !== undefined) chownSync(base, uid, gid);
    const made = spawnSync(
      path.join(bin, 'initdb'),
      ['-D', server.#data, '-A', 'trust', '-U', 'keypost', '-E', 'UTF8', '--locale=C'],
      { ...server.#account, encoding: 'utf8' },
    );
    if (made.status !== 0) throw new Error(`initdb: ${made.stderr}`);
    await server.begin();
    return server;
  }

  get #data(): string {
    return path.join(this.#base, 'data');
  }

  /** Starts it, and waits until it answers. */
  async begin(): Promise<void> {
    const options = ['-D', this.#data, '-p', String(this.#port), '-k', this.#base, '-h', '127.0.0.1'];
    this.#child = spawn(path.join(this.#bin, 'postgres'), options, { ...this.#account, stdio: 'ignore' });
    for (let tries = 0; ; tries++) {
      try {
        return await ask(this.addressOf('postgres'), 'select 1');
      } catch (error) {
        if (tries > 200) throw error;
        await new Promise((done) => setTimeout(done, 50));
      }
    }
  }

  /** Ends it: `SIGINT` closes connections (a fast shutdown), `SIGQUIT` is as a crash. */
  async end(signal: NodeJS.Signals): Promise<void> {
    if (this.#child?.exitCode !== null) return;
    const ended = new Promise((done) => this.#child?.once('exit', done));
    this.#child?.kill(signal);
    await ended;
  }

  /** Ends it and takes its directory away. */
  async remove(): Promise<void> {
    await this.end('SIGINT');
    rmSync(this.#base, { recursive: true, force: true });
  }

  /** Makes an empty database. @returns its address. */
  database(name: string): Promise<string> {
    return makeDatabase(this.addressOf('postgres'), name);
  }

  /** The address of a database of it; `postgres` is there from the beginning. */
  addressOf(database: string): string {
    return `postgres://keypost@127.0.0.1:${this.#port}/${database}`;
  }
}

/** Does one thing with a database. */
async function ask(address: string, sql: string): Promise<void> {
  const client = new pg.Client(address);
  client.on('error', () => undefined);
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** Makes an empty database of a name beside another. @returns its address. */
export async function makeDatabase(beside: string, name: string): Promise<string> {
  await ask(beside, `create database "${name}"`);
  const address = new URL(beside);
  address.pathname = `/${name}`;
  return address.href;
}
