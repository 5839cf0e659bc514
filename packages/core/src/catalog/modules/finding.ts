/** What people call a module, by its group. */
export const MODULE_TERMS: Readonly<Record<string, string[]>> = {
  Inputs: ['input card', 'DI', 'digital input', 'PLC', '24 V inputs', 'NPN', 'PNP', 'discrete'],
  Outputs: ['output card', 'DO', 'digital output', 'PLC', 'relay output', 'discrete'],
  'Analog inputs': ['AI', 'analogue', 'PLC'],
  'On the bench': ['multimeter', 'DMM', 'ammeter', 'voltmeter', 'test', 'source'],
  Drive: ['inverter', 'VFD', 'frequency converter', 'motor', 'variable speed'],
  'Universal controller': ['engine', 'pump', 'compressor', 'generator', 'genset'],
  'Safety relay': ['E-stop', 'guard', 'interlock', 'two channels', 'reset'],
  Counter: ['pulses', 'high-speed', 'flow', 'totaliser', 'encoder', 'HSC'],
  'IO-Link master': ['smart sensor', 'gateway', 'C/Q', 'port'],
  'Serial master': ['Modbus', 'RTU', 'RS-485', 'COM port', 'gateway'],
  Switch: ['Ethernet', 'network', 'RJ45', 'sockets'],
};
