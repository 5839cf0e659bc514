/** Bytes as two hexadecimal digits each. */
export const hexOf = (bytes: Uint8Array): string =>
  [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** The bytes of a text of hexadecimal digits; what is none is passed over. */
export const bytesOfHex = (text: string): Uint8Array =>
  Uint8Array.from(text.match(/[0-9a-f]{2}/gi) ?? [], (digits) => parseInt(digits, 16));
