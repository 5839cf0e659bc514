import { own } from '@keypost/core/lists';
import { plain } from '@keypost/core/units';
import type { MasterConfiguration } from './ioLinkClient.ts';

const MODES: Readonly<Record<string, string>> = {
  off: 'DEACTIVATED',
  iolink: 'IOLINK_MANUAL',
  input: 'DIGITAL_INPUT',
  output: 'DIGITAL_OUTPUT',
};
const CHECKED = 'TYPE_COMPATIBLE_DEVICE_V1.1';

/** A port's configuration as a parameter of the sheet shows it; nothing for what the master does not tell. */
export function valueFrom(
  { mode, validationAndBackup = 'NO_DEVICE_CHECK', vendorId, deviceId, cycleTime }: MasterConfiguration,
  name: string,
): string | undefined {
  switch (name) {
    case 'mode':
      return mode === 'IOLINK_AUTOSTART' ? 'iolink' : Object.keys(MODES).find((key) => MODES[key] === mode);
    case 'validation':
      return validationAndBackup.startsWith(CHECKED) ? 'type' : 'none';
    case 'backup':
      return validationAndBackup.endsWith('BACKUP_AND_RESTORE')
        ? 'backup'
        : validationAndBackup.endsWith('_RESTORE')
          ? 'restore'
          : 'none';
    case 'vendor':
      return vendorId === undefined ? undefined : String(vendorId);
    case 'device':
      return deviceId === undefined ? undefined : String(deviceId);
    case 'cycle':
      return cycleTime && plain(cycleTime.value);
    default:
      return undefined;
  }
}

/** The configuration to be sent so that one parameter of the sheet stands as wanted; nothing for what cannot be sent. */
export function configurationFor(
  now: MasterConfiguration,
  name: string,
  value: string,
): MasterConfiguration | undefined {
  const { mode, validationAndBackup = 'NO_DEVICE_CHECK' } = now;
  const backup = valueFrom(now, 'backup');
  const suffix = (chosen: string | undefined): string =>
    chosen === 'backup' ? '_BACKUP_AND_RESTORE' : chosen === 'restore' ? '_RESTORE' : '';
  switch (name) {
    case 'mode':
      return modeOf(value);
    case 'validation':
      return { mode, validationAndBackup: value === 'none' ? 'NO_DEVICE_CHECK' : CHECKED + suffix(backup) };
    case 'backup':
      return validationAndBackup.startsWith(CHECKED)
        ? { mode, validationAndBackup: CHECKED + suffix(value) }
        : undefined;
    case 'vendor':
      return { mode, vendorId: Number(value) };
    case 'device':
      return { mode, deviceId: Number(value) };
    case 'cycle':
      return { mode, cycleTime: { value: Number(value), unit: 'ms' } };
    default:
      return undefined;
  }
}

function modeOf(value: string): { mode: string } | undefined {
  const mode = own(MODES, value);
  return mode === undefined ? undefined : { mode };
}
