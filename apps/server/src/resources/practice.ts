import { say } from '@keypost/core/messages';
import type { PracticeState } from '@keypost/api';
import type { FastifyInstance } from 'fastify';
import { notFound } from '../problems.ts';
import { register } from '../register.ts';
import type { SimulatedPort } from '../standIns/simulatedMaster.ts';
import type { StandIns } from '../standIns/start.ts';

/** What somebody does to the simulated partners, so that trouble can be practised. */
export function practiceResource(app: FastifyInstance, standIns: StandIns | undefined): void {
  register(app, 'practice', async () => stateOf(standIns));
  register(app, 'practise', async ({ body }) => {
    const { what, act } = body;
    if (!standIns) throw notFound(say('service.simulated-partner'));
    if ('port' in what) {
      if (!standIns.master.practise(what.port, act)) throw notFound(say('service.port', { port: what.port }));
    } else {
      const unit = standIns.units.find(({ number }) => number === what.unit);
      if (!unit) throw notFound(say('service.unit', { unit: what.unit }));
      unit.silent = act === 'unplug' || act === 'fail';
    }
    return stateOf(standIns);
  });
}

function stateOf(standIns: StandIns | undefined): PracticeState {
  if (!standIns) return { ports: [], units: [] };
  const { ioLink, modbusTcp, modbusRtu, bench } = standIns.ports;
  return {
    ports: standIns.master.ports.map((port) => ({
      port: port.number,
      name: port.device?.known.description.name ?? port.own?.known.description.name ?? '',
      state: plugged(port),
    })),
    units: standIns.units.map(({ number, silent }) => ({ unit: number, silent })),
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
