import { encodeRegisters } from '@keypost/core/setting';
import type { RegisterFormat, UnitMemory } from '@keypost/core/setting';

type Word = 'high' | 'low';

const format = (type: RegisterFormat['type'], scale = 1, words: Word = 'high'): RegisterFormat => ({
  type,
  scale,
  words,
  bytes: 'high',
});

/** Measured values of the monitor: where, how, and how each moves about a middle. */
const MEASURED: readonly { address: number; format: RegisterFormat; middle: number; swing: number }[] = [
  { address: 0, format: format('uint16', 0.1), middle: 231, swing: 3 },
  { address: 1, format: format('uint16', 0.1), middle: 230, swing: 3 },
  { address: 2, format: format('uint16', 0.1), middle: 232, swing: 3 },
  { address: 3, format: format('uint32', 0.001), middle: 18.4, swing: 2.2 },
  { address: 5, format: format('uint32', 0.001), middle: 17.9, swing: 2.1 },
  { address: 7, format: format('uint32', 0.001), middle: 19.2, swing: 2.3 },
  { address: 10, format: format('int32'), middle: 11840, swing: 900 },
  // Its maker sends the energy with the low register first.
  { address: 12, format: format('uint32', 0.1, 'low'), middle: 48271.6, swing: 0 },
  { address: 14, format: format('float32'), middle: 50, swing: 0.04 },
  { address: 16, format: format('int16', 0.001), middle: 0.927, swing: 0.02 },
];

/** Settings of the monitor: least, most and factory value of each holding register. */
const SETTINGS: Readonly<Record<number, readonly [min: number, max: number, factory: number]>> = {
  100: [1, 6000, 5],
  101: [50, 690, 100],
  102: [0, 3, 0],
  103: [50, 60, 60],
  104: [1, 247, 11],
};

const PERIOD_MS = 60_000;

/** The registers of a simulated three-phase power monitor. Coil 0 clears its energy, input 0 tells that it is fed. */
export class PowerMonitor implements UnitMemory {
  private readonly settings = new Map(
    Object.entries(SETTINGS).map(([address, [, , factory]]) => [Number(address), factory]),
  );
  private readonly started: number;
  private readonly now: () => number;
  private coil = false;

  constructor(now: () => number = Date.now) {
    this.now = now;
    this.started = now();
  }

  bit = (kind: 'coil' | 'input', address: number): boolean | undefined =>
    address !== 0 ? undefined : kind === 'input' ? true : this.coil;

  writeBit = (address: number, value: boolean): boolean => {
    if (address !== 0) return false;
    this.coil = value;
    return true;
  };

  register = (kind: 'holding' | 'input', address: number): number | undefined => {
    if (kind === 'holding' && this.settings.has(address)) return this.settings.get(address);
    if (kind === 'holding') return undefined;
    const row = MEASURED.find((m) => address >= m.address && address < m.address + registersIn(m.format));
    return row
      ? encodeRegisters(this.valueOf(row), row.format)[address - row.address]
      : address === 9
        ? 0
        : undefined;
  };

  writeRegister = (address: number, value: number): boolean => {
    if (!this.settings.has(address)) return false;
    this.settings.set(address, value);
    return true;
  };

  allows = (address: number, value: number): boolean => {
    const limits = SETTINGS[address];
    return limits === undefined || (value >= limits[0] && value <= limits[1]);
  };

  private valueOf({ middle, swing, address }: (typeof MEASURED)[number]): number {
    const phase = (2 * Math.PI * this.now()) / PERIOD_MS + address;
    const hours = (this.now() - this.started) / 3_600_000;
    return address === 12 ? middle + 11.84 * hours : middle + swing * Math.sin(phase);
  }
}

const registersIn = ({ type }: RegisterFormat): number => (type === 'uint16' || type === 'int16' ? 1 : 2);
