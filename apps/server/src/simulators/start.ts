import { knownDescription } from '@keypost/core/ioLink';
import type { FastifyInstance } from 'fastify';
import type net from 'node:net';
import { claimPort } from '../claimPort.ts';
import { shippedDescription } from '../demo/shippedDescriptions.ts';
import type { ShippedName } from '../demo/shippedDescriptions.ts';
import { BenchSource, benchServer } from './benchSource.ts';
import { ioLinkJson } from './ioLinkJson.ts';
import { modbusServer } from './modbusServer.ts';
import type { SimulatedUnit } from './modbusServer.ts';
import { PowerMonitor } from './powerMonitor.ts';
import { SimulatedDevice } from './simulatedDevice.ts';
import { SimulatedMaster } from './simulatedMaster.ts';

/** Ports of this machine on which the simulated partners answer. */
export interface SimulatorPorts {
  readonly ioLink: number;
  readonly modbusTcp: number;
  readonly modbusRtu: number;
  readonly bench: number;
}

export interface Simulators {
  readonly ports: SimulatorPorts;
  readonly master: SimulatedMaster;
  readonly units: readonly SimulatedUnit[];
  readonly close: () => Promise<void>;
}

const HOST = '127.0.0.1';
/** Unit number of the power monitor, on its line and over TCP. */
const MONITOR_UNIT = 11;

const device = (name: ShippedName, serial: string): SimulatedDevice =>
  new SimulatedDevice(knownDescription(shippedDescription(name)), serial);

/** The master of the demo: three sensors, a valve island on a port of class B, two free ports. */
const demoMaster = (): SimulatedMaster =>
  new SimulatedMaster(
    [
      device('level-distance', 'D-0417'),
      device('pressure', 'P-2203'),
      device('vibration', 'V-0099'),
      undefined,
      device('valve-island', 'K-5512'),
      undefined,
    ],
    () => device('pressure', 'P-9999'),
    [5, 6],
  );

/** Starts the simulated partners on loopback. @throws StartProblem where a port is taken. */
export async function startSimulators(ports: SimulatorPorts): Promise<Simulators> {
  for (const port of Object.values(ports)) await claimPort(HOST, port);
  const master = demoMaster();
  const units: SimulatedUnit[] = [{ number: MONITOR_UNIT, memory: new PowerMonitor(), silent: false }];
  const app = ioLinkJson(master);
  const tcp = modbusServer(units, 'tcp');
  const rtu = modbusServer(units, 'rtu');
  const bench = benchServer(new BenchSource());
  await app.listen({ host: HOST, port: ports.ioLink });
  const closing = closer(tcp, rtu, bench);
  await listening(tcp, ports.modbusTcp);
  await listening(rtu, ports.modbusRtu);
  await listening(bench, ports.bench);
  return {
    ports: {
      ioLink: portOf(app),
      modbusTcp: portOfServer(tcp),
      modbusRtu: portOfServer(rtu),
      bench: portOfServer(bench),
    },
    master,
    units,
    close: async () => {
      await app.close();
      await Promise.all([tcp, rtu, bench].map(closing));
    },
  };
}

/** What closes a server with whoever is still joined to it: nobody can keep it open. */
function closer(...servers: net.Server[]): (server: net.Server) => Promise<unknown> {
  const joined = new Map(servers.map((server) => [server, new Set<net.Socket>()]));
  for (const [server, sockets] of joined)
    server.on('connection', (socket) => {
      sockets.add(socket);
      socket.once('close', () => sockets.delete(socket));
    });
  return (server) => {
    joined.get(server)?.forEach((socket) => socket.destroy());
    return new Promise((done) => server.close(done));
  };
}

const listening = (server: net.Server, port: number): Promise<void> =>
  new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(port, HOST, done);
  });

const portOf = (app: FastifyInstance): number => portOfServer(app.server);
const portOfServer = (server: { address: () => net.AddressInfo | string | null }): number =>
  (server.address() as net.AddressInfo).port;
