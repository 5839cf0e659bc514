/** Pulses a second of a flow, m³/h, with so many litres each: Q / 3.6 / V. */
export const pulseHertz = (flow: number, litres: number): number => flow / 3.6 / litres;
