import process from 'node:process';
import { checkNode } from './node-version.mjs';

checkNode();

const HELP = `Key Post, for controls technicians

  ./keypost demo    install, build, fill a data directory of its own with the demo job, and serve it
  ./keypost start   the same on your own data directory, without the demo
  ./keypost dev     serve with the interface rebuilt as files change
  ./keypost test    types, lint, unit and browser tests; ends with "N passed, N failed"
  ./keypost bench   measurements, printed as ratios; ./keypost bench siege [MINUTES] has everything come at once
  ./keypost move --from DIRECTORY --to postgres://…
                    move all data to an empty database of a PostgreSQL server, or back, and compare
  ./keypost backup FILE [--port PORT]
                    everything that a running Key Post keeps, in one file; of one that does not run with --data DIRECTORY
  ./keypost restore FILE --data DIRECTORY
                    put it back into an empty directory, counted and compared
  ./keypost status [--port PORT]
                    say whether one runs on this machine, and with how many jobs
  ./keypost check FILE [--json]
                    read a job file and print each point's verdict, states and readings;
                    exit 0 all can work, 1 a point cannot, 2 the file is bad

Options of demo, start and dev      Environment       Default
  --port PORT                       KEYPOST_PORT      4070
  --host HOST                       KEYPOST_HOST      127.0.0.1
  --trust-network                                     with --host beyond this machine: whoever reaches it may
                                                      read and change all jobs, and write to devices
  --data DIRECTORY                  KEYPOST_DATA      ~/.local/share/keypost/demo or …/own
  --database ADDRESS                KEYPOST_DATABASE  none: postgres://USER@HOST:PORT/DATABASE of a PostgreSQL
                                                      server, which several of these may share, in place of --data
  --iolink-port PORT                KEYPOST_IOLINK_PORT   port + 11: simulated IO-Link master of the demo
  --modbus-port PORT                KEYPOST_MODBUS_PORT   port + 12: simulated power monitor, Modbus TCP
  --rtu-port PORT                   KEYPOST_RTU_PORT      port + 13: the same in RTU frames over TCP
  --bench-port PORT                 KEYPOST_BENCH_PORT    port + 14: simulated bench source
`;

const COMMANDS = {
  demo: async (args) => (await import('./serve.mjs')).serve('demo', args),
  start: async (args) => (await import('./serve.mjs')).serve('own', args),
  dev: async (args) => (await import('./serve.mjs')).develop(args),
  test: async () => (await import('./test.mjs')).test(),
  bench: async (args) => (await import('./bench.mjs')).bench(args),
  move: async (args) => (await import('./move.mjs')).move(args),
  backup: async (args) => (await import('./backup.mjs')).backup('backup', args),
  restore: async (args) => (await import('./backup.mjs')).backup('restore', args),
  status: async (args) => (await import('./backup.mjs')).backup('status', args),
  check: async (args) => (await import('./check.mjs')).check(args),
};

const [name, ...args] = process.argv.slice(2);
if (!name || name === '--help' || name === '-h' || name === 'help') {
  console.log(HELP);
} else if (!Object.hasOwn(COMMANDS, name)) {
  console.error(
    `There is no command “${name}”. Use one of: ${Object.keys(COMMANDS).join(', ')}. See ./keypost --help.`,
  );
  process.exit(2);
} else if (args.includes('--help') || args.includes('-h')) {
  console.log(HELP);
} else {
  try {
    await COMMANDS[name](args);
  } catch (error) {
    console.error(error.friendly ? error.message : error);
    process.exit(1);
  }
}
