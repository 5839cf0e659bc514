import { askedUnit } from '@keypost/api';
import type { LiveBatch, LivePort, LiveUnit } from '@keypost/api';
import { hexOf } from '@keypost/core/ioLink';
import { JobIndex } from '@keypost/core/job';
import { say } from '@keypost/core/messages';
import { ioLinkMasters, portPlan, registersOf } from '@keypost/core/setting';
import type { JobContent, MappedValue } from '@keypost/core/model';
import { IoLinkClient, stateOf } from '../partners/ioLinkClient.ts';
import { ModbusClient } from '../partners/modbusClient.ts';
import { PartnerProblem } from '../partners/partnerProblem.ts';

type LiveRows = Pick<LiveBatch, 'ports' | 'units'>;

/** Somewhere live values come from: one master, or one line. */
export interface LiveSource {
  /** The master, or the units of the line. */
  readonly asks: readonly string[];
  readonly poll: () => Promise<LiveRows>;
  /** What is told where nothing answers. */
  readonly away: () => LiveRows;
  readonly close: () => void;
}

/** Everything of a job that can be asked for live values. */
export function liveSources(job: JobContent): LiveSource[] {
  const index = new JobIndex(job);
  const masters = ioLinkMasters(index).flatMap(({ id, link }) =>
    link
      ? [
          masterSource(
            id,
            link,
            portPlan(index, id).map(({ number }) => number),
          ),
        ]
      : [],
  );
  const lines = job.plans.flatMap((plan) => {
    if (plan.kind === 'ethernet')
      return plan.members.flatMap(({ id, link, unit, map }) =>
        link && map.length ? [lineSource(plan.id, link, 'tcp', [{ rowId: id, unit: unit ?? 1, map }])] : [],
      );
    const units = plan.units.flatMap(({ id, unit, map }) =>
      unit !== undefined && map.length ? [{ rowId: id, unit, map }] : [],
    );
    return plan.link && units.length ? [lineSource(plan.id, plan.link, plan.framing, units)] : [];
  });
  return [...masters, ...lines];
}

/** @param own the ports that it has by its kind: of them it is said when it does not answer. */
function masterSource(moduleId: string, link: string, own: readonly number[]): LiveSource {
  const client = new IoLinkClient(link);
  const port = async (number: number, statusInfo: string): Promise<LivePort> => {
    const state = stateOf(statusInfo);
    const none = { moduleId, port: number, state, valid: false, bytes: '' };
    if (state !== 'connected') return none;
    try {
      const data = await client.processIn(number);
      return data ? { ...none, valid: data.valid, bytes: hexOf(data.bytes) } : none;
    } catch (error) {
      if (error instanceof PartnerProblem) return none;
      throw error;
    }
  };
  const away = (): LiveRows => ({
    ports: own.map((number) => ({ moduleId, port: number, state: 'no answer', valid: false, bytes: '' })),
    units: [],
  });
  return {
    asks: [moduleId],
    away,
    poll: async () => {
      try {
        const rows = await client.ports();
        return {
          ports: await Promise.all(rows.map((row) => port(row.portNumber, row.statusInfo))),
          units: [],
        };
      } catch (error) {
        if (!(error instanceof PartnerProblem)) throw error;
        return away();
      }
    },
    close: () => undefined,
  };
}

interface PolledUnit {
  readonly rowId: string;
  readonly unit: number;
  readonly map: readonly MappedValue[];
}

/** Registers that lie closer than this are asked for together. */
const GAP = 8;
const MAX = 120;

/** The requests that fetch all values of a map: neighbours together. */
export function requestsFor(
  map: readonly MappedValue[],
): { table: MappedValue['table']; first: number; count: number }[] {
  const requests: { table: MappedValue['table']; first: number; count: number }[] = [];
  const rows = [...map].sort((a, b) => a.table.localeCompare(b.table) || a.address - b.address);
  for (const { table, address, type } of rows) {
    const end = address + registersOf(type);
    const last = requests.at(-1);
    if (last && last.table === table && address <= last.first + last.count + GAP && end - last.first <= MAX)
      last.count = Math.max(last.count, end - last.first);
    else requests.push({ table, first: address, count: end - address });
  }
  return requests;
}

/** So many ms a unit may take before the line goes on without it. */
const LINE_PATIENCE_MS = 400;

function lineSource(
  planId: string,
  link: string,
  framing: 'tcp' | 'rtu',
  units: readonly PolledUnit[],
): LiveSource {
  const client = new ModbusClient(link, framing, LINE_PATIENCE_MS, 2);
  const one = async ({ rowId, unit, map }: PolledUnit): Promise<LiveUnit> => {
    const registers: Record<string, number[]> = {};
    try {
      for (const { table, first, count } of requestsFor(map)) {
        const read = await client.readRegisters(unit, table, first, count);
        for (const row of map)
          if (
            row.table === table &&
            row.address >= first &&
            row.address + registersOf(row.type) <= first + count
          )
            registers[row.id] = read.slice(row.address - first, row.address - first + registersOf(row.type));
      }
      return { planId, rowId, registers };
    } catch (error) {
      if (!(error instanceof PartnerProblem)) throw error;
      return { planId, rowId, problem: error.said, registers };
    }
  };
  return {
    asks: units.map(({ rowId }) => askedUnit(planId, rowId)),
    away: () => ({
      ports: [],
      units: units.map(({ rowId, unit }) => ({
        planId,
        rowId,
        problem: say('service.unit-does-answer', { unit }),
        registers: {},
      })),
    }),
    // A line carries one question at a time.
    poll: async () => {
      const rows: LiveUnit[] = [];
      for (const unit of units) rows.push(await one(unit));
      return { ports: [], units: rows };
    },
    close: () => client.close(),
  };
}
