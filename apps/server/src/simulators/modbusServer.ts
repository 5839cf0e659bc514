import { nth } from '@keypost/core/lists';
import {
  answerRequest,
  readRtuFrame,
  rtuFrame,
  rtuLength,
  takeTcpFrame,
  tcpFrame,
} from '@keypost/core/setting';
import type { UnitMemory } from '@keypost/core/setting';
import net from 'node:net';

/** Units by their numbers. A unit that is switched off answers nothing. */
export interface SimulatedUnit {
  readonly number: number;
  readonly memory: UnitMemory;
  silent: boolean;
}

/** The gateway's own exception where no unit answers (Modbus Application Protocol V1.1b3, 7: 0x0B). */
const NO_ANSWER = 0x0b;
/** More than a frame can hold never arrives before one is taken; a connection that sends so is closed. */
const MAX_PENDING = 4096;

/** Serves units over TCP: in the protocol's own TCP frames, or in RTU frames carried over TCP. */
export function modbusServer(units: readonly SimulatedUnit[], framing: 'tcp' | 'rtu'): net.Server {
  const answer = (unit: number, pdu: Uint8Array): Uint8Array | undefined => {
    const found = units.find(({ number }) => number === unit);
    return found && !found.silent ? answerRequest(pdu, found.memory) : undefined;
  };
  return net.createServer((socket) => {
    let arrived = new Uint8Array(0);
    socket.on('error', () => socket.destroy());
    socket.on('data', (chunk) => {
      arrived = Uint8Array.from([...arrived, ...chunk]);
      const rest = framing === 'tcp' ? serveTcp(arrived, socket, answer) : serveRtu(arrived, socket, answer);
      if (rest === undefined || rest.length > MAX_PENDING) socket.destroy();
      else arrived = Uint8Array.from(rest);
    });
  });
}

type Answer = (unit: number, pdu: Uint8Array) => Uint8Array | undefined;

/** @returns what is left of the bytes, nothing where they cannot be frames. */
function serveTcp(arrived: Uint8Array, socket: net.Socket, answer: Answer): Uint8Array | undefined {
  let rest = arrived;
  for (;;) {
    const taken = takeTcpFrame(rest);
    if (taken === 'broken') return undefined;
    if (!taken) return rest;
    const { unit, pdu, transaction } = taken.frame;
    const given = answer(unit, pdu) ?? Uint8Array.of(nth(pdu, 0) | 0x80, NO_ANSWER);
    socket.write(tcpFrame({ unit, transaction, pdu: given }));
    rest = taken.rest;
  }
}

/** A frame whose check sum does not fit is passed over in silence, and so is one for a unit that is not there. */
function serveRtu(arrived: Uint8Array, socket: net.Socket, answer: Answer): Uint8Array {
  let rest = arrived;
  for (;;) {
    const length = rtuLength(rest);
    // An unknown function has no length; what has come so far is one frame then, ended by silence.
    const end = length ?? (rest.length >= 4 && readRtuFrame(rest) ? rest.length : undefined);
    if (end === undefined || rest.length < end) return rest;
    const frame = readRtuFrame(rest.slice(0, end));
    const given = frame && answer(frame.unit, frame.pdu);
    if (given) socket.write(rtuFrame({ unit: frame.unit, pdu: given }));
    rest = rest.slice(end);
  }
}
