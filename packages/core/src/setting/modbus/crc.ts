/**
 * Check sum of an RTU frame: polynomial 0xA001 turned round, begun at 0xFFFF
 * (Modbus over Serial Line Specification and Implementation Guide V1.02, 6.2.2). Sent with the low byte first.
 */
export function crc16(bytes: Uint8Array): number {
  let crc = 0xffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >> 1) ^ 0xa001 : crc >> 1;
  }
  return crc;
}

/** A frame with its check sum behind it. */
export function withCrc(bytes: Uint8Array): Uint8Array {
  const crc = crc16(bytes);
  return Uint8Array.from([...bytes, crc & 0xff, crc >> 8]);
}

/** The frame without its check sum, or nothing where that does not fit. */
export function checkedFrame(frame: Uint8Array): Uint8Array | undefined {
  if (frame.length < 4) return undefined;
  const body = frame.subarray(0, -2);
  const crc = crc16(body);
  return frame[frame.length - 2] === (crc & 0xff) && frame[frame.length - 1] === crc >> 8 ? body : undefined;
}
