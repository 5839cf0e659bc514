import { nth } from '../../lists/index.ts';
import { readRtuFrame, takeTcpFrame } from './frames.ts';
import type { Frame } from './frames.ts';
import { FUNCTIONS, isReading } from './pdu.ts';

/** More than this is never kept while an answer is waited for, bytes; a frame has at most 260. */
const MOST_BYTES = 4096;
/** So many frames that belong to nobody here are passed over, then it is given up. */
const MOST_FOREIGN = 200;

/** What came of the bytes so far. */
export type Arrived =
  | { readonly kind: 'answer'; readonly pdu: Uint8Array }
  | { readonly kind: 'waiting' }
  /** It cannot become an answer any more: no frames at all, or a flood of those of others. */
  | { readonly kind: 'broken' };

/** What came besides an answer, from which one sees why none came. */
export interface Besides {
  /** What was sent came back itself: the converter echoes. */
  readonly echo: boolean;
  /** A frame of the right unit and length whose check sum does not fit. */
  readonly badSum: boolean;
  /** Units that answered without being asked. */
  readonly others: readonly number[];
  /** Bytes that are no frame. */
  readonly noise: number;
}

const BROKEN: Arrived = { kind: 'broken' };
const WAITING: Arrived = { kind: 'waiting' };

/**
 * Waits for the answer to one request among everything that arrives. Nothing is taken that another unit said, that
 * belongs to another request, or that is no answer to this one by its function, count and length. In RTU frames over TCP
 * there is no silence to part them: a frame is looked for at each byte (Modbus over Serial Line V1.02, 2.5.1).
 */
export class AnswerReader {
  readonly #request: Frame;
  readonly #framing: 'tcp' | 'rtu';
  readonly #sent: Uint8Array;
  #bytes: Uint8Array = new Uint8Array(0);
  #foreign = 0;
  #echo = false;
  #badSum = false;
  #noise = 0;
  readonly #others = new Set<number>();

  /** @param sent the frame of the request as it went out. */
  constructor(request: Frame, framing: 'tcp' | 'rtu', sent: Uint8Array) {
    this.#request = request;
    this.#framing = framing;
    this.#sent = sent;
  }

  get besides(): Besides {
    const [others, noise] = [[...this.#others], this.#noise + this.#bytes.length];
    return { echo: this.#echo, badSum: this.#badSum, others, noise };
  }

  take(chunk: Uint8Array): Arrived {
    // Nobody answers one request with so much: of more than that the rest is not looked at.
    const isFlood = this.#bytes.length + chunk.length > MOST_BYTES;
    const part = isFlood ? chunk.subarray(0, MOST_BYTES - this.#bytes.length) : chunk;
    const bytes = new Uint8Array(this.#bytes.length + part.length);
    bytes.set(this.#bytes);
    bytes.set(part, this.#bytes.length);
    this.#bytes = bytes;
    const arrived = this.#framing === 'tcp' ? this.#takeTcp() : this.#takeRtu();
    if (arrived.kind !== 'waiting') return arrived;
    return isFlood || this.#noise > MOST_BYTES || this.#foreign > MOST_FOREIGN ? BROKEN : arrived;
  }

  #takeTcp(): Arrived {
    for (;;) {
      const taken = takeTcpFrame(this.#bytes);
      if (taken === 'broken') return BROKEN;
      if (!taken) return WAITING;
      this.#bytes = taken.rest;
      const { frame } = taken;
      // What comes late, twice, or from another unit belongs to no question of now.
      if (frame.transaction === this.#request.transaction && frame.unit === this.#request.unit) {
        if (this.#answers(frame.pdu)) return { kind: 'answer', pdu: frame.pdu };
      } else this.#others.add(frame.unit);
      if (++this.#foreign > MOST_FOREIGN) return BROKEN;
    }
  }

  #takeRtu(): Arrived {
    let at = 0;
    let arrived: Arrived = WAITING;
    // A frame is whole as soon as its check sum fits; what lies before it was none.
    while (at < this.#bytes.length) {
      const found = this.#frameAt(at);
      if (found === 'short') {
        // Noise may begin like a longer frame, and the answer come after it.
        const ours = this.#oursAfter(at);
        if (ours === undefined) break;
        this.#noise += ours - at;
        at = ours;
        continue;
      }
      if (found === undefined) {
        this.#noise++;
        at++;
        continue;
      }
      at += found.length;
      if (found.frame && this.#isOurs(found.frame)) {
        arrived = { kind: 'answer', pdu: found.frame.pdu };
        break;
      }
      if (++this.#foreign > MOST_FOREIGN) return BROKEN;
    }
    this.#bytes = this.#bytes.slice(at);
    return arrived;
  }

  /** Where the whole answer begins after a byte; nothing while it is not there. */
  #oursAfter(at: number): number | undefined {
    for (let later = at + 1; later < this.#bytes.length; later++) {
      const found = this.#frameAt(later);
      if (
        typeof found === 'object' &&
        found.frame?.unit === this.#request.unit &&
        this.#answers(found.frame.pdu)
      )
        return later;
    }
    return undefined;
  }

  /** The frame or echo that begins at a byte; `short` while it may still become one. */
  #frameAt(at: number): { readonly length: number; readonly frame?: Frame } | 'short' | undefined {
    const rest = this.#bytes.subarray(at);
    const isEcho = startsAs(rest, this.#sent);
    // An answer that is as long as its request and says the same is the answer to a write of one value.
    if (isEcho && rest.length >= this.#sent.length && !this.#isEchoed()) {
      this.#echo = true;
      return { length: this.#sent.length };
    }
    const length = answerLength(rest);
    if (length === undefined) return isEcho ? 'short' : undefined;
    if (length === 'short' || rest.length < length) return 'short';
    const frame = readRtuFrame(rest.slice(0, length));
    if (frame) return { length, frame };
    if (nth(rest, 0) === this.#request.unit && length === this.#length()) this.#badSum = true;
    return undefined;
  }

  #isOurs(frame: Frame): boolean {
    if (frame.unit === this.#request.unit && this.#answers(frame.pdu)) return true;
    if (frame.unit !== this.#request.unit) this.#others.add(frame.unit);
    return false;
  }

  /** Whether the right answer is the request itself: to writing one register or coil. */
  #isEchoed(): boolean {
    const code = nth(this.#request.pdu, 0);
    return code === FUNCTIONS.writeRegister || code === FUNCTIONS.writeCoil;
  }

  /** Whether it answers the request: by its function, its count and its length, or an exception of that function. */
  #answers(pdu: Uint8Array): boolean {
    const { pdu: asked } = this.#request;
    const code = nth(asked, 0);
    if (pdu[0] === (code | 0x80)) return pdu.length === 2;
    if (pdu[0] !== code || pdu.length !== this.#length() - 3) return false;
    if (isReading(code)) return pdu[1] === pdu.length - 2;
    return [1, 2, 3, 4].every((i) => pdu[i] === asked[i]);
  }

  /** Length of the whole RTU frame of an answer that is none of an exception. */
  #length(): number {
    const { pdu } = this.#request;
    const code = nth(pdu, 0);
    const count = (nth(pdu, 3) << 8) | nth(pdu, 4);
    if (code === FUNCTIONS.readCoils || code === FUNCTIONS.readDiscreteInputs)
      return 5 + Math.ceil(count / 8);
    return isReading(code) ? 5 + 2 * count : 8;
  }
}

const startsAs = (bytes: Uint8Array, whole: Uint8Array): boolean =>
  bytes.subarray(0, whole.length).every((byte, i) => byte === whole[i]);

/** Length of an answer in an RTU frame by how it begins; nothing where no answer of a known function begins so. */
function answerLength(bytes: Uint8Array): number | 'short' | undefined {
  const [unit, code, count] = bytes;
  if (unit === undefined || code === undefined) return 'short';
  if (unit > 247) return undefined;
  const known = (Object.values(FUNCTIONS) as number[]).includes(code & 0x7f);
  if (!known) return undefined;
  if (code >= 0x80) return 5;
  if (!isReading(code)) return 8;
  if (count === undefined) return 'short';
  return count >= 1 && count <= 250 ? 5 + count : undefined;
}
