const RAW = 'raw ';

/** What a device gave for a parameter that can have no such value: kept with its number, and taken for nothing else. */
export const rawValue = (given: string): string => `${RAW}${given}`.slice(0, 60);

export const isRaw = (value: string): boolean => value.startsWith(RAW);

/** The number or text that the device gave. */
export const givenAs = (value: string): string => value.slice(RAW.length);
