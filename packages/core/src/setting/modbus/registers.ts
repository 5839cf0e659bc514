import { say } from '../../messages/index.ts';
import { JobProblem } from '../../model/index.ts';

/** How a value lies in registers of 16 bits. */
export type RegisterType =
  'uint16' | 'int16' | 'uint32' | 'int32' | 'float32' | 'uint64' | 'int64' | 'float64';

/** Which of several registers comes first, and which byte of a register. */
interface RegisterOrder {
  /** `high`: the register with the highest bits first. */
  readonly words: 'high' | 'low';
  /** `high`: as the protocol sends a register. `low`: turned within each. */
  readonly bytes: 'high' | 'low';
}

export interface RegisterFormat extends RegisterOrder {
  readonly type: RegisterType;
  /** The value is what the registers hold times this. */
  readonly scale: number;
}

const BYTES: Readonly<Record<RegisterType, number>> = {
  uint16: 2,
  int16: 2,
  uint32: 4,
  int32: 4,
  float32: 4,
  uint64: 8,
  int64: 8,
  float64: 8,
};

/** Registers that a type takes. */
export const registersOf = (type: RegisterType): number => BYTES[type] / 2;

/** Registers to bytes in their true order, highest first. */
function straight(registers: readonly number[], { words, bytes }: RegisterOrder): DataView {
  const ordered = words === 'high' ? registers : [...registers].reverse();
  const view = new DataView(new ArrayBuffer(2 * ordered.length));
  ordered.forEach((register, i) => view.setUint16(2 * i, register, bytes === 'low'));
  return view;
}

/**
 * The value that registers hold.
 * @throws JobProblem when there are more or fewer than the type takes, or one is no register.
 */
export function decodeRegisters(registers: readonly number[], format: RegisterFormat): number {
  if (registers.length !== registersOf(format.type))
    throw new JobProblem([
      {
        path: '',
        message: say('fieldbus.these-registers-takes', {
          registers,
          type: format.type,
          registersOf: registersOf(format.type),
        }),
      },
    ]);
  for (const register of registers)
    if (!Number.isInteger(register) || register < 0 || register > 0xffff)
      throw new JobProblem([{ path: '', message: say('fieldbus.register-holds-0-65535-2', { register }) }]);
  return read(straight(registers, format), format.type) * format.scale;
}

function read(view: DataView, type: RegisterType): number {
  switch (type) {
    case 'uint16':
      return view.getUint16(0);
    case 'int16':
      return view.getInt16(0);
    case 'uint32':
      return view.getUint32(0);
    case 'int32':
      return view.getInt32(0);
    case 'float32':
      return view.getFloat32(0);
    case 'uint64':
      return Number(view.getBigUint64(0));
    case 'int64':
      return Number(view.getBigInt64(0));
    case 'float64':
      return view.getFloat64(0);
  }
}

const LIMITS: Partial<Record<RegisterType, readonly [min: number, max: number]>> = {
  uint16: [0, 0xffff],
  int16: [-0x8000, 0x7fff],
  uint32: [0, 0xffffffff],
  int32: [-0x80000000, 0x7fffffff],
  uint64: [0, Number.MAX_SAFE_INTEGER],
  int64: [-Number.MAX_SAFE_INTEGER, Number.MAX_SAFE_INTEGER],
};

/**
 * The registers for a value; whole types take the nearest whole number.
 * @throws JobProblem when it does not fit, with what does; for a scale of 0.
 */
export function encodeRegisters(value: number, format: RegisterFormat): number[] {
  const { type, scale } = format;
  if (scale === 0) throw new JobProblem([{ path: 'scale', message: say('fieldbus.scale-0') }]);
  const limits = LIMITS[type];
  const held = limits ? Math.round(value / scale) : value / scale;
  if (!Number.isFinite(held) || (limits && (held < limits[0] || held > limits[1])))
    throw new JobProblem([
      {
        path: '',
        message: limits
          ? say('fieldbus.does-fit', { value, type, limit: limits[0], scale, limit2: limits[1] })
          : say('fieldbus.number-hold', { value, type }),
      },
    ]);
  const view = new DataView(new ArrayBuffer(BYTES[type]));
  write(view, type, held);
  const registers = Array.from({ length: registersOf(type) }, (_, i) =>
    view.getUint16(2 * i, format.bytes === 'low'),
  );
  return format.words === 'high' ? registers : registers.reverse();
}

function write(view: DataView, type: RegisterType, value: number): void {
  switch (type) {
    case 'uint16':
    case 'int16':
      return view.setUint16(0, value & 0xffff);
    case 'uint32':
    case 'int32':
      return view.setInt32(0, value);
    case 'float32':
      return view.setFloat32(0, value);
    case 'uint64':
    case 'int64':
      return view.setBigInt64(0, BigInt(value));
    case 'float64':
      return view.setFloat64(0, value);
  }
}

/** Numbers in floating point of what is measured in a plant lie between these, whatever their unit. */
const USUAL_FLOAT = { least: 1e-4, most: 1e9 };
/** A whole number that is so many times smaller the other way round hardly stands in the right order. */
const SMALLER = 1000;

const isUsual = (value: number): boolean =>
  value === 0 || (Math.abs(value) >= USUAL_FLOAT.least && Math.abs(value) <= USUAL_FLOAT.most);

/**
 * What the registers would hold with the other one first, where that is the likelier: the device's own display tells.
 * Nothing where they are read as one would expect, or where both ways are as likely.
 */
export function likelierOrder(registers: readonly number[], format: RegisterFormat): Match | undefined {
  if (registersOf(format.type) < 2 || registers.length !== registersOf(format.type)) return undefined;
  const other: RegisterFormat = { ...format, words: format.words === 'high' ? 'low' : 'high' };
  const [now, then] = [format, other].map((way) => decodeRegisters(registers, { ...way, scale: 1 })) as [
    number,
    number,
  ];
  const likelier = format.type.startsWith('float')
    ? !isUsual(now) && isUsual(then) && then !== 0
    : Math.abs(now) >= 2 ** 16 && then !== 0 && Math.abs(then) * SMALLER < Math.abs(now);
  return likelier ? { ...other, value: then * format.scale } : undefined;
}

/** A way to read registers that gives a known value. */
export interface Match extends RegisterFormat {
  readonly value: number;
}

const TYPES = Object.keys(BYTES) as RegisterType[];
const SCALES = [1, 0.1, 0.01, 0.001, 10, 100, 1000];

/**
 * Every way to read registers that gives a value known from the device's own display, within a relative tolerance,
 * the plainest first: the usual order before turned ones, no scale before others.
 */
export function matchingFormats(registers: readonly number[], known: number, tolerance = 0.005): Match[] {
  const within = (value: number): boolean =>
    Math.abs(value - known) <= Math.max(Math.abs(known) * tolerance, 1e-9);
  return TYPES.filter((type) => registersOf(type) === registers.length)
    .flatMap((type) =>
      (['high', 'low'] as const).flatMap((words) =>
        (['high', 'low'] as const).flatMap((bytes) =>
          SCALES.map((scale): RegisterFormat => ({ type, words, bytes, scale })),
        ),
      ),
    )
    .filter(({ words }) => registers.length > 1 || words === 'high')
    .map((format) => ({ ...format, value: decodeRegisters(registers, format) }))
    .filter(({ value }) => within(value))
    .sort((a, b) => oddity(a) - oddity(b));
}

const oddity = ({ words, bytes, scale }: RegisterFormat): number =>
  SCALES.indexOf(scale) * 4 + (bytes === 'low' ? 2 : 0) + (words === 'low' ? 1 : 0);

/** Registers as four hexadecimal digits each, as they stand. */
export const registersText = (registers: readonly number[]): string =>
  registers.map((register) => register.toString(16).padStart(4, '0').toUpperCase()).join(' ');
