import type { LoopTerminal, LoopView, LoopWire } from '@keypost/core';

/** A place on the sheet, in its own units: 366 wide, as high as the loop needs. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** A plate on the sheet. */
export interface Box extends Spot {
  readonly width: number;
  readonly height: number;
}

export interface PlacedTerminal extends Spot {
  readonly terminal: LoopTerminal;
  /** What it belongs to, for those who hear the drawing. */
  readonly owner: string;
}

export interface PlacedWire {
  readonly wire: LoopWire;
  readonly from: Spot;
  readonly to: Spot;
  readonly label: Spot;
}

/** A stub that ends in the air. */
export interface Gap {
  readonly from: Spot;
  readonly to: Spot;
}

export interface Slot extends Spot {
  readonly closed: boolean;
}

export interface LoopLayout {
  readonly width: number;
  readonly height: number;
  readonly rails: {
    readonly plus: number;
    readonly minus: number;
    readonly top: number;
    readonly bottom: number;
  };
  readonly device: Box;
  readonly emitter?: Box;
  readonly input: Box;
  readonly terminals: readonly PlacedTerminal[];
  readonly wires: readonly PlacedWire[];
  readonly gaps: readonly Gap[];
  /** Thin lines inside the plates. */
  readonly inner: readonly (readonly Spot[])[];
  readonly slots: readonly Slot[];
  readonly resistor?: Spot;
  /** The current's way, in the sense of the conventional current. */
  readonly path?: readonly Spot[];
  readonly signal: { readonly x: number; readonly top: number; readonly bottom: number };
  readonly commonSide: 'left' | 'right';
}

const WIDTH = 366;
const PLUS = 20;
const MINUS = WIDTH - 20;
const LEFT = 74;
const RIGHT = WIDTH - 74;
const MIDDLE = WIDTH / 2;
const DEVICE_HEIGHT = 98;
const EMITTER_HEIGHT = 56;
/** From a device's supply terminals down to its foot. */
const FOOT = 34;
const SIGNAL_LENGTH = 80;
const INPUT_HEIGHT = 116;
/** From a channel's terminal down to its network. */
export const CHANNEL = 50;
const TOP = 42;

/** Places a loop: rails upright at the sides, the field device above, its channel below, what joins them between. */
export function layOut(view: LoopView): LoopLayout {
  const emitter: Box | undefined = view.device.emitter && {
    x: LEFT,
    y: TOP,
    width: RIGHT - LEFT,
    height: EMITTER_HEIGHT,
  };
  const deviceTop = TOP + (emitter ? EMITTER_HEIGHT + 14 : 0);
  const device: Box = { x: LEFT, y: deviceTop, width: RIGHT - LEFT, height: DEVICE_HEIGHT };
  const signalTop = deviceTop + DEVICE_HEIGHT;
  const input: Box = { x: LEFT, y: signalTop + SIGNAL_LENGTH, width: RIGHT - LEFT, height: INPUT_HEIGHT };
  const sheet = new Sheet();
  const supplyY = deviceTop + DEVICE_HEIGHT - FOOT;
  if (emitter) placeEmitter(sheet, view, emitter.y + 42);
  const deviceWay = view.device.side ? placeContact(sheet, view, supplyY) : placeSensor(sheet, view, supplyY);
  const top = { x: MIDDLE, y: signalTop };
  sheet.terminal(view.device.signal, top, view.device.tag);
  const bottom = { x: MIDDLE, y: input.y };
  const commonSide = sideOfCommon(view);
  const inputWay = view.input ? placeInput(sheet, view, input, commonSide) : [];
  placeSignal(sheet, view, top, bottom);
  const along = [...deviceWay, top, bottom, ...inputWay];
  return {
    width: WIDTH,
    height: input.y + INPUT_HEIGHT + 22,
    rails: { plus: PLUS, minus: MINUS, top: TOP - 10, bottom: input.y + INPUT_HEIGHT + 10 },
    device,
    emitter,
    input,
    ...sheet,
    path: view.flow === 'none' ? undefined : view.flow === 'toInput' ? along : [...along].reverse(),
    resistor: view.input && { x: commonSide === 'left' ? 128 : WIDTH - 128, y: input.y + CHANNEL },
    signal: { x: MIDDLE, top: signalTop, bottom: input.y },
    commonSide,
  };
}

class Sheet {
  readonly terminals: PlacedTerminal[] = [];
  readonly wires: PlacedWire[] = [];
  readonly gaps: Gap[] = [];
  readonly inner: Spot[][] = [];
  readonly slots: Slot[] = [];

  terminal(terminal: LoopTerminal, at: Spot, owner: string): void {
    this.terminals.push({ terminal, owner, ...at });
  }

  /** A terminal at a plate's side and what it is wired to; without a wire a stub in the air. */
  atSide(terminal: LoopTerminal, y: number, side: 'left' | 'right', owner: string): Spot {
    const at = { x: side === 'left' ? LEFT : RIGHT, y };
    const rail = side === 'left' ? PLUS : MINUS;
    this.terminal(terminal, at, owner);
    const { wire } = terminal;
    const home = side === 'left' ? '+' : '-';
    if (!wire) this.gaps.push({ from: at, to: { x: at.x + (rail - at.x) * 0.42, y } });
    else if (wire.to === home)
      this.wires.push({ wire, from: at, to: { x: rail, y }, label: { x: (at.x + rail) / 2, y } });
    else if (wire.to === '+' || wire.to === '-') {
      const far = wire.to === '+' ? PLUS : MINUS;
      this.wires.push({ wire, from: at, to: { x: far, y }, label: { x: (at.x + rail) / 2, y } });
    } else this.gaps.push({ from: at, to: { x: at.x + (rail - at.x) * 0.42, y } });
    return { x: rail, y };
  }
}

function placeEmitter(sheet: Sheet, { device }: LoopView, y: number): void {
  const owner = `emitter of ${device.tag}`;
  sheet.atSide(device.emitter!.plus, y, 'left', owner);
  sheet.atSide(device.emitter!.minus, y, 'right', owner);
}

/** Places supply terminals and transistors of a sensor. @returns the way from the rail to the signal terminal. */
function placeSensor(sheet: Sheet, { device, through }: LoopView, y: number): Spot[] {
  const corner = { x: MIDDLE, y };
  const bottom = { x: MIDDLE, y: y + FOOT };
  const plus = sheet.atSide(device.plus!, y, 'left', device.tag);
  const minus = sheet.atSide(device.minus!, y, 'right', device.tag);
  if (device.high !== undefined) {
    sheet.inner.push([{ x: LEFT, y }, corner, bottom]);
    sheet.slots.push({ x: (LEFT + MIDDLE) / 2, y, closed: device.high });
  }
  if (device.low !== undefined) {
    sheet.inner.push([{ x: RIGHT, y }, corner, bottom]);
    sheet.slots.push({ x: (RIGHT + MIDDLE) / 2, y, closed: device.low });
  }
  return [through === 'low' ? minus : plus, corner];
}

/** Places a contact, its first side at the rail that it is wired to. */
function placeContact(sheet: Sheet, { device, flow }: LoopView, y: number): Spot[] {
  const wired = device.side!.wire?.to;
  const side = wired === '-' || (wired === undefined && flow === 'fromInput') ? 'right' : 'left';
  const rail = sheet.atSide(device.side!, y, side, device.tag);
  const corner = { x: MIDDLE, y };
  sheet.inner.push([{ x: side === 'left' ? LEFT : RIGHT, y }, corner, { x: MIDDLE, y: y + FOOT }]);
  sheet.slots.push({
    x: ((side === 'left' ? LEFT : RIGHT) + MIDDLE) / 2,
    y,
    closed: device.contact === true,
  });
  return [rail, corner];
}

function sideOfCommon({ input, device }: LoopView): 'left' | 'right' {
  const to = input?.common.wire?.to;
  if (to === '+') return 'left';
  if (to === '-') return 'right';
  return device.low !== undefined && device.high === undefined ? 'left' : 'right';
}

/** Places the channel's network. @returns the way from its terminal to the rail. */
function placeInput(sheet: Sheet, view: LoopView, box: Box, side: 'left' | 'right'): Spot[] {
  const input = view.input!;
  const y = box.y + CHANNEL;
  sheet.terminal(input.terminal, { x: MIDDLE, y: box.y }, input.title);
  const rail = sheet.atSide(input.common, y, side, input.title);
  const corner = { x: MIDDLE, y };
  sheet.inner.push([{ x: MIDDLE, y: box.y }, corner, { x: side === 'left' ? LEFT : RIGHT, y }]);
  return [corner, rail];
}

function placeSignal(sheet: Sheet, { device }: LoopView, top: Spot, bottom: Spot): void {
  const { wire } = device.signal;
  if (wire?.to === 'input')
    sheet.wires.push({ wire, from: top, to: bottom, label: { x: MIDDLE - 22, y: (top.y + bottom.y) / 2 } });
  else sheet.gaps.push({ from: top, to: { x: top.x, y: top.y + SIGNAL_LENGTH * 0.4 } });
}

/** Middle of the signal wire, where its plates and the arrow stand. */
export function middleOf({ signal }: LoopLayout): Spot {
  return { x: signal.x, y: (signal.top + signal.bottom) / 2 };
}
