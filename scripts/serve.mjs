import os from 'node:os';
import path from 'node:path';
import process from 'node:process';
import { parseArgs } from 'node:util';
import { build, Friendly, install, ROOT, runOn } from './steps.mjs';

const OPTIONS = ['port', 'host', 'data', 'database', 'iolink-port', 'modbus-port', 'rtu-port', 'bench-port'];

/** Others of the network may reach it. */
const TRUST = 'trust-network';

function options(args) {
  try {
    const { values } = parseArgs({
      args,
      options: {
        ...Object.fromEntries(OPTIONS.map((name) => [name, { type: 'string' }])),
        [TRUST]: { type: 'boolean' },
      },
    });
    return values;
  } catch (error) {
    throw new Friendly(
      `${error.message.split('. ')[0]}. Known options: ${[...OPTIONS, TRUST].map((name) => `--${name}`).join(', ')}.`,
    );
  }
}

function serverArguments(kind, { port, host, data, database, [TRUST]: trust, ...partners }) {
  const base = process.env.XDG_DATA_HOME ?? path.join(os.homedir(), '.local/share');
  const chosen = data ?? process.env.KEYPOST_DATA ?? path.join(base, 'keypost', kind);
  return [
    'apps/server/src/main.ts',
    '--data',
    path.resolve(process.env.KEYPOST_CALLED_FROM ?? ROOT, chosen),
    '--web',
    path.join(ROOT, 'apps/app/dist'),
    ...(database ? ['--database', database] : []),
    ...(port ? ['--port', port] : []),
    ...(host ? ['--host', host] : []),
    ...(trust ? [`--${TRUST}`] : []),
    ...Object.entries(partners).flatMap(([name, value]) => [`--${name}`, value]),
    ...(kind === 'demo' ? ['--demo'] : []),
  ];
}

/** Serves the built interface and the data of its kind, `demo` or `own`. */
export async function serve(kind, args) {
  const given = options(args);
  await install();
  await build();
  process.exit(await runOn(process.execPath, ['scripts/oneFile.mjs', ...serverArguments(kind, given)]));
}

/** Serves the demo's data and, beside it, the interface as it is written. */
export async function develop(args) {
  const given = options(args);
  await install();
  const port = given.port ?? process.env.KEYPOST_PORT ?? '4070';
  console.log(`The interface answers at http://localhost:8081 and asks the server on port ${port}.`);
  const server = runOn(process.execPath, ['--watch', '--import', 'tsx', ...serverArguments('demo', given)], {
    KEYPOST_DEV_ORIGIN: 'http://localhost:8081',
  });
  const web = runOn(
    'npm',
    ['exec', '--workspace', '@keypost/app', '--', 'expo', 'start', '--web', '--port', '8081'],
    {
      EXPO_OFFLINE: '1',
      EXPO_NO_TELEMETRY: '1',
      EXPO_PUBLIC_API: `http://127.0.0.1:${port}`,
    },
  );
  process.exit(await Promise.race([server, web]));
}
