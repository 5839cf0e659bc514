import { nth } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import {
  readRegistersAnswer,
  AnswerReader,
  readRegistersRequest,
  rtuFrame,
  tcpFrame,
  UnitException,
  writeRegistersRequest,
} from '@keypost/core/setting';
import type { Besides } from '@keypost/core/setting';
import net from 'node:net';
import { outOfPatience } from './outOfPatience.ts';
import { PartnerProblem, PATIENCE_MS } from './partnerProblem.ts';

/** A request is sent so often on a serial line before it counts as not answered (Modbus over Serial Line V1.02, 2.4.1). */
const TRIES = 3;
/** After an answer that did not come, a line is let fall silent for so long, ms: what comes then is of no use. */
const SILENCE_MS = 60;

/** Why a request was not answered. */
class NoAnswer extends Error {
  readonly besides: Besides | undefined;
  readonly mayRetry: boolean;
  constructor(besides: Besides | undefined, mayRetry: boolean) {
    super('no answer');
    this.besides = besides;
    this.mayRetry = mayRetry;
  }
}

/** Speaks to Modbus units over one connection, one request at a time. */
export class ModbusClient {
  private readonly host: string;
  private readonly port: number;
  private readonly framing: 'tcp' | 'rtu';
  private readonly patience: number;
  private readonly tries: number;
  private socket?: net.Socket;
  private left = false;
  private transaction = Math.floor(Math.random() * 0x10000);
  private queue: Promise<unknown> = Promise.resolve();
  /** Takes what arrives; nothing while nothing is asked, and then it is dropped. */
  private reading?: { readonly take: (chunk: Uint8Array) => void; readonly lost: () => void };

  /** @param link `host:port`. @param tries on a serial line; over TCP nothing gets lost that could be asked again. */
  constructor(link: string, framing: 'tcp' | 'rtu', patience = PATIENCE_MS, tries = TRIES) {
    const at = link.lastIndexOf(':');
    this.host = link.slice(0, at);
    this.port = Number(link.slice(at + 1));
    this.framing = framing;
    this.patience = patience;
    this.tries = framing === 'rtu' ? tries : 1;
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
    const turn = this.queue.then(() => this.askOften(unit, pdu));
    this.queue = turn.catch(() => undefined);
    return turn;
  }

  private async askOften(unit: number, pdu: Uint8Array): Promise<Uint8Array> {
    for (let left = this.tries; ; left--) {
      try {
        return await this.askOnce(unit, pdu);
      } catch (error) {
        if (!(error instanceof NoAnswer)) throw error;
        if (!error.mayRetry || left <= 1) {
          this.drop();
          throw new PartnerProblem('away', whyNot(unit, error.besides));
        }
        await new Promise((done) => setTimeout(done, SILENCE_MS));
      }
    }
  }

  private async askOnce(unit: number, pdu: Uint8Array): Promise<Uint8Array> {
    const socket = await this.connected();
    const transaction = (this.transaction = (this.transaction + 1) & 0xffff);
    const request = { unit, pdu, transaction };
    const sent = this.framing === 'tcp' ? tcpFrame(request) : rtuFrame(request);
    const reader = new AnswerReader(request, this.framing, sent);
    return new Promise((done, fail) => {
      const end = (outcome: () => void): void => {
        stopWaiting();
        this.reading = undefined;
        outcome();
      };
      const stopWaiting = outOfPatience(this.patience, () =>
        end(() => fail(new NoAnswer(reader.besides, true))),
      );
      this.reading = {
        take: (chunk) => {
          const arrived = reader.take(chunk);
          if (arrived.kind === 'answer') end(() => done(arrived.pdu));
          else if (arrived.kind === 'broken') end(() => fail(new NoAnswer(reader.besides, false)));
        },
        lost: () => end(() => fail(new PartnerProblem('away', say('service.connection-broke')))),
      };
      socket.write(sent);
    });
  }

  private connected(): Promise<net.Socket> {
    if (this.left) return Promise.reject(new PartnerProblem('away', say('service.connection-broke')));
    if (this.socket && !this.socket.destroyed) return Promise.resolve(this.socket);
    return new Promise((done, fail) => {
      const socket = net.connect({ host: this.host, port: this.port });
      const away = (): void => {
        stopWaiting();
        socket.destroy();
        fail(
          new PartnerProblem('away', say('service.nothing-answers', { host: this.host, port: this.port })),
        );
      };
      const stopWaiting = outOfPatience(this.patience, away);
      socket.once('error', away);
      socket.once('connect', () => {
        if (this.left) return away();
        stopWaiting();
        socket.off('error', away);
        socket.on('error', () => socket.destroy());
        socket.on('close', () => {
          // One that was closed for another says nothing of that one.
          if (this.socket === socket) this.reading?.lost();
        });
        // Whatever one connection brings ends that connection at most.
        socket.on('data', (chunk) => {
          try {
            this.reading?.take(chunk);
          } catch {
            socket.destroy();
          }
        });
        this.socket = socket;
        done(socket);
      });
    });
  }

  /** Leaves the line for good: what was still to be asked is not asked any more, and nothing is joined again. */
  close(): void {
    this.left = true;
    this.drop();
  }

  /** Ends this connection; the next question opens another. */
  private drop(): void {
    this.socket?.destroy();
    this.socket = undefined;
    this.reading?.lost();
  }
}

/** Why no answer came, by what came instead: the first thing to look at on a line. */
function whyNot(unit: number, besides: Besides | undefined): Message {
  if (!besides) return say('service.unit-does-answer', { unit });
  const { echo, badSum, others, noise } = besides;
  if (badSum) return say('service.check-sum', { unit });
  if (others.length) return say('service.others-answer', { unit, others: others.slice(0, 5).map(String) });
  if (echo) return say('service.only-echo', { unit });
  return noise ? say('service.what-answers-speaks-modbus') : say('service.unit-does-answer', { unit });
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
