import { own } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import net from 'node:net';
import { outOfPatience } from './outOfPatience.ts';
import { PartnerProblem, PATIENCE_MS } from './partnerProblem.ts';

/** Units that a source can be asked for: its function, and base units for one of them. */
const SOURCES: Readonly<Record<string, readonly [name: 'CURR' | 'VOLT' | 'RES', factor: number]>> = {
  mA: ['CURR', 1e-3],
  V: ['VOLT', 1],
  mV: ['VOLT', 1e-3],
  Ω: ['RES', 1],
};

export interface Injected {
  /** What the source measured at its own terminals, in the unit asked for. */
  readonly injected: number;
  /** How it names itself (IEEE 488.2, *IDN?). */
  readonly source: string;
}

/**
 * Has a source give a value and reads back what it truly gives (SCPI-1999 in lines over TCP).
 * @throws PartnerProblem where it does not answer, refuses, or the unit is none of its.
 */
export async function inject(
  link: string,
  unit: string,
  value: number,
  patience = PATIENCE_MS,
): Promise<Injected> {
  const [name, factor] = functionFor(unit);
  return conversing(link, patience, async (line) => {
    const identity = await line.ask('*CLS;*IDN?');
    line.tell(`SOUR:FUNC ${name}`);
    line.tell(`SOUR:${name} ${value * factor}`);
    line.tell('OUTP ON');
    const error = await line.ask('SYST:ERR?');
    if (!error.startsWith('0')) throw new PartnerProblem('refused', refusal(error, value, unit));
    return { injected: (await measuredBy(line, name)) / factor, source: nameIn(identity) };
  });
}

/**
 * What a source measures at its own terminals; what it gives stays as it is.
 * @throws PartnerProblem as `inject`.
 */
export async function measure(
  link: string,
  unit: string,
  patience = PATIENCE_MS,
): Promise<{ readonly measured: number; readonly source: string }> {
  const [name, factor] = functionFor(unit);
  return conversing(link, patience, async (line) => {
    const identity = await line.ask('*IDN?');
    return { measured: (await measuredBy(line, name)) / factor, source: nameIn(identity) };
  });
}

function functionFor(unit: string): (typeof SOURCES)[string] {
  const chosen = own(SOURCES, unit);
  if (!chosen)
    throw new PartnerProblem(
      'refused',
      say('service.bench-source-gives', { keys: Object.keys(SOURCES), unit }),
    );
  return chosen;
}

/** Opens a connection, and closes it whatever comes of it. */
async function conversing<T>(link: string, patience: number, act: (line: Line) => Promise<T>): Promise<T> {
  const line = new Line(link, patience);
  try {
    return await act(line);
  } finally {
    line.close();
  }
}

async function measuredBy(line: Line, name: string): Promise<number> {
  const measured = numberIn(await line.ask(`MEAS:${name}?`));
  if (measured === undefined) throw new PartnerProblem('refused', say('service.source-told-number'));
  return measured;
}

/** Kind and number of an identity are enough to know it by. */
const nameIn = (identity: string): string => identity.split(',').slice(1, 3).join(' ');

/** SCPI-1999, 7.2.1: 9.9E37 stands for infinity and 9.91E37 for no number. */
const OVERFLOW = 9.9e37;

/** The number of an answer; nothing where it is empty, none, or stands for an overflow. */
function numberIn(answer: string): number | undefined {
  if (!/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/i.test(answer)) return undefined;
  const value = Number(answer);
  return Math.abs(value) < OVERFLOW ? value : undefined;
}

/** No answer in a line is longer, characters. */
const MAX_LINE = 4096;

const refusal = (error: string, value: number, unit: string): Message =>
  error.startsWith('-222')
    ? say('service.source-give-outside-range', { value, unit })
    : say('service.source-refused', { error });

/** One connection, one question at a time. */
class Line {
  readonly #socket: net.Socket;
  readonly #patience: number;
  #arrived = '';
  #waiting: { done: (line: string) => void; fail: (problem: PartnerProblem) => void } | undefined;

  constructor(link: string, patience: number) {
    const at = link.lastIndexOf(':');
    this.#patience = patience;
    this.#socket = net.connect({ host: link.slice(0, at), port: Number(link.slice(at + 1)) });
    this.#socket.setEncoding('utf8');
    this.#socket.on('data', (chunk: string) => this.#take(chunk));
    const lost = () => this.#fail(say('service.source-answers', { link }));
    this.#socket.on('error', lost);
    this.#socket.on('close', lost);
  }

  #take(chunk: string): void {
    this.#arrived += chunk;
    if (this.#arrived.length > MAX_LINE) {
      this.#arrived = '';
      this.#socket.destroy();
      return;
    }
    const end = this.#arrived.indexOf('\n');
    if (end < 0) return;
    const line = this.#arrived.slice(0, end).trim();
    this.#arrived = this.#arrived.slice(end + 1);
    const { done } = this.#waiting ?? {};
    this.#waiting = undefined;
    done?.(line);
  }

  #fail(message: Message): void {
    this.#waiting?.fail(new PartnerProblem('away', message));
    this.#waiting = undefined;
  }

  tell(command: string): void {
    this.#socket.write(`${command}\n`);
  }

  ask(query: string): Promise<string> {
    return new Promise((done, fail) => {
      const stopWaiting = outOfPatience(this.#patience, () =>
        this.#fail(say('service.source-does-answer-time')),
      );
      const ended =
        <T>(outcome: (value: T) => void) =>
        (value: T) => {
          stopWaiting();
          outcome(value);
        };
      this.#waiting = { done: ended(done), fail: ended(fail) };
      this.tell(query);
    });
  }

  close(): void {
    this.#waiting = undefined;
    this.#socket.destroy();
  }
}
