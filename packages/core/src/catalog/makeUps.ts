/** What usually stands in a panel, to begin with. */
export interface MakeUp {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly modules: readonly string[];
}

export const MAKE_UPS: readonly MakeUp[] = [
  { id: 'nothing', label: 'Nothing yet', hint: 'modules are added one by one', modules: [] },
  {
    id: 'compact',
    label: 'A compact controller',
    hint: '14 inputs, two commons',
    modules: ['controller-8-6'],
  },
  {
    id: 'machine',
    label: 'A machine',
    hint: '16 inputs, 8 outputs, 4 relays, a safety relay',
    modules: ['di16-both-8-8', 'do8-high', 'ro4', 'safety-relay-2'],
  },
  {
    id: 'process',
    label: 'A process',
    hint: '8 inputs, 8 analog inputs, 4 thermometers, 8 outputs',
    modules: ['di8-both-8', 'ai8-switch', 'rtd4', 'do8-high'],
  },
  {
    id: 'io-link',
    label: 'IO-Link',
    hint: 'a master of 8 ports, 8 inputs, 8 outputs',
    modules: ['iol-aaaaaaaa', 'di8-both-8', 'do8-high'],
  },
];
