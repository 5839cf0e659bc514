import type { Analysis } from '../analysis/index.ts';
import { supplyTerminals } from '../catalog/index.ts';
import type { Port } from '../catalog/index.ts';
import { splitRef } from '../model/index.ts';
import type { Wire } from '../model/index.ts';

/** The rails of a point's supply: what drives first, then what it comes back to. */
export function railsOf({ context: { supply } }: Analysis): readonly [drives: string, back: string] {
  const [drives = '+', back = '-'] = supplyTerminals(supply).filter((name) => name !== 'PE');
  return [`${supply.id}:${drives}`, `${supply.id}:${back}`];
}

/** Wires of a point: all that end at its device, at its further parts or at its input. */
export function ownWiresOf({ context }: Analysis): Wire[] {
  const { scope, device, helpers, ports } = context;
  const parts = new Set([device, ...helpers].map(({ id }) => id));
  const inputs = new Set(
    ports.flatMap(({ module, port }) => [
      `${module.id}:${port.terminal}`,
      ...furtherTerminals(port).map((name) => `${module.id}:${name}`),
    ]),
  );
  const isOwn = (ref: string): boolean => parts.has(splitRef(ref).item) || inputs.has(ref);
  return scope.wires.filter(
    ({ from, to }) =>
      (isOwn(from) || isOwn(to)) && splitRef(from).terminal !== 'PE' && splitRef(to).terminal !== 'PE',
  );
}

/** What of a port a signal needs beside its terminal: of a guard's, what may start it as well. */
function furtherTerminals(port: Port): string[] {
  if (port.kind === 'analog') return [port.common, ...Object.values(port.roles)];
  return port.kind === 'safety' && port.starts ? [port.starts.reset, port.starts.feedback] : [];
}

/** Wires that feed the modules of a point: from their commons and their own supply to what supplies them. */
export function feedWiresOf(analysis: Analysis): Wire[] {
  const { index, scope, ports } = analysis.context;
  const own = new Set(ownWiresOf(analysis));
  const modules = new Set(ports.map(({ module }) => module.id));
  const feeds = (ref: string): boolean => {
    const { item } = splitRef(ref);
    return index.supply(item) !== undefined || index.module(item) !== undefined;
  };
  return scope.wires.filter(
    (wire) =>
      !own.has(wire) &&
      [wire.from, wire.to].some((ref) => modules.has(splitRef(ref).item)) &&
      [wire.from, wire.to].every((ref) => feeds(ref) && splitRef(ref).terminal !== 'PE'),
  );
}
