import { say } from '@keypost/core/messages';
import type { PracticeState } from '@keypost/api';
import type { FastifyInstance } from 'fastify';
import { notFound } from '../problems.ts';
import { register } from '../register.ts';
import type { SimulatedPort } from '../simulators/simulatedMaster.ts';
import type { Simulators } from '../simulators/start.ts';

/** What somebody does to the simulated partners, so that trouble can be practised. */
export function practiceResource(app: FastifyInstance, simulators: Simulators | undefined): void {
  register(app, 'practice', async () => stateOf(simulators));
  register(app, 'practise', async ({ body }) => {
    const { what, act } = body;
    if (!simulators) throw notFound(say('service.simulated-partner'));
    if ('port' in what) {
      if (!simulators.master.practise(what.port, act))
        throw notFound(say('service.port', { port: what.port }));
    } else {
      const unit = simulators.units.find(({ number }) => number === what.unit);
      if (!unit) throw notFound(say('service.unit', { unit: what.unit }));
      unit.silent = act === 'unplug' || act === 'fail';
    }
    return stateOf(simulators);
  });
}

function stateOf(simulators: Simulators | undefined): PracticeState {
  if (!simulators) return { ports: [], units: [] };
  const { ioLink, modbusTcp, modbusRtu, bench } = simulators.ports;
  return {
    ports: simulators.master.ports.map((port) => ({
      port: port.number,
      name: port.device?.known.description.name ?? port.own?.known.description.name ?? '',
      state: plugged(port),
    })),
    units: simulators.units.map(({ number, silent }) => ({ unit: number, silent })),
    links: {
      ioLink: `127.0.0.1:${ioLink}`,
      modbusTcp: `127.0.0.1:${modbusTcp}`,
      modbusRtu: `127.0.0.1:${modbusRtu}`,
      bench: `127.0.0.1:${bench}`,
    },
  };
}

function plugged({ own, device, failing }: SimulatedPort): PracticeState['ports'][number]['state'] {
  if (!device) return own ? 'unplugged' : 'empty';
  if (failing) return 'failing';
  return device === own ? 'plugged' : 'wrong';
}
