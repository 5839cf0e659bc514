import type { DeviceOutput, DeviceType, Port } from '../catalog/index.ts';

/** Whether an output can be landed on a port at all, by what it is; whether it works there is for the circuit to say. */
export function portFits(type: DeviceType, output: DeviceOutput | undefined, port: Port): boolean {
  const { kind, roles } = port;
  switch (output?.landsOn) {
    case 'guard':
      return kind === 'safety';
    case 'io-link':
    case 'serial':
    case 'ethernet':
      return kind === output.landsOn;
    case 'signal':
      return kind === 'analog' && roles.signal !== undefined;
    case 'ratio':
      // A potentiometer divides a reference that the port must have.
      return kind === 'analog' && roles.wiper !== undefined && roles.excitation !== undefined;
    case 'resistance':
    case 'thermocouple':
      return kind === 'analog' && port.measures === output.landsOn;
    case 'pulses':
      return (
        kind === 'digital' &&
        type.terminals.some(
          ({ role }) => (role === 'pulse' || role === 'out') && roles[role] !== undefined,
        ) &&
        // A signal between two leads needs an input for both, and such an input no other.
        (roles.inverse !== undefined) === type.terminals.some(({ role }) => role === 'inverse')
      );
    case 'load':
      // A signal belongs on an analog output, and what is switched on any other.
      return kind === 'output' && (output.signal !== undefined) === (port.drives === 'analog');
    case 'switched':
      return (
        kind === 'digital' &&
        roles.inverse === undefined &&
        (port.acVolts === undefined || switchesAc(type, output))
      );
    default:
      return false;
  }
}

/** Whether an output can switch alternating current: it is made for mains, or a contact. */
const switchesAc = ({ description }: DeviceType, { kinds }: DeviceOutput): boolean =>
  description.mains === true || kinds.includes('contact');
