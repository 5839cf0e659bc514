import type { DeviceType, Port } from '../catalog/index.ts';

/** Whether a device can be landed on a port at all, by what it is; whether it works there is for the circuit to say. */
export function portFits(type: DeviceType, port: Port): boolean {
  const { kind, roles } = port;
  if (type.stimulated === 'guard') return kind === 'safety';
  switch (type.family) {
    case 'io-link':
    case 'serial':
    case 'ethernet':
      return kind === type.family;
    case 'transmitter':
      return kind === 'analog'
        ? roles.signal !== undefined
        : kind === 'digital' && type.outputs[0] !== 'none';
    case 'resistance':
      // A potentiometer divides a reference that the port must have; an element is measured by its own current.
      return (
        kind === 'analog' &&
        (type.resistance?.kind === 'potentiometer'
          ? roles.wiper !== undefined && roles.excitation !== undefined
          : port.measures === 'resistance')
      );
    case 'thermocouple':
      return kind === 'analog' && port.measures === 'thermocouple';
    case 'pulse':
      return (
        kind === 'digital' &&
        type.terminals.some(({ role }) => (role === 'pulse' || role === 'out') && roles[role] !== undefined)
      );
    case 'load':
      return kind === 'output';
    case 'namur':
    case 'relay':
    case 'between':
      return false;
    default:
      return kind === 'digital';
  }
}
