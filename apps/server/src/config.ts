import { parseArgs } from 'node:util';
import path from 'node:path';
import { StartProblem } from './db/directoryLock.ts';

export interface Config {
  readonly host: string;
  readonly port: number;
  readonly data: string;
  readonly demo: boolean;
  readonly web?: string;
  /** Where the interface is served from while it is developed; only that page may then call from elsewhere. */
  readonly devOrigin?: string;
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
      web: { type: 'string' },
      demo: { type: 'boolean', default: false },
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new StartProblem(`“${values.port}” is no port. Choose a whole number from 1 to 65535.`);
  if (!values.data) throw new StartProblem('Say where the data lies with --data DIRECTORY.');
  return {
    host: values.host,
    port,
    data: path.resolve(values.data),
    demo: values.demo,
    web: values.web && path.resolve(values.web),
    devOrigin: env.KEYPOST_DEV_ORIGIN,
  };
}
