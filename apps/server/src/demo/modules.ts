import type { CommonRail } from '@keypost/core/job';
import type { Settings } from '@keypost/core/model';

/** The modules of the demo job's panel. */
export const MODULES: readonly {
  id: string;
  tag: string;
  typeId: string;
  firstByte: number;
  settings?: Settings;
  commons: (CommonRail | null)[];
}[] = [
  { id: 'plc', tag: 'PLC', typeId: 'controller-8-6', firstByte: 0, commons: ['-', '+'] },
  { id: 'di-1', tag: 'DI 1', typeId: 'di8-sink-8', firstByte: 2, commons: ['-'] },
  { id: 'di-2', tag: 'DI 2', typeId: 'di8-both-4-4', firstByte: 3, commons: ['+', null] },
  { id: 'di-3', tag: 'DI 3', typeId: 'di16-both-8-8', firstByte: 4, commons: ['-', null] },
  { id: 'do-1', tag: 'DO 1', typeId: 'do8-high', firstByte: 0, commons: [] },
  {
    id: 'ai-1',
    tag: 'AI 1',
    typeId: 'ai4-switch',
    firstByte: 16,
    commons: ['-', '-', '-', '-'],
    settings: { 'A2.switch': 'V' },
  },
  {
    id: 'ai-2',
    tag: 'AI 2',
    typeId: 'ai2-switch',
    firstByte: 24,
    commons: ['-', '-'],
    settings: { 'A1.switch': 'V', 'A1.range': '0-10 V' },
  },
  {
    id: 'rtd-1',
    tag: 'RTD 1',
    typeId: 'rtd4',
    firstByte: 28,
    commons: [],
    settings: { 'R0.wires': '3', 'R3.wires': '4' },
  },
  { id: 'tc-1', tag: 'TC 1', typeId: 'tc2', firstByte: 36, commons: [] },
  {
    id: 'drv-1',
    tag: 'DRV 1',
    typeId: 'drive',
    firstByte: 0,
    commons: ['-', '-', '-'],
    settings: { 'A1.switch': 'V', 'A1.range': '0-10 V' },
  },
  { id: 'uc-1', tag: 'UC 1', typeId: 'universal-controller', firstByte: 0, commons: [] },
  {
    id: 'sr-1',
    tag: 'SR 1',
    typeId: 'safety-relay-2',
    firstByte: 0,
    commons: [],
    settings: { selector: 'both', reset: 'monitored' },
  },
  { id: 'ct-1', tag: 'CT 1', typeId: 'counter2', firstByte: 40, commons: ['-'] },
  { id: 'ct-2', tag: 'CT 2', typeId: 'counter2-line', firstByte: 88, commons: [] },
  { id: 'di-ac', tag: 'DI AC', typeId: 'di8-ac230', firstByte: 12, commons: ['N', 'N'] },
  { id: 'ai-3', tag: 'AI 3', typeId: 'ai4-switch', firstByte: 48, commons: ['-', '-', '-', '-'] },
  { id: 'ai-4', tag: 'AI 4', typeId: 'ai4-switch', firstByte: 80, commons: ['-', '-', '-', '-'] },
  {
    id: 'ai-5',
    tag: 'AI 5',
    typeId: 'ai4-switch',
    firstByte: 96,
    commons: ['-', '-', '-', '-'],
    settings: { 'A0.switch': 'V', 'A0.range': '±10 V' },
  },
  { id: 'ao-1', tag: 'AO 1', typeId: 'ao4', firstByte: 8, commons: [] },
  { id: 'iol-1', tag: 'IOL 1', typeId: 'iol-aaaabb', firstByte: 64, commons: [] },
  { id: 'bus-1', tag: 'BUS 1', typeId: 'serial-master', firstByte: 0, commons: [] },
  { id: 'net-1', tag: 'NET 1', typeId: 'net-switch-5', firstByte: 0, commons: [] },
  { id: 'm-1', tag: 'M 1', typeId: 'multimeter', firstByte: 0, commons: ['-'] },
];
