import { askedUnit } from '@keypost/api';
import type { LiveBatch, LivePort, LiveUnit } from '@keypost/api';
import type { JobContent } from '@keypost/core/model';
import { liveSources } from './sources.ts';
import type { LiveSource } from './sources.ts';

type Listener = (batch: LiveBatch) => void;
type Row = LivePort | LiveUnit;

/** A source is asked again so many ms after it was asked last, or as soon as it has answered, if that is later. */
const PERIOD_MS = 250;
/** So often it is looked whether the job changed, ms. */
const REREAD_MS = 2000;

/** Reads a job with its revision; nothing when it is gone. */
export type ReadRevision = () => Promise<
  { revision: number; content: () => Promise<JobContent> } | undefined
>;

/** Live values of one job, polled while somebody listens. */
export class LiveJob {
  private readonly listeners = new Set<Listener>();
  private readonly last = new Map<string, string>();
  private readonly rows = new Map<string, Row>();
  private readonly read: ReadRevision;
  private sources: LiveSource[] = [];
  private generation = 0;
  private revision = -1;
  private timer?: NodeJS.Timeout;

  constructor(read: ReadRevision) {
    this.read = read;
  }

  get idle(): boolean {
    return this.listeners.size === 0;
  }

  /** Everything that is known now. */
  snapshot(): LiveBatch {
    return batchOf([], [...this.rows.values()]);
  }

  /** @returns what ends listening. A new listener first hears everything that is known. */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    listener(this.snapshot());
    if (this.listeners.size === 1) void this.follow();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0) this.stop();
    };
  }

  stop(): void {
    clearTimeout(this.timer);
    this.generation++;
    this.sources.forEach((source) => source.close());
    this.sources = [];
    this.revision = -1;
    this.last.clear();
    this.rows.clear();
  }

  /** Takes up the job as it is now, and looks again after a while. */
  private async follow(): Promise<void> {
    if (this.listeners.size === 0) return;
    const state = await this.read().catch(() => undefined);
    if (this.listeners.size === 0) return;
    if (state && state.revision !== this.revision) {
      const content = await state.content();
      this.sources.forEach((source) => source.close());
      this.generation++;
      this.revision = state.revision;
      this.last.clear();
      this.rows.clear();
      this.sources = liveSources(content);
      for (const source of this.sources) void this.run(source, this.generation);
    }
    this.timer = setTimeout(() => void this.follow(), REREAD_MS);
    this.timer.unref();
  }

  private async run(source: LiveSource, generation: number): Promise<void> {
    while (generation === this.generation) {
      const started = Date.now();
      const { ports, units } = await source.poll().catch(() => source.away());
      if (generation !== this.generation) return;
      this.tell(source.asks, [...ports, ...units]);
      const rest = Math.max(0, PERIOD_MS - (Date.now() - started));
      await new Promise((done) => setTimeout(done, rest).unref());
    }
  }

  /** Tells the listeners who was asked, and what differs from what they know. */
  private tell(asked: readonly string[], rows: readonly Row[]): void {
    const moved = rows.filter((row) => {
      const key = 'moduleId' in row ? `${row.moduleId}/${row.port}` : askedUnit(row.planId, row.rowId);
      const text = JSON.stringify(row);
      const same = this.last.get(key) === text;
      this.last.set(key, text);
      this.rows.set(key, row);
      return !same;
    });
    const batch = batchOf(asked, moved);
    for (const listener of this.listeners) listener(batch);
  }
}

/** @param asked who was asked for what it holds. */
export function batchOf(asked: readonly string[], rows: readonly Row[]): LiveBatch {
  return {
    at: new Date().toISOString(),
    asked: [...asked],
    ports: rows.filter((row) => 'moduleId' in row),
    units: rows.filter((row) => 'planId' in row),
  };
}
