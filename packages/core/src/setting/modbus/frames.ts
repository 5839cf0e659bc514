import { nth } from '../../lists/index.ts';
import { checkedFrame, withCrc } from './crc.ts';

/** A request or answer with whom it is for, and, over TCP, the number that joins the two. */
export interface Frame {
  readonly unit: number;
  readonly pdu: Uint8Array;
  readonly transaction?: number;
}

/** Bytes of the head of a TCP frame (Modbus Messaging on TCP/IP V1.0b, 3.1.3). */
const HEAD = 7;
/** Most bytes of request or answer. */
const MAX_PDU = 253;

export function tcpFrame({ unit, pdu, transaction = 0 }: Frame): Uint8Array {
  const length = pdu.length + 1;
  return Uint8Array.of(transaction >> 8, transaction & 0xff, 0, 0, length >> 8, length & 0xff, unit, ...pdu);
}

/**
 * Takes the first whole frame from what has arrived so far.
 * @returns the frame and what is left; nothing while it is not whole; `broken` where no frame can begin so.
 */
export function takeTcpFrame(arrived: Uint8Array): { frame: Frame; rest: Uint8Array } | 'broken' | undefined {
  if (arrived.length < HEAD) return undefined;
  const length = (nth(arrived, 4) << 8) | nth(arrived, 5);
  if (arrived[2] !== 0 || arrived[3] !== 0 || length < 2 || length > MAX_PDU + 1) return 'broken';
  const end = 6 + length;
  if (arrived.length < end) return undefined;
  return {
    frame: {
      transaction: (nth(arrived, 0) << 8) | nth(arrived, 1),
      unit: nth(arrived, 6),
      pdu: arrived.slice(HEAD, end),
    },
    rest: arrived.slice(end),
  };
}

export const rtuFrame = ({ unit, pdu }: Frame): Uint8Array => withCrc(Uint8Array.of(unit, ...pdu));

/** The request or answer in an RTU frame, or nothing where its check sum does not fit. */
export function readRtuFrame(bytes: Uint8Array): Frame | undefined {
  const body = checkedFrame(bytes);
  return body && { unit: nth(body, 0), pdu: body.slice(1) };
}
