import { nth, sure } from '@keypost/core/lists';
import {
  bitsOf,
  COMMAND_INDEX,
  decodeParameter,
  decodeRecord,
  encodeParameter,
  encodeRecord,
  processDataInForce,
  SWITCH_CHANNELS,
  SWITCH_MODES,
  switchedBy,
  TEACH_COMMANDS,
  TEACH_RESULT_INDEX,
  TEACH_SELECT_INDEX,
} from '@keypost/core/ioLink';
import type {
  BusParameter,
  DescribedItem,
  DescribedVariable,
  ItemValue,
  KnownDescription,
  SwitchChannel,
} from '@keypost/core/ioLink';

/** A refusal of a device with the error of the standard (IO-Link Interface and System Specification, annex C). */
export class IsduError extends Error {
  readonly code: number;
  constructor(code: number) {
    super(ISDU_ERRORS[code] ?? 'Device application error');
    this.code = code;
  }
}

const ISDU_ERRORS: Readonly<Record<number, string>> = {
  0x8000: 'Device application error',
  0x8011: 'Index not available',
  0x8012: 'Subindex not available',
  0x8023: 'Access denied',
  0x8030: 'Parameter value out of range',
  0x8031: 'Parameter value above limit',
  0x8032: 'Parameter value below limit',
  0x8033: 'Parameter length overrun',
  0x8034: 'Parameter length underrun',
  0x8035: 'Function not available',
};

const MODES = Object.keys(SWITCH_MODES) as (keyof typeof SWITCH_MODES)[];

/** How its target moves: slowly up and down over its range, one period in this many ms. */
const PERIOD_MS = 40_000;

/** A device behind a simulated master: keeps its parameters, measures a target that moves, refuses as the standard says. */
export class SimulatedDevice {
  readonly known: KnownDescription;
  readonly serialNumber: string;
  private readonly stored = new Map<number, Uint8Array>();
  private readonly now: () => number;
  private output: Uint8Array;
  private frozen?: number;
  /** How each switching channel compared last: within its hysteresis that decides. */
  private readonly compared = new Map<number, boolean>();

  constructor(known: KnownDescription, serialNumber: string, now: () => number = Date.now) {
    this.known = known;
    this.serialNumber = serialNumber;
    this.now = now;
    this.reset();
    this.output = new Uint8Array(Math.ceil((this.outputLayout?.bitLength ?? 0) / 8));
  }

  private get processData() {
    return processDataInForce(this.known, (key) => this.shown(key)).data;
  }

  /** What a parameter holds, as the device shows it. */
  private shown(key: string): string | undefined {
    const parameter = this.known.parameters.find((p) => p.key === key);
    return parameter && decodeParameter(parameter, this.read(parameter.index, parameter.subindex));
  }

  private get inputLayout() {
    return this.processData?.input;
  }

  private get outputLayout() {
    return this.processData?.output;
  }

  /** Everything back to factory values. */
  reset(): void {
    this.stored.clear();
    for (const variable of this.known.description.variables)
      this.stored.set(variable.index, factoryBytes(variable, this.known.parameters));
    this.stored.set(21, new TextEncoder().encode(this.serialNumber));
  }

  private variable(index: number): DescribedVariable {
    const variable = this.known.description.variables.find((v) => v.index === index);
    if (!variable) throw new IsduError(0x8011);
    return variable;
  }

  /** @throws IsduError as a device would refuse. */
  read(index: number, subindex: number): Uint8Array {
    const variable = this.variable(index);
    if (variable.access === 'wo') throw new IsduError(0x8023);
    const whole = sure(this.stored.get(index));
    return subindex === 0 ? whole : this.item(variable, subindex, whole);
  }

  private itemOf(variable: DescribedVariable, subindex: number): DescribedItem {
    const item =
      variable.type.kind === 'record' ? variable.type.items.find((i) => i.subindex === subindex) : undefined;
    if (!item) throw new IsduError(0x8012);
    return item;
  }

  private item(variable: DescribedVariable, subindex: number, whole: Uint8Array): Uint8Array {
    const item = this.itemOf(variable, subindex);
    const { type } = variable;
    if (type.kind !== 'record') throw new IsduError(0x8012);
    const value = sure(decodeRecord(type, whole).get(item.name));
    return encodeRecord(alone(item), new Map([[item.name, value]]));
  }

  /** @throws IsduError as a device would refuse: unknown index, read only, too long or short, out of its range. */
  write(index: number, subindex: number, bytes: Uint8Array): void {
    if (index === COMMAND_INDEX) return this.command(bytes);
    const variable = this.variable(index);
    if (variable.access === 'ro') throw new IsduError(0x8023);
    const parameters = this.known.parameters.filter((p) => p.index === index);
    if (subindex === 0) {
      this.checkLength(bytes, sure(this.stored.get(index)).length, variable.type.kind === 'string');
      for (const parameter of parameters) checkRange(parameter, valueIn(variable, parameter, bytes));
      this.stored.set(index, bytes);
      return;
    }
    const item = this.itemOf(variable, subindex);
    const layout = alone(item);
    this.checkLength(bytes, layout.bitLength / 8, false);
    const value = sure(decodeRecord(layout, bytes).get(item.name));
    checkRange(sure(parameters.find((p) => p.subindex === subindex)), value);
    const { type } = variable;
    if (type.kind !== 'record') throw new IsduError(0x8012);
    const values = decodeRecord(type, sure(this.stored.get(index)));
    values.set(item.name, value);
    this.stored.set(index, encodeRecord(type, values));
  }

  private checkLength(bytes: Uint8Array, length: number, text: boolean): void {
    if (bytes.length > length && !text) throw new IsduError(0x8033);
    if (text && bytes.length > 64) throw new IsduError(0x8033);
    if (bytes.length < length && !text) throw new IsduError(0x8034);
  }

  /** Teaching: takes the present value over as a switching point of the channel that is chosen. */
  private command(bytes: Uint8Array): void {
    const code = bytes[0] ?? 0;
    if (code === 130) return this.reset();
    const chosen = this.stored.get(TEACH_SELECT_INDEX)?.[0] ?? 0;
    const channel = (SWITCH_CHANNELS.find(({ select }) => select === chosen) ?? SWITCH_CHANNELS[0]).points;
    const points = this.stored.get(channel);
    if (!points || !(Object.values(TEACH_COMMANDS) as number[]).includes(code)) throw new IsduError(0x8035);
    if (code === TEACH_COMMANDS.cancel) return void this.stored.set(TEACH_RESULT_INDEX, Uint8Array.of(0));
    const raw = Math.round(this.measured()) & 0xffff;
    const at = code === TEACH_COMMANDS['SP1 from the present value'] ? 0 : 2;
    const next = Uint8Array.from(points);
    next[at] = raw >> 8;
    next[at + 1] = raw & 0xff;
    this.stored.set(channel, next);
    this.stored.set(TEACH_RESULT_INDEX, Uint8Array.of(at === 0 ? 1 : 2));
  }

  /** Holds the target still at a share of the range, or lets it move again. */
  hold(share: number | undefined): void {
    this.frozen = share;
  }

  private share(): number {
    return this.frozen ?? (1 - Math.cos((2 * Math.PI * this.now()) / PERIOD_MS)) / 2;
  }

  /** The present value of the first item, raw. */
  private measured(): number {
    const item = this.inputLayout?.items[0];
    return item ? valueAt(item, this.share()) : 0;
  }

  /** Process data as it is at this moment. */
  processIn(): Uint8Array {
    const layout = this.inputLayout;
    if (!layout) return new Uint8Array(0);
    const values = new Map<string, ItemValue>();
    layout.items.forEach((item, i) => {
      if (item.type.kind === 'booleans') values.set(item.name, this.feedback(item.type.count));
      else if (['uint', 'int', 'float32'].includes(item.type.kind))
        values.set(item.name, valueAt(item, (this.share() + i * 0.13) % 1));
    });
    if (layout.items[0] && layout.items[0].type.kind !== 'booleans')
      values.set(layout.items[0].name, this.measured());
    const bits = layout.items
      .filter(({ type }) => type.kind === 'boolean')
      .sort((a, b) => a.bitOffset - b.bitOffset);
    bits.forEach((item, channel) => values.set(item.name, this.switched(channel)));
    return encodeRecord(layout, values);
  }

  /** Feedback of outputs: each as it was sent. */
  private feedback(count: number): boolean[] {
    const raw = [...this.output].reduce((sum, byte) => (sum << 8) | byte, 0);
    return Array.from({ length: count }, (_, i) => ((raw >> (count - 1 - i)) & 1) === 1);
  }

  private switched(channel: number): boolean {
    const place = SWITCH_CHANNELS[channel];
    const points = place && this.stored.get(place.points);
    const config = place && this.stored.get(place.config);
    const signed = this.inputLayout?.items[0]?.type.kind === 'int';
    if (!points || !config) return this.share() > 0.7;
    const word = (bytes: Uint8Array, at: number): number => {
      const raw = (nth(bytes, at) << 8) | nth(bytes, at + 1);
      return signed && raw > 0x7fff ? raw - 0x10000 : raw;
    };
    const chosen: SwitchChannel = {
      sp1: word(points, 0),
      sp2: word(points, 2),
      turned: config[0] === 1,
      mode: MODES[nth(config, 1)] ?? '0',
      hysteresis: (nth(config, 2) << 8) | nth(config, 3),
    };
    try {
      const on = nth(switchedBy(chosen, [this.measured()], this.compared.get(channel)), 0);
      this.compared.set(channel, on !== chosen.turned);
      return on;
    } catch {
      return false;
    }
  }

  processOut(): Uint8Array {
    return this.output;
  }

  /** @throws IsduError for more or fewer bytes than described. */
  setProcessOut(bytes: Uint8Array): void {
    if (bytes.length !== this.output.length)
      throw new IsduError(bytes.length > this.output.length ? 0x8033 : 0x8034);
    this.output = bytes;
  }
}

const alone = (item: DescribedItem) => ({
  bitLength: Math.max(8, 8 * Math.ceil(bitsOf(item.type) / 8)),
  items: [{ ...item, bitOffset: 0 }],
});

function factoryBytes(variable: DescribedVariable, parameters: readonly BusParameter[]): Uint8Array {
  const own = parameters.filter(({ index }) => index === variable.index);
  if (variable.type.kind === 'record') {
    const values = new Map<string, ItemValue>();
    for (const item of variable.type.items)
      if (item.type.kind !== 'boolean') values.set(item.name, minOf(item));
    return encodeRecord(variable.type, values);
  }
  if (variable.type.kind === 'string') return new TextEncoder().encode(variable.factory ?? '');
  const parameter = own[0];
  if (variable.type.kind === 'time') return new Uint8Array(8);
  if (!parameter) return new Uint8Array(1);
  return encodeParameter(
    parameter,
    parameter.factory ?? parameter.choices?.[0]?.value ?? String(parameter.min ?? 0),
  );
}

const minOf = ({ allowed, type }: DescribedItem): number =>
  type.kind === 'float32'
    ? (allowed.ranges[0]?.min ?? 0)
    : (allowed.ranges[0]?.min ?? Number(allowed.values[0]?.value ?? 0));

/** Raw value of an item at a share of its range. */
function valueAt({ allowed, type }: DescribedItem, share: number): number {
  const [first] = allowed.values;
  if (first && allowed.ranges.length === 0) return Number(first.value);
  const bits = bitsOf(type);
  const range = allowed.ranges[0] ?? { min: 0, max: type.kind === 'uint' ? 2 ** bits - 1 : 100 };
  const value = range.min + share * (range.max - range.min);
  return type.kind === 'float32' ? Math.fround(value) : Math.round(value);
}

function valueIn(variable: DescribedVariable, parameter: BusParameter, bytes: Uint8Array): ItemValue {
  if (variable.type.kind === 'record') {
    const item = sure(variable.type.items.find(({ subindex }) => subindex === parameter.subindex));
    return sure(decodeRecord(variable.type, bytes).get(item.name));
  }
  if (variable.type.kind === 'string') return new TextDecoder().decode(bytes);
  return sure(
    decodeRecord(
      { bitLength: 8 * bytes.length, items: [{ name: 'value', bitOffset: 0, type: variable.type }] },
      bytes,
    ).get('value'),
  );
}

/** @throws IsduError for a number outside what the description allows. */
function checkRange({ choices, min, max, scale, kind }: BusParameter, value: ItemValue): void {
  if (typeof value !== 'number') return;
  if (kind === 'choice') {
    if (!choices?.some((choice) => Number(choice.value) === value)) throw new IsduError(0x8030);
    return;
  }
  const shown = scale ? value * scale.gradient + scale.offset : value;
  const slack = 1e-6 * Math.max(1, Math.abs(shown));
  if (min !== undefined && shown < min - slack) throw new IsduError(0x8032);
  if (max !== undefined && shown > max + slack) throw new IsduError(0x8031);
}
