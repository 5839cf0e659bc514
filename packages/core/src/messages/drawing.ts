/** Sentences by code. */
export const DRAWING = {
  'drawing.current-flows-out-device': 'current flows out of the device into the signal wire',
  'drawing.current-flows-signal-wire': 'current flows from the signal wire into the device',
  'drawing.current-signal-wire': 'no current in the signal wire',
  'drawing.on': ({ module, portLabel }: { module: string; portLabel: string }) =>
    `, on ${module} ${portLabel}`,
  'drawing.loop-of': ({
    device,
    device2,
    on,
    flowWord,
    volts,
    amps,
  }: {
    device: string;
    device2: string;
    on: string;
    flowWord: string;
    volts: string;
    amps: string;
  }) => `Loop of ${device}, ${device2}${on}: ${flowWord}; ${volts}, ${amps}`,
  'drawing.both-on': ({ rail }: { rail: string }) => `both on ${rail}`,
  'drawing.blocks-way': 'blocks this way',
} as const;
