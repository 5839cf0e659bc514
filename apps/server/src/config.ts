import { parseArgs } from 'node:util';
import path from 'node:path';
import { StartProblem } from './db/directoryLock.ts';
import type { SimulatorPorts } from './simulators/start.ts';

function portFrom(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new StartProblem(`“${text}” is no port. Choose a whole number from 1 to 65535.`);
  return port;
}

/** Beyond this machine there are no accounts yet: whoever starts it so has to say that this is meant. */
function trusting(host: string, trustNetwork: boolean): boolean {
  if (trustNetwork || /^(?:localhost|127(?:\.\d{1,3}){3}|::1)$/.test(host)) return trustNetwork;
  throw new StartProblem(
    `On ${host}, everybody who reaches this machine could read and change all jobs, and write to devices: there are no accounts. If that is meant, on a network of your own, add --trust-network.`,
  );
}

/** @throws StartProblem when it is neither a directory nor the address of a PostgreSQL server. */
export function databaseFrom(address: string | undefined, data: string | undefined): Config['database'] {
  if (address) {
    if (/^postgres(?:ql)?:\/\/./.test(address) && URL.canParse(address)) return { address };
    // An address may hold a password: it is not repeated.
    throw new StartProblem(
      'What --database or KEYPOST_DATABASE says is no address of a PostgreSQL server. Write it as postgres://USER@HOST:PORT/DATABASE.',
    );
  }
  if (!data) throw new StartProblem('Say where the data lies with --data DIRECTORY, or --database ADDRESS.');
  return { directory: path.resolve(data) };
}

export interface Config {
  readonly host: string;
  readonly port: number;
  /** Where the data is: a directory of this machine, or a PostgreSQL server. */
  readonly database: { readonly directory: string } | { readonly address: string };
  readonly demo: boolean;
  /** Where the simulated partners of the demo answer. */
  readonly simulators: SimulatorPorts;
  readonly web?: string;
  /** Where the interface is served from while it is developed; only that page may then call from elsewhere. */
  readonly devOrigin?: string;
  /** Others of the network may reach it. */
  readonly trustNetwork: boolean;
}

/**
 * Reads the options that the keypost command hands on, and the environment.
 * @throws StartProblem with a sentence for an unusable option.
 */
export function readConfig(args: string[], env: NodeJS.ProcessEnv): Config {
  const { values } = parseArgs({
    args,
    options: {
      host: { type: 'string', default: env.KEYPOST_HOST ?? '127.0.0.1' },
      port: { type: 'string', default: env.KEYPOST_PORT ?? '4070' },
      data: { type: 'string' },
      database: { type: 'string' },
      web: { type: 'string' },
      demo: { type: 'boolean', default: false },
      'trust-network': { type: 'boolean', default: false },
      'iolink-port': { type: 'string', default: env.KEYPOST_IOLINK_PORT },
      'modbus-port': { type: 'string', default: env.KEYPOST_MODBUS_PORT },
      'rtu-port': { type: 'string', default: env.KEYPOST_RTU_PORT },
      'bench-port': { type: 'string', default: env.KEYPOST_BENCH_PORT },
    },
  });
  const port = portFrom(values.port);
  // The partners stand beside the server's own port, so that two demos on one machine do not meet.
  const beside = (text: string | undefined, offset: number): number =>
    text === undefined ? (port + offset <= 65535 ? port + offset : port - offset) : portFrom(text);
  return {
    host: values.host,
    port,
    database: databaseFrom(values.database ?? env.KEYPOST_DATABASE, values.data),
    demo: values.demo,
    simulators: {
      ioLink: beside(values['iolink-port'], 11),
      modbusTcp: beside(values['modbus-port'], 12),
      modbusRtu: beside(values['rtu-port'], 13),
      bench: beside(values['bench-port'], 14),
    },
    web: values.web && path.resolve(values.web),
    devOrigin: env.KEYPOST_DEV_ORIGIN,
    trustNetwork: trusting(values.host, values['trust-network']),
  };
}
