import { sure } from '@keypost/core/lists';
import net from 'node:net';

/** What the source can give: its name in the language, the unit, its range in base units, and its own error. */
const FUNCTIONS = {
  CURR: { min: 0, max: 0.024, gain: 1.00012, zero: 0.6e-6 },
  VOLT: { min: -0.1, max: 15, gain: 0.99995, zero: 4e-6 },
  RES: { min: 1, max: 4000, gain: 1.00008, zero: 0.004 },
} as const;
type SourceFunction = keyof typeof FUNCTIONS;

export const BENCH_IDENTITY = 'Key Post,Simulated bench source,BS-0001,1.0';

/** Errors by their standard numbers (SCPI-1999, volume 2, 21.8). */
const ERRORS = {
  header: '-113,"Undefined header"',
  missing: '-109,"Missing parameter"',
  type: '-104,"Data type error"',
  range: '-222,"Data out of range"',
} as const;

/** Long forms of the words that it knows (SCPI-1999, volume 1, 6.2.1: short or long, nothing between). */
const LONG: Readonly<Record<string, string>> = {
  SOURCE: 'SOUR',
  FUNCTION: 'FUNC',
  CURRENT: 'CURR',
  VOLTAGE: 'VOLT',
  RESISTANCE: 'RES',
  MEASURE: 'MEAS',
  OUTPUT: 'OUTP',
  SYSTEM: 'SYST',
  ERROR: 'ERR',
};

const shortened = (header: string): string => header.replace(/[A-Z]+/g, (word) => LONG[word] ?? word);

/**
 * A source for current, voltage and resistance as it stands on a bench: simulated, with a small error of its own that it
 * measures and tells. Speaks SCPI-1999 in lines over TCP, as IEEE 488.2 instruments do.
 */
export class BenchSource {
  #chosen: SourceFunction = 'CURR';
  readonly #levels: Record<SourceFunction, number> = { CURR: 0, VOLT: 0, RES: 100 };
  #on = false;
  readonly #errors: string[] = [];

  /** Answers to the commands of a line; none for commands that ask nothing. */
  answer(line: string): string[] {
    return line
      .split(';')
      .map((command) => command.trim().replace(/^:/, ''))
      .filter(Boolean)
      .flatMap((command) => this.#one(command) ?? []);
  }

  #one(command: string): string | undefined {
    const [header, parameter] = command.split(/\s+(.*)/s) as [string, string | undefined];
    const head = shortened(header.toUpperCase());
    const source = /^(?:SOUR:)?(CURR|VOLT|RES)(\?)?$/.exec(head);
    if (source) return this.#level(source[1] as SourceFunction, source[2] !== undefined, parameter);
    const measure = /^MEAS:(CURR|VOLT|RES)\?$/.exec(head);
    if (measure) return number(this.#given(measure[1] as SourceFunction));
    switch (head) {
      case '*IDN?':
        return BENCH_IDENTITY;
      case '*RST':
      case '*CLS':
        this.#errors.length = 0;
        if (head === '*RST') this.#on = false;
        return undefined;
      case '*OPC?':
        return '1';
      case 'OUTP':
        return this.#output(parameter);
      case 'OUTP?':
        return this.#on ? '1' : '0';
      case 'SOUR:FUNC':
      case 'FUNC':
        return this.#choose(parameter);
      case 'SOUR:FUNC?':
      case 'FUNC?':
        return this.#chosen;
      case 'SYST:ERR?':
      case 'SYST:ERR:NEXT?':
        return this.#errors.shift() ?? '0,"No error"';
      default:
        return this.#fail('header');
    }
  }

  #fail(error: keyof typeof ERRORS): undefined {
    this.#errors.push(ERRORS[error]);
    return undefined;
  }

  #output(parameter: string | undefined): undefined {
    if (parameter === undefined) return this.#fail('missing');
    if (!/^(ON|OFF|0|1)$/i.test(parameter)) return this.#fail('type');
    this.#on = /^(ON|1)$/i.test(parameter);
    return undefined;
  }

  #choose(parameter: string | undefined): undefined {
    const name = parameter && shortened(parameter.toUpperCase());
    if (name === undefined) return this.#fail('missing');
    if (!(name in FUNCTIONS)) return this.#fail('type');
    this.#chosen = name as SourceFunction;
    return undefined;
  }

  #level(name: SourceFunction, asks: boolean, parameter: string | undefined): string | undefined {
    if (asks) return number(this.#levels[name]);
    if (parameter === undefined) return this.#fail('missing');
    const level = Number(parameter);
    if (parameter.trim() === '' || !Number.isFinite(level)) return this.#fail('type');
    const { min, max } = FUNCTIONS[name];
    if (level < min || level > max) return this.#fail('range');
    this.#levels[name] = level;
    return undefined;
  }

  /** What it truly gives: nothing while it is off or gives something else. */
  #given(name: SourceFunction): number {
    if (!this.#on || this.#chosen !== name) return 0;
    const { gain, zero } = FUNCTIONS[name];
    return this.#levels[name] * gain + zero;
  }
}

/** Numbers as NR3 with eight digits. */
const number = (value: number): string => value.toExponential(7).toUpperCase();

/** No command is longer; a connection that sends more without an end of line is closed. */
const MAX_LINE = 1024;

/** Serves a source over TCP, a line at a time. */
export function benchServer(source: BenchSource): net.Server {
  return net.createServer((socket) => {
    let arrived = '';
    socket.setEncoding('utf8');
    socket.on('error', () => socket.destroy());
    socket.on('data', (chunk: string) => {
      const lines = (arrived + chunk).split(/\r?\n/);
      arrived = sure(lines.pop());
      if (arrived.length > MAX_LINE) return void socket.destroy();
      for (const line of lines) {
        const answers = source.answer(line);
        if (answers.length) socket.write(`${answers.join(';')}\n`);
      }
    });
  });
}
