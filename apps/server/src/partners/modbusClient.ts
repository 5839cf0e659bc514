import { nth } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import {
  readRegistersAnswer,
  readRegistersRequest,
  readRtuFrame,
  rtuFrame,
  rtuLength,
  takeTcpFrame,
  tcpFrame,
  UnitException,
  writeRegistersRequest,
} from '@keypost/core/setting';
import net from 'node:net';
import { PartnerProblem, PATIENCE_MS } from './partnerProblem.ts';

type Taken = { pdu: Uint8Array } | undefined | 'broken';

/** Speaks to Modbus units over one connection, one request at a time. */
export class ModbusClient {
  private readonly host: string;
  private readonly port: number;
  private readonly framing: 'tcp' | 'rtu';
  private readonly patience: number;
  private socket?: net.Socket;
  private transaction = 0;
  private queue: Promise<unknown> = Promise.resolve();

  /** @param link `host:port`. */
  constructor(link: string, framing: 'tcp' | 'rtu', patience = PATIENCE_MS) {
    const at = link.lastIndexOf(':');
    this.host = link.slice(0, at);
    this.port = Number(link.slice(at + 1));
    this.framing = framing;
    this.patience = patience;
  }

  /** @throws PartnerProblem with the unit's exception or where it does not answer. */
  async readRegisters(
    unit: number,
    table: 'holding' | 'input',
    first: number,
    count: number,
  ): Promise<number[]> {
    const request = readRegistersRequest(table, first, count);
    const answer = await this.ask(unit, request);
    return told(() => readRegistersAnswer(request, answer));
  }

  async writeRegisters(unit: number, first: number, values: readonly number[]): Promise<void> {
    const request = writeRegistersRequest(first, values);
    const answer = await this.ask(unit, request);
    if (answer[0] === (nth(request, 0) | 0x80))
      told(() => {
        throw new UnitException(answer[1] ?? 0);
      });
  }

  private ask(unit: number, pdu: Uint8Array): Promise<Uint8Array> {
    const turn = this.queue.then(() => this.askNow(unit, pdu));
    this.queue = turn.catch(() => undefined);
    return turn;
  }

  private async askNow(unit: number, pdu: Uint8Array): Promise<Uint8Array> {
    const socket = await this.connected();
    const transaction = (this.transaction = (this.transaction + 1) & 0xffff);
    return new Promise((done, fail) => {
      let arrived = new Uint8Array(0);
      const end = (outcome: () => void): void => {
        clearTimeout(timer);
        socket.off('data', take).off('close', lost).off('error', lost);
        outcome();
      };
      const away = (words: Message): void =>
        end(() => {
          this.close();
          fail(new PartnerProblem('away', words));
        });
      const lost = (): void => away(say('service.connection-broke'));
      const take = (chunk: Uint8Array): void => {
        arrived = Uint8Array.from([...arrived, ...chunk]);
        const taken = this.take(arrived, unit, transaction);
        if (taken === 'broken') away(say('service.what-answers-speaks-modbus'));
        else if (taken) end(() => done(taken.pdu));
      };
      const timer = setTimeout(() => away(say('service.unit-does-answer', { unit })), this.patience);
      socket.on('data', take).on('close', lost).on('error', lost);
      socket.write(this.framing === 'tcp' ? tcpFrame({ unit, pdu, transaction }) : rtuFrame({ unit, pdu }));
    });
  }

  private take(arrived: Uint8Array, unit: number, transaction: number): Taken {
    if (this.framing === 'tcp') {
      const taken = takeTcpFrame(arrived);
      if (taken === 'broken' || !taken) return taken;
      // An answer that came too late belongs to an earlier request.
      return taken.frame.transaction === transaction ? taken.frame : this.take(taken.rest, unit, transaction);
    }
    const length = rtuLength(arrived, 'answer');
    if (length === undefined || arrived.length < length) return undefined;
    const frame = readRtuFrame(arrived.slice(0, length));
    return frame?.unit === unit ? frame : 'broken';
  }

  private connected(): Promise<net.Socket> {
    if (this.socket && !this.socket.destroyed) return Promise.resolve(this.socket);
    return new Promise((done, fail) => {
      const socket = net.connect({ host: this.host, port: this.port });
      const away = (): void => {
        socket.destroy();
        fail(
          new PartnerProblem('away', say('service.nothing-answers', { host: this.host, port: this.port })),
        );
      };
      socket.setTimeout(this.patience, away);
      socket.once('error', away);
      socket.once('connect', () => {
        socket.setTimeout(0);
        socket.off('error', away);
        socket.on('error', () => socket.destroy());
        this.socket = socket;
        done(socket);
      });
    });
  }

  close(): void {
    this.socket?.destroy();
    this.socket = undefined;
  }
}

/** Turns an exception of the unit into words. */
function told<T>(act: () => T): T {
  try {
    return act();
  } catch (error) {
    if (error instanceof UnitException)
      throw new PartnerProblem(
        'refused',
        say('service.unit-refuses-exception', { exception: error.said, code: error.code }),
      );
    throw error instanceof Error
      ? new PartnerProblem('away', say('service.what-answers-speaks-modbus'))
      : error;
  }
}
