export * from './ioLink/processData.ts';
export * from './ioLink/timing.ts';
export * from './modbus/crc.ts';
export * from './modbus/registers.ts';
export * from './ethernetPlan.ts';
export * from './serialLine.ts';
export * from './ioLink/descriptionTypes.ts';
export { readDescription } from './ioLink/readDescription.ts';
export { MOST_DESCRIPTION_BYTES } from './ioLink/xmlTree.ts';
