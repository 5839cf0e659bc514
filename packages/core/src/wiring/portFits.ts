import type { DeviceType, Port } from '../catalog/index.ts';

/** Whether a device can be landed on a port at all, by what it is; whether it works there is for the circuit to say. */
export function portFits(type: DeviceType, { kind, roles }: Port): boolean {
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
    case 'thermocouple':
      return (
        kind === 'analog' &&
        type.terminals.some(({ role }) => role !== undefined && roles[role] !== undefined)
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
