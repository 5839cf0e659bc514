export { SIGNALS, ohmsAt } from './behaviours/analog.ts';
export {
  DEVICE_TYPES,
  MODULE_TYPES,
  deviceType,
  findDeviceType,
  findModuleType,
  moduleType,
  parametersOfType,
  portsOf,
  resistanceOf,
  settingsOf,
  settingsOfDevice,
  supplyTerminals,
  takesRange,
  terminalWithRole,
} from './catalog.ts';
export { LOADS, RELAYS } from './devices/relays.ts';
export type { FitCheck, PlateFact } from './handling/handling.ts';
export { PULSE_WIDTHS } from './handling/menu.ts';
export { BAUDS, FRAMES } from './handling/talking.ts';
export type { SerialFrame } from './handling/talking.ts';
export { BURDEN_OHMS } from './modules/analog.ts';
export { allowedWords, readValue, valueWords } from './parameters.ts';
export type { Parameter, Rule, Setting } from './parameters.ts';
export type {
  AnalogPort,
  ContactRating,
  DeviceFamily,
  DeviceTerminal,
  DeviceType,
  DigitalPort,
  FaceGlyph,
  FaceRow,
  LoadRating,
  ModuleFamily,
  ModuleGroup,
  ModuleType,
  PartNow,
  PartTerminal,
  PartType,
  Port,
  SafetyPort,
  SignalKind,
  TalkingPort,
  TerminalRole,
} from './types.ts';
