import { fixed, written } from '../units/index.ts';

/** Sentences by code. */
export const SCALING = {
  'scaling.shows-where': ({
    label,
    shown,
    decimals,
    unit,
    value,
    unit2,
  }: {
    label: string;
    shown: number;
    decimals: number;
    unit: string;
    value: number;
    unit2: string;
  }) => `${label} shows ${fixed(shown, decimals)} ${unit} where there are ${fixed(value, decimals)} ${unit2}`,
  'scaling.cut-off-holds-zero': ({
    cutoffPercent,
    label,
    limit,
    decimals,
    unit,
  }: {
    cutoffPercent: number;
    label: string;
    limit: number;
    decimals: number;
    unit: string;
  }) => `Cut-off ${cutoffPercent} % holds ${label} at zero below ${fixed(limit, decimals)} ${unit}`,
  'scaling.in-range': 'in range',
  'scaling.under-range': 'under-range',
  'scaling.end-swallowed': ({
    end,
    unit,
    limit,
    band,
  }: {
    end: number;
    unit: string;
    limit: number;
    band: string;
  }) =>
    `A healthy ${end} ${unit}, the end of the range, is told as ${band}: the limit stands at ${limit} ${unit}. Move it out of the range.`,
  'scaling.over-range': 'over-range',
  'scaling.short': 'short',
  'scaling.break-reads': ({ unit, value, unit2 }: { unit: string; value: number; unit2: string }) =>
    `A broken wire reads 0 ${unit}, which is ${written(value, 3)} ${unit2}: no limit tells it from that.`,
  'scaling.too-many': 'too many pulses',
  'scaling.wire-break': 'wire break',
  'scaling.namur-ne-43-3': 'NAMUR NE 43: 3.6, 3.8, 20.5, 21 mA',
  'scaling.after-s': ({ delay }: { delay: number }) => `after ${delay} s`,
  'scaling.last-good-value-held': ({ after }: { after: string }) => `${after} the last good value is held`,
  'scaling.put-place': ({ after, substitute }: { after: string; substitute: undefined | number }) =>
    `${after} ${substitute} is put in its place`,
  'scaling.marked-bad': ({ after }: { after: string }) => `${after} it is marked bad`,
  'scaling.error-span-needs-span': 'An error in % of span needs a span other than zero.',
  'scaling.error-0-more': ({ wrongLabel }: { wrongLabel: string }) => `${wrongLabel}: an error is 0 or more.`,
  'scaling.cable-supply': 'cable, supply, solved',
  'scaling.cable-supply-helpers': 'cable, supply, barrier and resistors, solved',
  'scaling.tolerance-output-solved': 'tolerance of its output, solved',
  'scaling.input-resistor-solved': ({ inputLabel }: { inputLabel: string }) =>
    `input resistor of ${inputLabel}, solved`,
  'scaling.wires-supply': 'Wires and supply',
  'scaling.lead-resistance': 'Lead resistance',
  'scaling.signal-against-what-read': 'Signal against what is read',
  'scaling.what-input-sees-less': 'what the input sees less what it should, solved',
  'scaling.pulse-more-less-gate': 'one pulse more or less in its gate',
  'scaling.type-class-iec-60584': ({
    letter,
    chosen,
    holds,
  }: {
    letter: string;
    chosen: number;
    holds: undefined | boolean;
  }) => `type ${letter} class ${chosen}, IEC 60584-1${holds === false ? ', outside its range' : ''}`,
  'scaling.cold-junction': 'Cold junction',
  'scaling.k-terminals': ({ coldKelvin }: { coldKelvin: number }) => `±${coldKelvin} K at the terminals`,
  'scaling.span-taken-nobody-said': ({ usualSensorPercent }: { usualSensorPercent: number }) =>
    `${usualSensorPercent} % of span is taken, nobody said`,
  'scaling.of-span': ({ percent }: { percent: number }) => `${percent} % of span`,
  'scaling.range-half-count': ({ percent }: { percent: number }) =>
    `${percent} % of its range and half a count`,
  'scaling.straight-pieces-between-points': 'straight pieces between the points of the table',
  'scaling.ranges-and-multipliers': 'Ranges and multipliers',
  'scaling.linearisation': 'Linearisation',
  'scaling.same-range': 'sensor and program have the same range',
  'scaling.multiplied-by': ({
    sensorLabel,
    times,
    controllerLabel,
    times2,
  }: {
    sensorLabel: string;
    times: number;
    controllerLabel: string;
    times2: number;
  }) => `${sensorLabel} counts ${written(times)} times, ${controllerLabel} ${written(times2)} times`,
  'scaling.sensor-program-follow-different': 'sensor and program follow different curves',
  'scaling.has-to-to': ({
    sensorLabel,
    low,
    high,
    controllerLabel,
    low2,
    high2,
    unit,
  }: {
    sensorLabel: string;
    low: number;
    high: number;
    controllerLabel: string;
    low2: number;
    high2: number;
    unit: string;
  }) =>
    `${sensorLabel} has ${written(low)} to ${written(high)}, ${controllerLabel} ${written(low2)} to ${written(high2)} ${unit}`,
  'scaling.display-rounding': 'Display rounding',
  'scaling.half-last-place-decimals': ({ decimals }: { decimals: number }) =>
    `half of its last place, ${decimals} decimals`,
  'scaling.held-zero-sensor-own': 'held at zero by the sensor’s own cut-off',
  'scaling.sensor-goes-lower': 'the sensor goes no lower',
  'scaling.sensor-goes-higher': 'the sensor goes no higher',
  'scaling.beyond-ends-table-guess': 'beyond the ends of the table: a guess',
  'scaling.converter-stops': ({ stopped }: { stopped: string }) =>
    `the converter stops at its ${stopped === 'max' ? 'top' : 'bottom'}`,
  'scaling.cut-off-holds-screen': ({
    cutoffPercent,
    cutoffOf,
    unit,
  }: {
    cutoffPercent: number;
    cutoffOf: number;
    unit: string;
  }) => `cut-off ${cutoffPercent} % holds the panel screen at zero below ${written(cutoffOf, 4)} ${unit}`,
  'scaling.range-zero-scaled-two': 'A range of zero cannot be scaled: its two ends must differ.',
  'scaling.range-zero-turned-round': 'A range of zero cannot be inverted.',
  'scaling.table-needs-two-points': 'A table needs two points.',
  'scaling.stands-table-twice-each': ({ inValue }: { inValue: number }) =>
    `${inValue} stands in the table twice. Each signal has one value.`,
  'scaling.table-turns-round-value': ({ inValue }: { inValue: number }) =>
    `The table turns round at ${inValue}: one value stands for several signals there.`,
  'scaling.pipe-inner-diameter-above': 'A pipe’s inner diameter is above 0 mm.',
  'scaling.very-slow-little-signal':
    'Very slow: little signal, and solids settle. A smaller meter would read better.',
  'scaling.slow-low-end-what': 'Slow: at the low end of what meters like.',
  'scaling.good-0-5-3': 'Good: 0.5 to 3 m/s is where most meters are at their best.',
  'scaling.fast-more-pressure-lost': 'Fast: more pressure is lost and linings wear.',
  'scaling.above-10-m-s': 'Above 10 m/s most meters stop: take a larger one.',
  'scaling.full-flow': 'A full flow',
  'scaling.volume-pulse': 'The volume of a pulse',
  'scaling.pulse-width': 'A pulse width',
  'scaling.counter-limit': 'The counter’s limit',
  'scaling.above-0': ({ what }: { what: string }) => `${what} is above 0.`,
  'scaling.pulses-second-full-flow': ({ digits, digits2 }: { digits: string; digits2: string }) =>
    `${digits} pulses a second at full flow, on ${digits2} % of the time.`,
  'scaling.pulses-second-leave-room': ({
    digits,
    digits2,
    digits3,
  }: {
    digits: string;
    digits2: string;
    digits3: string;
  }) =>
    `${digits} pulses a second leave no room for ${digits2} ms: ${digits3} ms is the widest that leaves as long a pause.`,
  'scaling.pulses-run-into-each':
    'The pulses run into each other: the output stays on, and nothing is counted.',
  'scaling.counter-takes-second-most': ({ digits }: { digits: string }) =>
    `The counter takes ${digits} a second at most: the rest is lost.`,
  'scaling.counter-sees-nothing-shorter': ({ digits }: { digits: string }) =>
    `The counter sees nothing shorter than ${digits} ms.`,
  'scaling.totaliser-1-15-digits': 'A totaliser has 1 to 15 digits.',
  'scaling.volume-count-above-0': 'The volume of a count is above 0 l.',
  'scaling.full-flow-above-0': 'A full flow is above 0.',
  'scaling.reading-most-digits': ({ digits }: { digits: number }) =>
    `A reading has at most ${digits} digits.`,
  'scaling.cut-off-0-100': 'A cut-off is 0 to 100 % of full flow.',
  'scaling.lowest-flow-0-more': 'A lowest flow is 0 or more.',
  'scaling.noise-needs-two-readings': 'Noise needs two readings at rest; ten are better.',
  'scaling.resistance-0-more': 'A resistance is 0 Ω or more.',
  'scaling.coil-tolerance': ({ nominal }: { nominal: number }) =>
    `A tolerance is from 0 Ω up, and less than the ${written(nominal)} Ω themselves.`,
  'scaling.coil-temperature': ({ min, max }: { min: number; max: number }) =>
    `A coil is between ${written(min)} and ${written(max)} °C.`,
  'scaling.loop-needs-two-solved': 'A loop needs two solved states.',
  'scaling.input-sees-whatever-sensor': ({ text }: { text: string }) =>
    `The input sees ${text} whatever the sensor gives: nothing can be told back from it.`,
  'scaling.wired-input-never-sees': ({
    text,
    text2,
    text3,
  }: {
    text: string;
    text2: string;
    text3: string;
  }) => `As it is wired, the input never sees ${text}; ${text2} to ${text3} is what it can see.`,
  'scaling.analog-input-yet-choose': ({ point }: { point: string }) =>
    `${point} is on no analog input yet. Choose one in Land.`,
  'scaling.range-yet-give-such': ({ point }: { point: string }) =>
    `${point} has no range yet. Give it one, such as 0 to 6 bar, to scale it.`,
  'scaling.nobody-looked-scaling-yet': ({ module, label }: { module: string; label: string }) =>
    `Nobody looked at the scaling of ${module} ${label} yet; it is taken to be as required.`,
  'scaling.step-value-read-within': ({ settled }: { settled: number }) =>
    `A step of the value is read to within 1 % after ${written(settled / 1000, 2)} s (update and filter).`,
  'scaling.table-chosen-none-force':
    'A table is chosen, but none is in force: it is scaled in a straight line until then.',
  'scaling.counts-bottom': 'Counts at bottom',
  'scaling.counts-top': 'Counts at top',
  'scaling.value-bottom': 'Value at bottom',
  'scaling.value-top': 'Value at top',
  'scaling.least-counts': 'Minimum counts',
  'scaling.most-counts': 'Maximum counts',
  'scaling.square-root-cut': 'Square root, cut',
  'scaling.counter-yet-choose-land': ({ point }: { point: string }) =>
    `${point} is on no counter yet. Choose one in Land.`,
  'scaling.range-unit-flow-yet': ({ point }: { point: string }) =>
    `${point} has no range that pulses could tell yet. Give it one, such as 0 to 40 m³/h or 0 to 1500 1/min.`,
  'scaling.pulses-of-a-turn-known-yet': ({ device }: { device: string }) =>
    `How many pulses ${device} gives a turn is not known yet. Copy its name-plate under Fit.`,
  'scaling.volume-pulse-known-yet': ({ device }: { device: string }) =>
    `The volume of a pulse of ${device} is not known yet. See its sheet.`,
  'scaling.nobody-looked-volume-pulse': ({ tag }: { tag: string }) =>
    `Nobody looked at the volume of a pulse in ${tag} yet; it is taken to be as required.`,
  'scaling.pulses-counted-s-more': ({ gate, one, unit }: { gate: number; one: number; unit: string }) =>
    `Pulses are counted for ${written(gate)} s; one more or less is ${written(one, 3)} ${unit}.`,
  'scaling.straight-line': 'in a straight line',
  'scaling.square-root': 'as a square root',
  'scaling.by-its-table': 'by its table',
  'scaling.times': ({ multiplier }: { multiplier: number }) => `, times ${written(multiplier)}`,
  'scaling.counts-each': ({ high, unit }: { high: number; unit: string }) =>
    `${high} counts for each ${unit}`,
  'scaling.counts-over': ({
    low,
    high,
    low2,
    high2,
    unit,
  }: {
    low: number;
    high: number;
    low2: number;
    high2: number;
    unit: string;
  }) => `${low} to ${high} counts over ${written(low2)} to ${written(high2)} ${unit}`,
  'scaling.are-to': ({
    from,
    low,
    high,
    unit,
    shapeWord,
    times,
  }: {
    from: string;
    low: number;
    high: number;
    unit: string;
    shapeWord: string;
    times: string;
  }) => `${from} are ${written(low)} to ${written(high)} ${unit} ${shapeWord}${times}`,
  'scaling.entered-controller-read-back': 'Entered in the controller and read back there.',
  'scaling.type': ({ device, letter }: { device: string; letter: string }) => `${device} type ${letter}`,
  'scaling.terminals-input-taken-c': ({ coldJunction }: { coldJunction: number }) =>
    `The terminals of the input are taken to be at ${coldJunction} °C.`,
  'scaling.nobody-looked-range-yet': ({ device }: { device: string }) =>
    `Nobody looked at the range in ${device} yet; it is taken to be as required.`,
  'scaling.current-output-stands-off': ({ device }: { device: string }) =>
    `The current output of ${device} is off: it gives nothing until it is switched on.`,
  'scaling.element-write-pt-ni': ({ id }: { id: string }) =>
    `“${id}” is no element. Write Pt or Ni and the ohms at 0 °C, such as Pt100.`,
  'scaling.defined-c-c-outside': ({
    id,
    min,
    max,
    source,
    t,
  }: {
    id: string;
    min: number;
    max: number;
    source: string;
    t: number;
  }) => `${id} is defined from ${min} to ${max} °C (${source}); ${t} °C is outside.`,
  'scaling.c-outside': ({
    id,
    low,
    ohms,
    high,
    min,
    max,
    ohms2,
  }: {
    id: string;
    low: number;
    ohms: number;
    high: number;
    min: number;
    max: number;
    ohms2: number;
  }) =>
    `${id} has ${(low * ohms).toFixed(2)} to ${(high * ohms).toFixed(2)} Ω from ${min} to ${max} °C; ${ohms2} Ω is outside.`,
  'scaling.thermistor-resistance-25-c': 'A thermistor’s resistance at 25 °C is above 0 Ω.',
  'scaling.thermistor-b-value-above': 'A thermistor’s B value is above 0 K; usual are 2500 to 5000 K.',
  'scaling.temperature-above-c': ({ zeroKelvin }: { zeroKelvin: number }) =>
    `A temperature is above ${zeroKelvin} °C.`,
  'scaling.resistance-above-0': 'A resistance is above 0 Ω.',
  'scaling.need-more-any-temperature': ({ ohms }: { ohms: number }) =>
    `${ohms} Ω would need more than any temperature.`,
  'scaling.b-value-needs-two': 'A B value needs two different temperatures.',
  'scaling.resistance-such-thermistor-falls':
    'The resistance of such a thermistor falls when it gets warmer.',
  'scaling.type-defined-c-iec': ({
    type,
    min,
    max,
    t,
  }: {
    type: string;
    min: number;
    max: number;
    t: number;
  }) => `Type ${type} is defined from ${min} to ${max} °C (IEC 60584-1); ${t} °C is outside.`,
  'scaling.type-gives-mv-c': ({
    type,
    low,
    high,
    usableFrom,
    max,
    millivolts,
  }: {
    type: string;
    low: number;
    high: number;
    usableFrom: number;
    max: number;
    millivolts: number;
  }) =>
    `Type ${type} gives ${low.toFixed(3)} to ${high.toFixed(3)} mV from ${usableFrom} to ${max} °C; ${millivolts.toFixed(3)} mV is outside.`,
  'scaling.range-zero-calibrated-two': 'A range of zero cannot be calibrated: its two ends must differ.',
  'scaling.enter-least-reading': 'Enter at least one reading.',
  'scaling.sensor-opened-standard-says': ({ read, unit }: { read: number; unit: string }) =>
    `${read} ${unit} with the sensor opened; no standard says what it must be.`,
  'scaling.ma-less': ({ low }: { low: number }) => `${low} mA or less`,
  'scaling.ma-more': ({ high }: { high: number }) => `${high} mA or more`,
  'scaling.stays-where-looks-like': 'stays where it looks like a value',
  'scaling.goes': ({ goes }: { goes: string }) => `goes ${goes}`,
  'scaling.sensor-opened-wanted-ma': ({ words, read }: { words: string; read: number }) =>
    `With the sensor opened it ${words}, as wanted: ${read} mA.`,
  'scaling.sensor-opened-ma-wanted': ({
    words,
    read,
    wanted,
    limit,
  }: {
    words: string;
    read: number;
    wanted: string;
    limit: string;
  }) => `With the sensor opened it ${words} (${read} mA); wanted is ${wanted}, ${limit}.`,
  'scaling.enter-what-both-displays': 'Enter what both displays show at the same moment.',
  'scaling.each-pair-needs-two': 'Each pair needs two numbers.',
  'scaling.span-zero-changed-two': 'A span of zero cannot be changed: its two ends must differ.',
  'scaling.step-what-set-above': 'The step of what can be set is above 0.',
  'scaling.when-first-display-rises':
    'When the first display rises, the second must rise too. Check the pairs, or the sign of the signal.',
  'scaling.step-both-ends-same': 'With that step both ends would be the same. Use a finer one.',
  'scaling.single-pair-bottom-span': ({ low }: { low: number }) =>
    `A single pair at the bottom of the span says nothing of its top. Take one well above ${low}.`,
  'scaling.all-pairs-show-same': 'All pairs show the same value: take them at different values, far apart.',
  'scaling.ends-on-one-count':
    'Both ends of the range fall on the same count: whole numbers cannot scale that.',
  'scaling.table-on-one-count': ({ counts }: { counts: number }) =>
    `Two points of the table fall on count ${counts}: whole numbers cannot tell them apart.`,
  'scaling.number-unfit': ({ value, type }: { value: number; type: string }) =>
    `${value} does not fit into ${type}.`,
  'scaling.square-root-worked-out': 'A square root is not worked out in integers. Use REAL.',
  'scaling.controller-holds': ({ scaling }: { scaling: string }) => `Controller: ${scaling}`,
  'scaling.element-class': ({
    metal,
    chosen,
    holds,
    slope,
  }: {
    metal: string;
    chosen: string;
    holds: boolean;
    slope: number;
  }) =>
    `${metal === 'Ni' ? 'DIN 43760' : `class ${chosen}, IEC 60751`}${holds ? '' : ', outside its range'}; ${slope.toFixed(2)} Ω/K`,
  'scaling.not-declared': ({ name }: { name: string }) => `The code uses “${name}”, which is not declared.`,
  'scaling.nothing-measured': 'Nothing of this point is measured.',
} as const;
