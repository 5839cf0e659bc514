import type { Sense } from '../description/senses.ts';

interface Finding {
  readonly senses?: Sense[];
  readonly terms: string[];
}

const PROXIMITY = ['proximity switch', 'prox', 'initiator', 'near switch', 'end position'];
const PHOTO = ['photo eye', 'photocell', 'light barrier', 'optical sensor', 'photo switch'];
const FLOW = ['flow meter', 'flowmeter', 'litres', 'gallons'];
const THERMO: Finding = { senses: ['temperature'], terms: ['thermocouple', 'temperature probe', 'mV'] };
const RTD: Finding = {
  senses: ['temperature'],
  terms: ['RTD', 'Pt100', 'Pt1000', 'temperature probe', 'thermometer', 'ohms'],
};
const DRIVEN = ['inverter', 'VFD', 'frequency converter', 'motor', 'speed', 'set-point', 'start'];
const WEIGHED = ['strain gauge', 'scale', 'weighing', 'bridge', 'mV/V', 'hopper', 'silo', 'kg', 'force'];
const RELAY = ['relay', 'interposing relay', 'coupling relay', 'socket', 'coil'];
const VALUE = ['4-20', 'loop', 'signal', 'analog', 'analogue', 'transducer'];

/** What each device senses, and what people call it besides its name; by id. */
export const FINDINGS: Readonly<Record<string, Finding>> = {
  'inductive-3w': { senses: ['metal', 'position'], terms: [...PROXIMITY, 'metal sensor'] },
  'inductive-4w': { senses: ['metal', 'position'], terms: [...PROXIMITY, 'antivalent', 'NO and NC'] },
  'capacitive-3w': {
    senses: ['object', 'level'],
    terms: [...PROXIMITY, 'bulk', 'grain', 'liquid through wall'],
  },
  'diffuse-3w': {
    senses: ['object', 'beam'],
    terms: [...PHOTO, 'energetic', 'direct reflection', 'scanner'],
  },
  'retro-3w': { senses: ['beam', 'object'], terms: [...PHOTO, 'reflector', 'reflex'] },
  'through-beam-3w': { senses: ['beam', 'object'], terms: [...PHOTO, 'emitter', 'receiver', 'one-way'] },
  'ultrasonic-3w': { senses: ['object', 'level', 'distance'], terms: ['sonar', 'sound', 'proximity'] },
  'dry-contact': {
    senses: ['position', 'level', 'pressure', 'flow', 'temperature'],
    terms: [
      'volt-free',
      'potential-free',
      'switch',
      'relay contact',
      'reed',
      'thermostat',
      'pressure switch',
      'float switch',
      'push button',
      'key switch',
      'flow switch',
    ],
  },
  'limit-switch': {
    senses: ['position'],
    terms: ['limit switch', 'roller', 'micro switch', 'end switch', 'lever'],
  },
  'inductive-2w-dc': { senses: ['metal', 'position'], terms: [...PROXIMITY, 'two wire', '2-wire'] },
  'float-2w-dc': { senses: ['level'], terms: ['level switch', 'float', 'tank', 'sump', '2-wire'] },
  'inductive-2w-ac': {
    senses: ['metal', 'position'],
    terms: [...PROXIMITY, 'mains', '230 V', '120 V', '2-wire'],
  },
  'namur-2w': {
    senses: ['metal', 'position'],
    terms: [...PROXIMITY, 'hazardous area', 'explosion', '8.2 V', 'Ex'],
  },
  'guard-2c': { senses: ['guard'], terms: ['door switch', 'interlock', 'safety switch', 'two channels'] },
  'estop-2c': { senses: ['guard'], terms: ['E-stop', 'emergency off', 'mushroom', 'rope pull', 'safety'] },
  'guard-transistor': {
    senses: ['guard'],
    terms: ['OSSD', 'coded', 'interlock', 'RFID', 'light curtain', 'test pulses', 'safety'],
  },
  'reset-button': { terms: ['push button', 'start', 'acknowledge', 'illuminated'] },
  'arc-unit': { senses: ['electric'], terms: ['arc flash', 'overcurrent', 'trip', 'current relay'] },
  'arc-unit-linked': {
    senses: ['electric'],
    terms: ['arc flash', 'overcurrent', 'trip', 'RS-485', 'Modbus', 'mains'],
  },
  'arc-coil': { senses: ['electric'], terms: ['current transformer', 'split core', 'sensor', 'CT'] },
  'transmitter-2w': {
    senses: ['pressure', 'level', 'temperature', 'flow'],
    terms: [...VALUE, '2-wire', 'loop powered', 'passive'],
  },
  'transmitter-2w-digital': {
    senses: ['pressure', 'level', 'temperature', 'flow'],
    terms: [...VALUE, '2-wire', 'communicator', 'loop powered'],
  },
  'transmitter-3w-ma': {
    senses: ['pressure', 'level', 'temperature', 'flow', 'distance'],
    terms: [...VALUE, '3-wire'],
  },
  'transmitter-3w-v': {
    senses: ['pressure', 'level', 'temperature', 'distance'],
    terms: ['0-10', 'signal', 'analog', 'volt', '3-wire'],
  },
  'transmitter-3w-5v': {
    senses: ['pressure', 'level', 'temperature', 'distance'],
    terms: ['0-5', 'signal', 'analog', 'volt', '3-wire'],
  },
  'transmitter-3w-1-5v': {
    senses: ['pressure', 'level', 'temperature', 'distance'],
    terms: ['1-5', 'signal', 'analog', 'volt', '3-wire'],
  },
  'laser-distance': { senses: ['distance', 'level', 'object'], terms: ['time of flight', 'beam', ...VALUE] },
  'pressure-switch-analog': {
    senses: ['pressure'],
    terms: [...VALUE, 'vacuum switch', 'pressure switch', 'suction', 'bar', 'psi'],
  },
  'radar-2w': { senses: ['level', 'distance'], terms: [...VALUE, 'microwave', 'tank', 'silo', 'echo'] },
  'conductivity-4w': { senses: ['quality'], terms: [...VALUE, 'salinity', 'EC', 'mS', 'cell'] },
  'transmitter-4w-ma': {
    senses: ['flow', 'level', 'quality'],
    terms: [...VALUE, '4-wire', 'active', 'own supply'],
  },
  'transmitter-4w-v': {
    senses: ['flow', 'level', 'quality'],
    terms: ['0-10', 'signal', 'analog', 'volt', 'own supply', '4-wire'],
  },
  'transmitter-4w-bipolar': {
    senses: ['position', 'force'],
    terms: [...VALUE, '+/-10', 'bipolar', 'both sides', 'own supply', '4-wire'],
  },
  'joystick-bipolar': {
    senses: ['position'],
    terms: ['lever', 'joystick', 'master switch', '+/-10', 'set point', 'bipolar', 'command'],
  },
  'ultrasonic-switch-analog': { senses: ['distance', 'level', 'object'], terms: ['sonar', 'tank', ...VALUE] },
  'flow-thermal': { senses: ['flow', 'temperature'], terms: [...FLOW, 'calorimetric', 'flow switch'] },
  'flow-magnetic': { senses: ['flow'], terms: [...FLOW, 'magmeter', 'electromagnetic'] },
  'flow-clamp-on': { senses: ['flow'], terms: [...FLOW, 'ultrasonic', 'clamp', 'heat meter'] },
  'analyser-4w': {
    senses: ['quality'],
    terms: ['ammonia', 'oxygen', 'pH', 'chlorine', 'gas detector', 'conductivity', 'turbidity'],
  },
  'flow-dp-2w': { senses: ['flow'], terms: [...FLOW, 'orifice', 'delta p', 'root', 'venturi', 'pitot'] },
  'flow-vortex': { senses: ['flow'], terms: [...FLOW, 'steam', 'swirl'] },
  'pressure-2w': {
    senses: ['pressure', 'level'],
    terms: [...VALUE, 'bar', 'psi', 'gauge', 'hydrostatic', 'vacuum', 'differential'],
  },
  'temperature-2w': { senses: ['temperature'], terms: [...VALUE, 'head transmitter', 'thermometer'] },
  'shunt-60mv': { senses: ['electric'], terms: ['mV', 'shunt', 'ammeter', 'battery current'] },
  'temperature-2w-head': { senses: ['temperature'], terms: [...VALUE, 'RTD', 'Pt100', 'thermometer'] },
  'load-cell-ma': { senses: ['force'], terms: WEIGHED },
  'load-cell-v': { senses: ['force'], terms: [...WEIGHED, '0-10'] },
  'rope-link-2w': {
    senses: ['force'],
    terms: [...VALUE, 'load cell', 'tension', 'weight', 'load pin', 'hoist'],
  },
  'rtd-2w': RTD,
  'rtd-3w': RTD,
  'rtd-4w': RTD,
  'sender-2w': { senses: ['level'], terms: ['fuel', 'tank', 'float', 'ohms', 'gauge sender'] },
  'potentiometer-3w': { senses: ['position'], terms: ['pot', 'set point', 'slider', 'ohms', 'knob'] },
  'thermocouple-k': THERMO,
  'thermocouple-j': THERMO,
  'thermocouple-t': THERMO,
  'thermocouple-n': THERMO,
  'thermocouple-e': THERMO,
  'thermocouple-s': THERMO,
  'thermocouple-r': THERMO,
  'thermocouple-b': THERMO,
  'flow-pulse-passive': {
    senses: ['flow'],
    terms: [...FLOW, 'counter', 'pulses', 'open collector', 'totaliser'],
  },
  'flow-magnetic-ac': { senses: ['flow'], terms: [...FLOW, 'magmeter', 'mains', '230 V', '120 V'] },
  'flow-magnetic-pulse': {
    senses: ['flow'],
    terms: [...FLOW, 'electromagnetic', 'counter', 'pulses', 'totaliser'],
  },
  'flow-pulse-active': { senses: ['flow'], terms: [...FLOW, 'counter', 'pulses', 'totaliser'] },
  'io-link-a': {
    senses: ['level', 'pressure', 'distance', 'temperature', 'flow', 'object'],
    terms: ['IO-Link', 'smart sensor', 'C/Q', 'IODD'],
  },
  'io-link-b': { terms: ['IO-Link', 'actuator', 'valve terminal', 'class B', 'C/Q'] },
  'serial-unit': {
    senses: ['electric'],
    terms: ['Modbus', 'RTU', 'RS-485', 'power meter', 'energy meter', 'drive'],
  },
  'net-device': { senses: ['electric'], terms: ['Modbus TCP', 'network', 'power monitor', 'controller'] },
  'lamp-led-24': { terms: ['light', 'pilot lamp', 'signal lamp', 'beacon'] },
  'lamp-230': { terms: ['light', 'pilot lamp', 'signal lamp', 'beacon', 'mains'] },
  'lamp-filament-24': { terms: ['light', 'bulb', 'pilot lamp'] },
  'fan-230': { terms: ['blower', 'ventilator', 'motor', 'mains'] },
  'pump-230': { terms: ['motor', 'mains', 'circulator'] },
  'heater-230': { terms: ['heating element', 'mains', 'resistor bank'] },
  'valve-24': { terms: ['solenoid', 'water valve', 'air valve', 'magnet'] },
  'valve-230': { terms: ['solenoid', 'water valve', 'magnet', 'mains'] },
  'beacon-230': { terms: ['flashing light', 'warning light', 'mains'] },
  'horn-230': { terms: ['siren', 'sounder', 'alarm', 'mains'] },
  'horn-24': { terms: ['buzzer', 'siren', 'sounder', 'alarm'] },
  'drive-commanded-ma': { terms: DRIVEN },
  'drive-commanded-v': { terms: DRIVEN },
  'indicator-ma': { terms: ['display', 'meter', 'panel meter', 'loop indicator', '4-20'] },
  'stack-light-3': { terms: ['signal tower', 'tower light', 'beacon', 'red amber green'] },
  'contactor-24dc': { terms: ['motor starter', 'power relay', 'mirror contact', 'coil'] },
  'relay-1co-24dc': { terms: RELAY },
  'relay-1co-24ac': { terms: RELAY },
  'relay-1co-230ac': { terms: [...RELAY, 'mains'] },
  'relay-2co-24dc': { terms: RELAY },
  'relay-2co-24ac': { terms: RELAY },
  'relay-2co-230ac': { terms: [...RELAY, 'mains'] },
  'relay-3co-24dc': { terms: RELAY },
  'relay-3co-24ac': { terms: RELAY },
  'relay-3co-230ac': { terms: [...RELAY, 'mains'] },
  'relay-4co-24dc': { terms: RELAY },
  'relay-4co-24ac': { terms: RELAY },
  'relay-4co-230ac': { terms: [...RELAY, 'mains'] },
  'relay-slim-24dc': { terms: [...RELAY, 'thin', '6 mm'] },
  'relay-slim-230': { terms: [...RELAY, 'thin', '6 mm', 'mains'] },
  resistor: { terms: ['pull-up', 'pull-down', 'load resistor', 'burden', '250 Ω', 'bleeder', 'ohms'] },
  'barrier-1ch': { terms: ['zener', 'intrinsic safety', 'Ex', 'isolator'] },
  'namur-amplifier-1ch': { terms: ['isolator', 'Ex', 'switch amplifier', '8.2 V'] },
};
