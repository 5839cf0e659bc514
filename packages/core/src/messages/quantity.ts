/** What was typed and is no number, or in no unit that fits. */
export const QUANTITY = {
  'quantity.missing': ({ unit }: { unit: string }) => `Enter a number${unit ? ` in ${unit}` : ''}.`,
  'quantity.no-number': ({ text, unit }: { text: string; unit: string }) =>
    `“${text}” is not a number. Enter one such as ${unit ? `24.1 ${unit}` : '24.1'}.`,
  'quantity.two-numbers': ({ text }: { text: string }) =>
    `“${text}” holds two numbers. Enter one, with point or comma.`,
  'quantity.thousands': ({ text, small, large }: { text: string; small: string; large: string }) =>
    `“${text}” can be ${small} or ${large}. Write ${small}, or ${large}.`,
  'quantity.divided-by-zero': 'A fraction cannot divide by 0.',
  'quantity.unit': ({ unit, units }: { unit: string; units: readonly string[] }) =>
    `“${unit}” does not fit here. Use ${units.join(', ')}.`,
  'quantity.below-absolute-zero': ({ text }: { text: string }) =>
    `“${text}” is below absolute zero: no temperature is lower than −273.15 °C.`,
  'quantity.too-large': ({ text }: { text: string }) => `“${text}” is too large.`,
} as const;
