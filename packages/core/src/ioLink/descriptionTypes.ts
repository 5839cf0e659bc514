import type { Message } from '../messages/index.ts';
import type { Scale, SimpleType } from './processData.ts';

/** One of the values that a variable or an item may take, with its name. */
interface NamedValue {
  readonly value: string;
  readonly name: string;
}

/** What a variable or an item of a record may hold. */
export interface Allowed {
  readonly values: readonly NamedValue[];
  readonly ranges: readonly { readonly min: number; readonly max: number }[];
}

/** An item of a record with its words and limits. */
export interface DescribedItem {
  readonly name: string;
  readonly subindex: number;
  readonly bitOffset: number;
  readonly type: SimpleType;
  readonly allowed: Allowed;
  readonly scale?: Scale;
}

export type Access = 'ro' | 'rw' | 'wo';

/** A parameter of a device: its index, words, type, limits and factory value. */
export interface DescribedVariable {
  readonly id: string;
  readonly index: number;
  readonly name: string;
  readonly description: string;
  readonly access: Access;
  /** A simple type, or the items of a record. */
  readonly type:
    | SimpleType
    | { readonly kind: 'record'; readonly bitLength: number; readonly items: readonly DescribedItem[] };
  readonly allowed: Allowed;
  readonly factory?: string;
}

/** One line of a menu: a variable, perhaps one item of it, perhaps with a scale; or a menu within. */
export type MenuLine =
  | {
      readonly kind: 'variable';
      readonly variableId: string;
      readonly subindex?: number;
      readonly scale?: Scale;
    }
  | { readonly kind: 'menu'; readonly menuId: string };

export interface DescribedMenu {
  readonly id: string;
  readonly name: string;
  readonly lines: readonly MenuLine[];
}

/** A record whose items have words and limits. */
export interface DescribedRecord {
  readonly bitLength: number;
  readonly items: readonly DescribedItem[];
}

/** The raw value of a variable, or of one of its items, under which process data is in force. */
export interface Condition {
  readonly variableId: string;
  readonly subindex?: number;
  readonly value: string;
}

export interface DescribedProcessData {
  readonly id: string;
  readonly condition?: Condition;
  readonly input?: DescribedRecord;
  readonly output?: DescribedRecord;
}

/** What a device description file says of a device. */
export interface IoLinkDescription {
  readonly vendorId: number;
  readonly deviceId: number;
  readonly vendor: string;
  readonly name: string;
  readonly products: readonly { readonly id: string; readonly name: string }[];
  readonly fileVersion: string;
  readonly revision: string;
  readonly bitrate: 'COM1' | 'COM2' | 'COM3';
  /** Shortest cycle, µs. */
  readonly minCycleMicroseconds: number;
  readonly variables: readonly DescribedVariable[];
  readonly processData: readonly DescribedProcessData[];
  readonly menus: readonly DescribedMenu[];
  /** What the file says and is not understood here. */
  readonly unread: readonly Message[];
}
