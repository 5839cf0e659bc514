export {
  DEVICE_TYPES,
  DRY_CONTACT_ID,
  LAMP_IDS,
  MODULE_TYPES,
  RELAY_TYPES,
  COIL_SENSOR_ID,
  ELEMENT_IDS,
  RESISTOR_ID,
  STACK_LIGHT_ID,
  USUAL_DEVICE,
} from './catalog.ts';
export { DeviceDescription } from './description/deviceDescription.ts';
export type { OperatingState } from './description/expression.ts';
export { figuresIn, withFigures } from './description/figure.ts';
export { Figure } from './description/figureSchema.ts';
export { figureText, namedFigures, tellingUnit } from './description/figureText.ts';
export type { NamedFigure } from './description/figureText.ts';
export { isJoints } from './description/joints.ts';
export { ModuleDescription } from './description/moduleDescription.ts';
export { FaceRow, PartTerminal, TerminalRole } from './description/terminals.ts';
export type { FaceGlyph } from './description/terminals.ts';
export {
  choiceWithin,
  chosenOutput,
  outputOfType,
  outputsNow,
  resistanceOfOutput,
  tellingTerminals,
} from './deviceType.ts';
export type { ContactRating, DeviceOutput, DeviceType, LoadRating, ResistanceElement } from './deviceType.ts';
export {
  isNameSettled,
  outputToCopy,
  withChannel,
  withCommonFrom,
  withOutput,
  withTerminalNamed,
  withoutChannel,
  withoutOutput,
} from './editing.ts';
export type { FitCheck, PlateFact } from './handling/handling.ts';
export { PULSE_WIDTHS } from './handling/menu.ts';
export { BAUDS, FRAMES } from './handling/fieldbus.ts';
export type { SerialFrame } from './handling/fieldbus.ts';
export { problemsOfKind } from './kindProblems.ts';
export type { ModuleType, PossiblePort } from './moduleType.ts';
export { MAKE_UPS } from './makeUps.ts';
export type { MakeUp } from './makeUps.ts';
export { USUAL_MODULE } from './modules/inputs.ts';
export { allowedText, readSetting, readValue, takesSetting, valueText } from './parameters.ts';
export { isRaw, rawValue } from './rawValue.ts';
export type { Parameter, Rule, Setting } from './parameters.ts';
export { parametersOfType, printedOn, settingsOf, terminalWithRole } from './partType.ts';
export type { PartType } from './partType.ts';
export { PartTypes, partTypesOf, supplyTerminals, takesRange } from './partTypes.ts';
export type { AnalogPort, DigitalPort, Port, SafetyPort } from './ports.ts';
export { seenOf, seenOfModule } from './seen.ts';
export { perUnit, SIGNALS, signalAt, switchedTo } from './signals.ts';
export type { SignalKind } from './signals.ts';
export { problemsOfDevice, problemsOfModule } from './soundness.ts';
export { refusedKind } from './refusedKinds.ts';
