import { wired } from './demoPoint.ts';
import type { DemoPoint } from './demoPoint.ts';

/** Devices that talk: IO-Link, a serial line, Ethernet. */
export const TALKING: readonly DemoPoint[] = [
  { tag: 'LT-270', name: 'Header tank level', typeId: 'io-link-a', at: ['iol-1', 0], landed: 5 },
  {
    tag: 'PT-275',
    name: 'Cartridge filter pressure',
    typeId: 'io-link-a',

    at: ['iol-1', 1],
    landed: 5,
  },
  { tag: 'VT-276', name: 'Blower vibration', typeId: 'io-link-a', at: ['iol-1', 2], landed: 3 },
  { tag: 'YV-271', name: 'Feed valve island', typeId: 'io-link-b', at: ['iol-1', 4], landed: 4 },
  {
    tag: 'JT-272',
    name: 'Power monitor, serial',
    typeId: 'serial-unit',

    at: ['bus-1', 0],
    settings: { terminator: 'on' },
    landed: 4,
  },
  {
    tag: 'JT-273',
    name: 'Heat pump controller, serial',
    typeId: 'serial-unit',

    landed: 2,
    more: [
      ...wired('jt-273-b', [
        ['V+', 'g1:+', 'BN', 10],
        ['V-', 'g1:-', 'BU', 10],
        ['D1', 'bus-1:D0', 'YE', 40],
        ['D0', 'bus-1:D1', 'GN', 40],
        ['C', 'bus-1:C', 'GY', 40],
      ]),
    ],
  },
  {
    tag: 'JN-274',
    name: 'Power monitor, Ethernet',
    typeId: 'net-device',

    at: ['net-1', 1],
    landed: 4,
  },
];
