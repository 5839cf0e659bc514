import type { EthernetPlan, MappedValue, NetworkMember, SerialPlan, SerialUnit } from '@keypost/core/model';
import type { SimulatorPorts } from '../simulators/start.ts';

const value = (
  id: string,
  name: string,
  address: number,
  type: MappedValue['type'],
  rest: Partial<MappedValue>,
): MappedValue => ({
  id,
  name,
  address,
  type,
  table: 'input',
  words: 'high',
  bytes: 'high',
  scale: 1,
  unit: '',
  ...rest,
});

const setting = (id: string, name: string, address: number, parameter: string, unit = ''): MappedValue =>
  value(id, name, address, 'uint16', { table: 'holding', parameter, unit });

/** Registers of the power monitor as its leaflet lists them. */
const MONITOR: readonly MappedValue[] = [
  value('u1', 'Voltage L1', 0, 'uint16', { scale: 0.1, unit: 'V' }),
  value('u2', 'Voltage L2', 1, 'uint16', { scale: 0.1, unit: 'V' }),
  value('u3', 'Voltage L3', 2, 'uint16', { scale: 0.1, unit: 'V' }),
  value('i1', 'Current L1', 3, 'uint32', { scale: 0.001, unit: 'A' }),
  value('p', 'Active power', 10, 'int32', { unit: 'W' }),
  value('e', 'Active energy', 12, 'uint32', { scale: 0.1, unit: 'kWh', words: 'low' }),
  value('f', 'Frequency', 14, 'float32', { unit: 'Hz' }),
  value('pf', 'Power factor', 16, 'int16', { scale: 0.001 }),
  setting('ct', 'Current transformer', 100, 'ct', 'A'),
  setting('vt', 'Rated voltage', 101, 'vt', 'V'),
  setting('hz', 'Mains frequency', 103, 'mains'),
  setting('no', 'Unit number', 104, 'unit'),
];

const frame = { baud: 19200, parity: 'even', stopBits: 1 } as const;

/** The line to the power monitor and the heat pump. */
export const linePlan = ({ modbusRtu }: SimulatorPorts): SerialPlan => ({
  kind: 'serial',
  id: 'line-1',
  tag: 'LINE 1',
  mm2: 0.34,
  bias: { at: 'bus', ohms: 390, volts: 5 },
  link: `127.0.0.1:${modbusRtu}`,
  framing: 'rtu',
  units: [
    unit('bus', 'BUS 1', 'bus-1', { plusName: 'D1', terminated: true, fromLastM: 0 }),
    unit('hp', 'JT-273', 'jt-273-b', { unit: 12, plusName: 'A', fromLastM: 40, answerMs: 20 }),
    unit('pm', 'JT-272', 'jt-272-b', {
      unit: 11,
      plusName: '+',
      terminated: true,
      fromLastM: 25,
      map: [...MONITOR],
    }),
  ],
});

const unit = (id: string, tag: string, itemId: string, rest: Partial<SerialUnit>): SerialUnit => ({
  id,
  tag,
  itemId,
  ...frame,
  plusName: '+',
  terminated: false,
  unitLoad: 1,
  fromLastM: 1,
  map: [],
  ...rest,
});

const member = (id: string, tag: string, last: number, rest: Partial<NetworkMember>): NetworkMember => ({
  id,
  tag,
  role: 'device',
  address: `192.168.10.${last}`,
  mask: '255.255.255.0',
  file: 'not needed',
  map: [],
  ...rest,
});

/** The machine's network. The laptop has the power monitor's address, and the energy is read in the wrong order. */
export const networkPlan = ({ modbusTcp }: SimulatorPorts): EthernetPlan => ({
  kind: 'ethernet',
  id: 'net',
  tag: 'Machine network',
  members: [
    member('plc', 'PLC', 1, { role: 'controller', itemId: 'plc' }),
    member('drv', 'DRV 1', 11, {
      itemId: 'drv-1',
      name: 'pump-drive',
      nameOnDevice: 'pump-drive',
      file: 'installed',
    }),
    member('iol', 'IOL 1', 12, { itemId: 'iol-1', name: 'iol-1', nameOnDevice: 'iol-1', file: 'installed' }),
    member('pm', 'JN-274', 30, {
      itemId: 'jn-274-b',
      name: 'power-hall',
      nameOnDevice: '',
      file: 'installed',
      link: `127.0.0.1:${modbusTcp}`,
      unit: 11,
      map: MONITOR.map((row) => (row.id === 'e' ? { ...row, words: 'high' as const } : row)),
    }),
    member('hmi', 'Panel screen', 20, { role: 'panel screen' }),
    member('laptop', 'Laptop', 30, { role: 'laptop' }),
    member('router', 'Office router', 254, { role: 'router' }),
  ],
});
