import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { JobProblem } from '../model/index.ts';
import { instantOf, rawInstant, rawSpan, spanOf } from './timeTypes.ts';

/** The simple data types of process data and parameters (IO-Link Interface and System Specification, annex F). */
export type SimpleType =
  | { readonly kind: 'boolean' }
  | { readonly kind: 'uint' | 'int'; readonly bits: number }
  | { readonly kind: 'float32' }
  | { readonly kind: 'string' | 'octets'; readonly bytes: number }
  /** In the order of their subindexes: the first stands highest. */
  | { readonly kind: 'booleans'; readonly count: number }
  /** A point of time, and a span: see `timeTypes.ts`. */
  | { readonly kind: 'time' | 'span' };

/** One item of a record: where its lowest bit stands, counted from the last bit that is sent. */
export interface RecordItem {
  readonly name: string;
  readonly bitOffset: number;
  readonly type: SimpleType;
}

export interface RecordLayout {
  readonly bitLength: number;
  readonly items: readonly RecordItem[];
}

export type ItemValue = boolean | number | bigint | string | Uint8Array | readonly boolean[];

/** Bits that a type takes. */
export function bitsOf(type: SimpleType): number {
  switch (type.kind) {
    case 'boolean':
      return 1;
    case 'uint':
    case 'int':
      return type.bits;
    case 'float32':
      return 32;
    case 'string':
    case 'octets':
      return 8 * type.bytes;
    case 'booleans':
      return type.count;
    case 'time':
    case 'span':
      return 64;
  }
}

/** What cannot be in a layout: items beyond its end or over one another, lengths that no type has. */
export function layoutProblems({ bitLength, items }: RecordLayout): Message[] {
  const problems: Message[] = [];
  const owner = new Map<number, string>();
  if (!Number.isInteger(bitLength) || bitLength < 0 || bitLength > 256)
    problems.push(say('ioLink.record-0-256-bits', { bitLength }));
  for (const { name, bitOffset, type } of items) {
    const bits = bitsOf(type);
    const max = type.kind === 'uint' || type.kind === 'int' ? 64 : 256;
    const min = type.kind === 'int' || type.kind === 'uint' ? 2 : 1;
    if (!Number.isInteger(bits) || bits < min || bits > max)
      problems.push(say('ioLink.bits-allowed', { name, bits, min, max }));
    else if (!Number.isInteger(bitOffset) || bitOffset < 0 || bitOffset + bits > bitLength)
      problems.push(say('ioLink.lies-bits-beyond-record', { name, bitOffset, bits, bitLength }));
    else {
      const taken = Array.from({ length: bits }, (_, i) => owner.get(bitOffset + i)).find((other) => other);
      if (taken !== undefined) problems.push(say('ioLink.lies-over', { name, taken }));
      for (let i = 0; i < bits; i++) owner.set(bitOffset + i, name);
    }
  }
  return problems;
}

const bytesFor = (bits: number): number => Math.ceil(bits / 8);

/**
 * Takes a record apart. Its first byte holds the highest bits; an item may cross byte borders.
 * @param bytes as sent; their number must fit the record's bits.
 * @throws JobProblem when their number does not fit.
 */
export function decodeRecord({ bitLength, items }: RecordLayout, bytes: Uint8Array): Map<string, ItemValue> {
  if (bytes.length !== bytesFor(bitLength))
    throw new JobProblem([
      {
        path: '',
        message: say('ioLink.these-bytes-record-bits', {
          bytes: bytes.length,
          bitLength,
          bytesFor: bytesFor(bitLength),
        }),
      },
    ]);
  const whole = bytes.reduce((sum, byte) => (sum << 8n) | BigInt(byte), 0n);
  return new Map(
    items.map(({ name, bitOffset, type }) => {
      const bits = bitsOf(type);
      const raw = (whole >> BigInt(bitOffset)) & ((1n << BigInt(bits)) - 1n);
      return [name, valueOf(type, raw)];
    }),
  );
}

function valueOf(type: SimpleType, raw: bigint): ItemValue {
  switch (type.kind) {
    case 'boolean':
      return raw === 1n;
    case 'uint':
      return type.bits > 53 ? raw : Number(raw);
    case 'int': {
      const signed = BigInt.asIntN(type.bits, raw);
      return type.bits > 53 ? signed : Number(signed);
    }
    case 'float32': {
      const view = new DataView(new ArrayBuffer(4));
      view.setUint32(0, Number(raw));
      return view.getFloat32(0);
    }
    case 'octets':
      return octets(raw, type.bytes);
    case 'string':
      return new TextDecoder().decode(octets(raw, type.bytes)).replace(/\0+$/, '');
    case 'booleans':
      return Array.from({ length: type.count }, (_, i) => ((raw >> BigInt(type.count - 1 - i)) & 1n) === 1n);
    case 'time':
      return instantOf(raw);
    case 'span':
      return spanOf(raw);
  }
}

const octets = (raw: bigint, count: number): Uint8Array =>
  Uint8Array.from({ length: count }, (_, i) => Number((raw >> BigInt(8 * (count - 1 - i))) & 0xffn));

/**
 * Puts a record together; items that are not named are 0.
 * @throws JobProblem for a value of another kind or beyond its type, with what is allowed.
 */
export function encodeRecord(
  { bitLength, items }: RecordLayout,
  values: ReadonlyMap<string, ItemValue>,
): Uint8Array {
  let whole = 0n;
  for (const { name, bitOffset, type } of items) {
    const value = values.get(name);
    if (value !== undefined) whole |= rawOf(name, type, value) << BigInt(bitOffset);
  }
  return octets(whole, bytesFor(bitLength));
}

function rawOf(name: string, type: SimpleType, value: ItemValue): bigint {
  const refuse = (allowed: Message): never => {
    throw new JobProblem([
      { path: name, message: say('ioLink.cannot-be', { name, string: String(value), allowed }) },
    ]);
  };
  switch (type.kind) {
    case 'boolean':
      return typeof value === 'boolean' ? (value ? 1n : 0n) : refuse(say('ioLink.true-false'));
    case 'uint':
    case 'int':
      return integerOf(type, value, refuse);
    case 'float32': {
      if (typeof value !== 'number') return refuse(say('ioLink.it-is-a-number'));
      const view = new DataView(new ArrayBuffer(4));
      view.setFloat32(0, value);
      return BigInt(view.getUint32(0));
    }
    case 'string':
    case 'octets': {
      const bytes = typeof value === 'string' ? new TextEncoder().encode(value) : value;
      if (!(bytes instanceof Uint8Array) || bytes.length > type.bytes)
        return refuse(say('ioLink.most-bytes-fit', { bytes: type.bytes }));
      // A shorter text stands first, with zeros behind it.
      return (
        [...bytes].reduce((sum, byte) => (sum << 8n) | BigInt(byte), 0n) <<
        BigInt(8 * (type.bytes - bytes.length))
      );
    }
    case 'booleans':
      return Array.isArray(value) && value.length === type.count
        ? value.reduce<bigint>((sum, on) => (sum << 1n) | (on === true ? 1n : 0n), 0n)
        : refuse(say('ioLink.times-true-false', { count: type.count }));
    case 'time':
      return (
        (typeof value === 'string' ? rawInstant(value) : undefined) ?? refuse(say('ioLink.it-is-a-time'))
      );
    case 'span':
      return (typeof value === 'number' ? rawSpan(value) : undefined) ?? refuse(say('ioLink.it-is-a-span'));
  }
}

function integerOf(
  { kind, bits }: { readonly kind: 'uint' | 'int'; readonly bits: number },
  value: ItemValue,
  refuse: (allowed: Message) => never,
): bigint {
  const size = 1n << BigInt(bits);
  const [min, max] = kind === 'uint' ? [0n, size - 1n] : [-size / 2n, size / 2n - 1n];
  if (typeof value !== 'bigint' && !(typeof value === 'number' && Number.isInteger(value)))
    return refuse(say('ioLink.whole-number', { min: String(min), max: String(max) }));
  const whole = BigInt(value);
  return whole >= min && whole <= max
    ? BigInt.asUintN(bits, whole)
    : refuse(say('ioLink.whole-number', { min: String(min), max: String(max) }));
}

/** What a number in a record means: `value · gradient + offset` in a unit. */
export interface Scale {
  readonly gradient: number;
  readonly offset: number;
  readonly unit: string;
}

export const scaled = (raw: number, { gradient, offset }: Scale): number => raw * gradient + offset;

/** The nearest raw number to a scaled one. @throws JobProblem for a gradient of 0. */
export function unscaled(value: number, { gradient, offset }: Scale): number {
  if (gradient === 0) throw new JobProblem([{ path: 'gradient', message: say('ioLink.gradient-0') }]);
  return Math.round((value - offset) / gradient);
}
