import { nth } from '../../lists/index.ts';
import { say, textOf } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { JobProblem } from '../../model/index.ts';

/** Functions of the application protocol that are spoken here (Modbus Application Protocol V1.1b3, 6). */
export const FUNCTIONS = {
  readCoils: 1,
  readDiscreteInputs: 2,
  readHoldingRegisters: 3,
  readInputRegisters: 4,
  writeCoil: 5,
  writeRegister: 6,
  writeCoils: 15,
  writeRegisters: 16,
} as const;

/** Whether a function reads bits or registers: its answer says how many bytes follow. */
export const isReading = (code: number): boolean =>
  code >= FUNCTIONS.readCoils && code <= FUNCTIONS.readInputRegisters;

/** Exceptions by their codes, in words (the same, 7). */
export const EXCEPTIONS: Readonly<Record<number, Message>> = {
  1: say('fieldbus.illegal-function-unit-does'),
  2: say('fieldbus.illegal-data-address-such'),
  3: say('fieldbus.illegal-data-value-number'),
  4: say('fieldbus.device-failure-could-do'),
  5: say('fieldbus.acknowledged-takes-while'),
  6: say('fieldbus.busy-try-again-later'),
  8: say('fieldbus.memory-parity-error'),
  10: say('fieldbus.gateway-path-unavailable'),
  11: say('fieldbus.gateway-target-does-answer'),
};

/** Most registers and bits in one request. */
const MAX = { readBits: 2000, readRegisters: 125, writeBits: 1968, writeRegisters: 123 } as const;

/** What a unit holds; an address that it lacks is undefined, a refused write false. */
export interface UnitMemory {
  readonly bit: (kind: 'coil' | 'input', address: number) => boolean | undefined;
  readonly register: (kind: 'holding' | 'input', address: number) => number | undefined;
  readonly writeBit: (address: number, value: boolean) => boolean;
  readonly writeRegister: (address: number, value: number) => boolean;
  /** Whether a register that is there takes a value; all that fit where this is left out. */
  readonly allows?: (address: number, value: number) => boolean;
}

/** Refused by the protocol: the code of its exception. */
export class UnitException extends Error {
  readonly code: number;
  readonly said: Message;
  constructor(code: number) {
    const said = EXCEPTIONS[code] ?? say('fieldbus.exception', { code });
    super(textOf(said));
    this.code = code;
    this.said = said;
  }
}

const word = (bytes: Uint8Array, at: number): number => (nth(bytes, at) << 8) | nth(bytes, at + 1);
const split = (value: number): [number, number] => [(value >> 8) & 0xff, value & 0xff];

/** A unit's answer to a request, exceptions among them; both without address and check sum. */
export function answerRequest(request: Uint8Array, memory: UnitMemory): Uint8Array {
  const code = request[0] ?? 0;
  try {
    return Uint8Array.from([code, ...answerOf(code, request, memory)]);
  } catch (error) {
    if (error instanceof UnitException) return Uint8Array.of(code | 0x80, error.code);
    throw error;
  }
}

function answerOf(code: number, request: Uint8Array, memory: UnitMemory): number[] {
  switch (code) {
    case FUNCTIONS.readCoils:
      return bits(request, (address) => memory.bit('coil', address));
    case FUNCTIONS.readDiscreteInputs:
      return bits(request, (address) => memory.bit('input', address));
    case FUNCTIONS.readHoldingRegisters:
      return registers(request, (address) => memory.register('holding', address));
    case FUNCTIONS.readInputRegisters:
      return registers(request, (address) => memory.register('input', address));
    case FUNCTIONS.writeCoil:
      return writeCoil(request, memory);
    case FUNCTIONS.writeRegister:
      return writeRegister(request, memory);
    case FUNCTIONS.writeCoils:
      return writeCoils(request, memory);
    case FUNCTIONS.writeRegisters:
      return writeRegisters(request, memory);
    default:
      throw new UnitException(1);
  }
}

/** Address and count of a request of a given length, within the most that is allowed. */
function span(request: Uint8Array, max: number, length?: number): { first: number; count: number } {
  if (request.length < 5 || (length !== undefined && request.length !== length)) throw new UnitException(3);
  const first = word(request, 1);
  const count = word(request, 3);
  if (count < 1 || count > max) throw new UnitException(3);
  if (first + count > 0x10000) throw new UnitException(2);
  return { first, count };
}

const range = (first: number, count: number): number[] => Array.from({ length: count }, (_, i) => first + i);

function bits(request: Uint8Array, read: (address: number) => boolean | undefined): number[] {
  const { first, count } = span(request, MAX.readBits, 5);
  const packed = new Array<number>(Math.ceil(count / 8)).fill(0);
  range(first, count).forEach((address, i) => {
    const value = read(address);
    if (value === undefined) throw new UnitException(2);
    if (value) packed[i >> 3] = nth(packed, i >> 3) | (1 << (i & 7));
  });
  return [packed.length, ...packed];
}

function registers(request: Uint8Array, read: (address: number) => number | undefined): number[] {
  const { first, count } = span(request, MAX.readRegisters, 5);
  const values = range(first, count).map((address) => {
    const value = read(address);
    if (value === undefined) throw new UnitException(2);
    return value;
  });
  return [2 * count, ...values.flatMap(split)];
}

function writeCoil(request: Uint8Array, memory: UnitMemory): number[] {
  if (request.length !== 5) throw new UnitException(3);
  const value = word(request, 3);
  if (value !== 0 && value !== 0xff00) throw new UnitException(3);
  if (!memory.writeBit(word(request, 1), value !== 0)) throw new UnitException(2);
  return [...request.subarray(1)];
}

function writeRegister(request: Uint8Array, memory: UnitMemory): number[] {
  if (request.length !== 5) throw new UnitException(3);
  const [address, value] = [word(request, 1), word(request, 3)];
  if (memory.register('holding', address) === undefined) throw new UnitException(2);
  if (memory.allows?.(address, value) === false) throw new UnitException(3);
  if (!memory.writeRegister(address, value)) throw new UnitException(2);
  return [...request.subarray(1)];
}

function writeCoils(request: Uint8Array, memory: UnitMemory): number[] {
  const { first, count } = span(request, MAX.writeBits);
  const bytes = Math.ceil(count / 8);
  if (request[5] !== bytes || request.length !== 6 + bytes) throw new UnitException(3);
  // All are there, or nothing is written.
  if (range(first, count).some((address) => memory.bit('coil', address) === undefined))
    throw new UnitException(2);
  range(first, count).forEach((address, i) => {
    if (!memory.writeBit(address, ((nth(request, 6 + (i >> 3)) >> (i & 7)) & 1) === 1))
      throw new UnitException(4);
  });
  return [...request.subarray(1, 5)];
}

function writeRegisters(request: Uint8Array, memory: UnitMemory): number[] {
  const { first, count } = span(request, MAX.writeRegisters);
  if (request[5] !== 2 * count || request.length !== 6 + 2 * count) throw new UnitException(3);
  if (range(first, count).some((address) => memory.register('holding', address) === undefined))
    throw new UnitException(2);
  if (range(first, count).some((address, i) => memory.allows?.(address, word(request, 6 + 2 * i)) === false))
    throw new UnitException(3);
  range(first, count).forEach((address, i) => {
    if (!memory.writeRegister(address, word(request, 6 + 2 * i))) throw new UnitException(4);
  });
  return [...request.subarray(1, 5)];
}

/** A request to read registers. @throws JobProblem for what no request can ask. */
export function readRegistersRequest(kind: 'holding' | 'input', first: number, count: number): Uint8Array {
  if (!Number.isInteger(first) || first < 0 || first > 0xffff)
    throw new JobProblem([{ path: 'first', message: say('fieldbus.registers-numbered-0-65535') }]);
  if (!Number.isInteger(count) || count < 1 || count > MAX.readRegisters)
    throw new JobProblem([
      {
        path: 'count',
        message: say('fieldbus.request-reads-1-registers', { readRegisters: MAX.readRegisters }),
      },
    ]);
  const code = kind === 'holding' ? FUNCTIONS.readHoldingRegisters : FUNCTIONS.readInputRegisters;
  return Uint8Array.of(code, ...split(first), ...split(count));
}

/** A request to write registers. @throws JobProblem for what no request can carry. */
export function writeRegistersRequest(first: number, values: readonly number[]): Uint8Array {
  if (values.length < 1 || values.length > MAX.writeRegisters)
    throw new JobProblem([
      {
        path: 'values',
        message: say('fieldbus.request-writes-1-registers', { writeRegisters: MAX.writeRegisters }),
      },
    ]);
  const wrong = values.find((value) => !Number.isInteger(value) || value < 0 || value > 0xffff);
  if (wrong !== undefined)
    throw new JobProblem([{ path: 'values', message: say('fieldbus.register-holds-0-65535', { wrong }) }]);
  return Uint8Array.of(
    FUNCTIONS.writeRegisters,
    ...split(first),
    ...split(values.length),
    2 * values.length,
    ...values.flatMap(split),
  );
}

/**
 * The registers in an answer to a read.
 * @throws UnitException with the unit's own exception; JobProblem for an answer that fits no such request.
 */
export function readRegistersAnswer(request: Uint8Array, answer: Uint8Array): number[] {
  if (answer[0] === (nth(request, 0) | 0x80)) throw new UnitException(answer[1] ?? 0);
  const count = word(request, 3);
  if (answer[0] !== request[0] || answer[1] !== 2 * count || answer.length !== 2 + 2 * count)
    throw new JobProblem([{ path: '', message: say('fieldbus.answer-does-belong-what') }]);
  return range(0, count).map((i) => word(answer, 2 + 2 * i));
}
