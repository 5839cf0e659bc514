import type { SimulatedDevice } from './simulatedDevice.ts';

type PortMode = 'DEACTIVATED' | 'IOLINK_AUTOSTART' | 'IOLINK_MANUAL' | 'DIGITAL_INPUT' | 'DIGITAL_OUTPUT';
type Validation = 'NO_DEVICE_CHECK' | 'TYPE_COMPATIBLE_DEVICE' | 'IDENTICAL_DEVICE';

/** How a port is run, in the words of the JSON form. */
interface PortConfiguration {
  readonly mode: PortMode;
  readonly validation: Validation;
  readonly backup: 'NO_BACKUP' | 'BACKUP_AND_RESTORE' | 'RESTORE';
  readonly vendorId: number;
  readonly deviceId: number;
  readonly cycleTime: number;
  readonly deviceAlias: string;
}

export type PortStatus =
  | 'DEACTIVATED'
  | 'COMMUNICATION_LOST'
  | 'INCORRECT_DEVICE'
  | 'DEVICE_ONLINE'
  | 'DIGITAL_INPUT_C/Q'
  | 'DIGITAL_OUTPUT_C/Q';

/** One port: the device that belongs there, another that was plugged in for it, and what practice makes of it. */
export interface SimulatedPort {
  readonly number: number;
  readonly portType: 'CLASS_A' | 'CLASS_B';
  readonly own?: SimulatedDevice;
  /** What is plugged in now, if anything. */
  device?: SimulatedDevice;
  /** Answers process data as invalid, and refuses parameters. */
  failing: boolean;
  configuration: PortConfiguration;
}

export type PracticeAct = 'unplug' | 'plug' | 'replace' | 'fail' | 'mend';

/** The state of a simulated IO-Link master: its ports, and what somebody does to them. */
export class SimulatedMaster {
  readonly ports: readonly SimulatedPort[];
  /** What is plugged in when a wrong device is to be practised. */
  private readonly stranger: () => SimulatedDevice;

  constructor(
    devices: readonly (SimulatedDevice | undefined)[],
    stranger: () => SimulatedDevice,
    classB: readonly number[] = [],
  ) {
    this.stranger = stranger;
    this.ports = devices.map((device, i) => ({
      number: i + 1,
      portType: classB.includes(i + 1) ? 'CLASS_B' : 'CLASS_A',
      ...(device && { own: device, device }),
      failing: false,
      configuration: {
        mode: 'IOLINK_AUTOSTART',
        validation: 'NO_DEVICE_CHECK',
        backup: 'NO_BACKUP',
        vendorId: 0,
        deviceId: 0,
        cycleTime: 0,
        deviceAlias: `master1port${i + 1}`,
      },
    }));
  }

  port(number: number): SimulatedPort | undefined {
    return this.ports.find((port) => port.number === number);
  }

  practise(number: number, act: PracticeAct): boolean {
    const port = this.port(number);
    if (!port) return false;
    if (act === 'unplug') port.device = undefined;
    else if (act === 'plug') port.device = port.own;
    else if (act === 'replace') port.device = this.stranger();
    else port.failing = act === 'fail';
    return true;
  }
}

/** What a port tells of itself. */
export function statusOf({ configuration, device }: SimulatedPort): PortStatus {
  switch (configuration.mode) {
    case 'DEACTIVATED':
      return 'DEACTIVATED';
    case 'DIGITAL_INPUT':
      return 'DIGITAL_INPUT_C/Q';
    case 'DIGITAL_OUTPUT':
      return 'DIGITAL_OUTPUT_C/Q';
  }
  if (!device) return 'COMMUNICATION_LOST';
  const { vendorId, deviceId } = device.known.description;
  const { validation } = configuration;
  const same = vendorId === configuration.vendorId && deviceId === configuration.deviceId;
  return validation !== 'NO_DEVICE_CHECK' && !same ? 'INCORRECT_DEVICE' : 'DEVICE_ONLINE';
}
