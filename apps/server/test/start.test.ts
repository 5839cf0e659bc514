import { jobProgress } from '@keypost/core/proving';
import { emptyJob } from '@keypost/core/model';
import { writeJobFile } from '@keypost/core/jobFile';
import { spawn, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { claimPort } from '../src/claimPort.ts';
import { readConfig } from '../src/config.ts';
import { openDatabase } from '../src/db/database.ts';
import { lockDirectory, StartProblem } from '../src/db/directoryLock.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { startSentence } from '../src/startSentence.ts';
import { freePort } from './freePort.ts';

const ROOT = path.resolve(__dirname, '../../..');
const MIGRATIONS = path.join(ROOT, 'apps/server/src/db/migrations');
let folder: string;
beforeEach(() => (folder = mkdtempSync(path.join(os.tmpdir(), 'keypost-start-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe('options', () => {
  test('come from the command, then from the environment, then from the house', () => {
    const none = readConfig(['--data', folder], {});
    expect(none).toEqual({
      host: '127.0.0.1',
      port: 4070,
      database: { directory: folder },
      demo: false,
      simulators: { ioLink: 4081, modbusTcp: 4082, modbusRtu: 4083, bench: 4084 },
      web: undefined,
      devOrigin: undefined,
      trustNetwork: false,
    });
    const env = { KEYPOST_PORT: '5000', KEYPOST_HOST: '::1' };
    expect(readConfig(['--data', folder], env)).toMatchObject({ host: '::1', port: 5000 });
    expect(readConfig(['--data', folder, '--port', '6000', '--demo'], env)).toMatchObject({
      port: 6000,
      demo: true,
      simulators: { ioLink: 6011, modbusTcp: 6012, modbusRtu: 6013, bench: 6014 },
    });
    const named = { KEYPOST_MODBUS_PORT: '5502' };
    expect(readConfig(['--data', folder, '--iolink-port', '9001'], named).simulators).toEqual({
      ioLink: 9001,
      modbusTcp: 5502,
      modbusRtu: 4083,
      bench: 4084,
    });
  });

  test.each(['0.0.0.0', '192.0.2.7', '::', 'panel.example'])(
    'an address beyond this machine, such as %s, is refused until it is said that it is meant',
    (host) => {
      expect(() => readConfig(['--data', folder, '--host', host], {})).toThrow(
        /no accounts.*--trust-network/,
      );
      const args = ['--data', folder, '--host', host, '--trust-network'];
      expect(readConfig(args, {})).toMatchObject({ host, trustNetwork: true });
    },
  );

  test.each(['0', '70000', 'abc', '80.5'])('port %s is refused', (port) => {
    expect(() => readConfig(['--data', folder, '--port', port], {})).toThrow(/is no port/);
  });

  test('a directory must be named, or a PostgreSQL server', () => {
    expect(() => readConfig([], {})).toThrow(/Say where the data lies/);
    const address = 'postgres://keypost@db.example:5432/site';
    expect(readConfig(['--database', address], {})).toMatchObject({ database: { address } });
    const env = { KEYPOST_DATABASE: address };
    expect(readConfig(['--data', folder], env)).toMatchObject({ database: { address } });
    for (const wrong of ['db.example', 'http://db.example/site', 'postgres://'])
      expect(() => readConfig(['--database', wrong], {})).toThrow(/postgres:\/\/USER@HOST:PORT\/DATABASE/);
  });
});

describe('the data directory', () => {
  const held = (directory: string): string[] =>
    readdirSync(directory).filter((name) => name.startsWith('in-use'));

  test('is claimed, given back, and claimed again', () => {
    const directory = path.join(folder, 'new', 'deep');
    for (const number of [1, 2, 3]) {
      const unlock = lockDirectory(directory);
      expect(held(directory)).toEqual([`in-use.${number}`]);
      unlock();
    }
  });

  test('that was copied opens elsewhere, while the other is in use', () => {
    const [first, copy] = [path.join(folder, 'first'), path.join(folder, 'copy')];
    mkdirSync(first);
    const claim = { pid: process.ppid, host: os.hostname(), directory: String(statSync(first).ino) };
    writeFileSync(path.join(first, 'in-use.4'), JSON.stringify(claim));
    cpSync(first, copy, { recursive: true });
    expect(() => lockDirectory(first)).toThrow(/in use by another Key Post/);
    lockDirectory(copy)();
  });

  test('of a process on another machine is refused by its name', () => {
    const claim = { pid: 1, host: 'elsewhere', directory: String(statSync(folder).ino) };
    writeFileSync(path.join(folder, 'in-use.7'), JSON.stringify(claim));
    expect(() => lockDirectory(folder)).toThrow(/in use by a Key Post on elsewhere/);
  });

  test('is won by one of several that claim it at once, whatever was left there', async () => {
    const script = path.join(folder, 'claim.mts');
    const lock = path.resolve(__dirname, '../src/db/directoryLock.ts');
    writeFileSync(
      script,
      `import { lockDirectory } from ${JSON.stringify(lock)};
       const [, , directory, at] = process.argv;
       while (Date.now() < Number(at));
       try { lockDirectory(directory); console.log('won'); setTimeout(() => {}, 3000); }
       catch (error) { console.log(error.message); }`,
    );
    const { pid } = spawnSync(process.execPath, ['-e', '0']);
    for (let round = 0; round < 3; round++) {
      const directory = path.join(folder, `round-${round}`);
      mkdirSync(directory);
      writeFileSync(path.join(directory, round === 1 ? 'in-use' : 'in-use.3'), JSON.stringify({ pid }));
      const at = String(Date.now() + 4000);
      const said = await Promise.all(
        Array.from({ length: 6 }, () => {
          const child = spawn(process.execPath, ['--import', 'tsx', script, directory, at]);
          return new Promise<string>((resolve) => {
            let text = '';
            child.stdout.on('data', (part) => (text += part));
            child.on('close', () => resolve(text));
          });
        }),
      );
      expect(said.filter((text) => text.startsWith('won'))).toHaveLength(1);
      expect(said.filter((text) => text.includes('in use by another'))).toHaveLength(5);
    }
  }, 60_000);

  test('of a process that has ended is taken over, whatever its claim looks like', () => {
    const { pid } = spawnSync(process.execPath, ['-e', '0']);
    for (const claim of [
      JSON.stringify({ pid }),
      '{"pid":',
      '',
      JSON.stringify({ pid: process.ppid, birth: '1' }),
    ]) {
      writeFileSync(path.join(folder, 'in-use'), claim);
      lockDirectory(folder)();
    }
  });

  test('of a living process is refused with its number', () => {
    writeFileSync(path.join(folder, 'in-use'), JSON.stringify({ pid: process.ppid }));
    expect(() => lockDirectory(folder)).toThrow(StartProblem);
    expect(() => lockDirectory(folder)).toThrow(new RegExp(`process ${process.ppid}`));
  });

  test('written by a newer version is refused, and an older one is brought up to date', async () => {
    const migrations = path.join(folder, 'migrations');
    spawnSync('mkdir', [migrations]);
    for (const name of readdirSync(MIGRATIONS))
      copyFileSync(path.join(MIGRATIONS, name), path.join(migrations, name));
    const later = path.join(migrations, '0099_later.sql');
    writeFileSync(later, 'create table later (id integer);');
    const data = path.join(folder, 'db');
    const db = await openDatabase({ directory: data }, migrations);
    expect((await db.query('select * from later')).rows).toEqual([]);
    await db.close();
    await expect(openDatabase({ directory: data }, MIGRATIONS)).rejects.toThrow(
      /newer Key Post \(0099_later\.sql\)/,
    );
  }, 60000);
});

test('a port is free or it is not, in a sentence', async () => {
  const port = await freePort();
  await claimPort('127.0.0.1', port);
  await expect(claimPort('203.0.113.1', port)).rejects.toThrow(/address of this machine/);
});

describe('the check command', () => {
  const check = (...args: string[]) =>
    spawnSync(process.execPath, ['scripts/oneFile.mjs', 'apps/server/src/check/main.ts', ...args], {
      cwd: ROOT,
      encoding: 'utf8',
    });

  test('prints verdict, ways out, states and readings, and counts what cannot work', () => {
    const file = path.join(folder, 'job.json');
    writeFileSync(file, writeJobFile(ternRock()));
    const { status, stdout } = check(file);
    expect(status).toBe(1);
    expect(stdout).toMatch(/PX-104 {2}Hatch door shut {2}\(PLC · ch 2, %IX0\.2\)\n {2}cannot: Group mixed/);
    expect(stdout).toMatch(/to change: Put common 2 of DI 2 on 0\sV/);
    expect(stdout).toMatch(
      /Target present: sensor output on, signal 23\.0\sV, input 23\.0\sV, 6\.5\smA, LED on, bit 1/,
    );
    expect(stdout).toMatch(/expect Target present: Signal: 2\d\.\d to 2\d\.\d\sV/);
    const stopped = jobProgress(ternRock()).filter(({ verdict }) => verdict.status === 'cannot').length;
    expect(stdout.endsWith(`${stopped} of ${ternRock().points.length} points cannot work.\n`)).toBe(true);
    expect(stopped).toBeGreaterThan(5);
  });

  test('is content with a job that can work, and complains of what it cannot read', () => {
    const file = path.join(folder, 'job.json');
    writeFileSync(file, writeJobFile(emptyJob('Empty', '')));
    expect(check(file, '--json')).toMatchObject({ status: 0 });
    writeFileSync(file, readFileSync(file, 'utf8').slice(0, 60));
    expect(check(file)).toMatchObject({ status: 2, stderr: expect.stringContaining('not JSON') });
    expect(check(file, '--colour')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('no option --colour'),
    });
  });
});

test.each<[string, Error, RegExp]>([
  [
    'a full disk',
    Object.assign(new Error('write'), { code: 'ENOSPC' }),
    /disk is full.*nothing that was stored is lost/,
  ],
  [
    'a full disk, as the database says it',
    new Error('could not extend file: No space left on device'),
    /disk is full/,
  ],
  [
    'a directory of somebody else',
    Object.assign(new Error('open'), { code: 'EACCES' }),
    /cannot be written by this account/,
  ],
  [
    'a damaged database',
    new Error('PANIC: could not locate a valid checkpoint record'),
    /is damaged\. Keep the directory/,
  ],
  ['one that does not even begin', new Error('PGlite failed to initialize properly'), /is damaged/],
  ['a sentence of ours', new StartProblem('Say so.'), /^Say so\.$/],
  ['anything else', new Error('odd'), /^Key Post could not start: odd$/],
])('%s is told in a sentence', (_, error, sentence) => expect(startSentence(error)).toMatch(sentence));
