import type { SafetyPort } from '../catalog/index.ts';
import { settingsOf } from '../catalog/index.ts';
import type { Module, Settings } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';

/** The safety inputs to which a guard's two channels lead, be it directly or through others of a chain. */
export interface SafetyTarget {
  readonly module: Module;
  readonly port: SafetyPort;
  readonly settings: Settings;
  /** Element that is on while the safe side is released. */
  readonly released: string;
}

export function safetyTarget({ index, scope, place }: PointContext): SafetyTarget | undefined {
  const own = (moduleId: string, { channel }: SafetyPort): boolean =>
    place?.moduleId === moduleId && place.channel === channel;
  const ports = [...scope.parts].flatMap(([moduleId, taken]) =>
    index
      .portsOf(moduleId)
      .filter((port) => port.kind === 'safety')
      .map((port) => ({ moduleId, taken, port, own: own(moduleId, port) })),
  );
  // The device's own input comes first; other guards may hang on the same safety relay.
  for (const { moduleId, taken, port, own: mine } of ports.sort((a, b) => Number(b.own) - Number(a.own))) {
    const module = index.module(moduleId);
    if (!module) continue;
    if (!mine && !leads(scope.refs, moduleId, port, taken)) continue;
    const type = index.moduleType(module);
    return {
      module,
      port,
      settings: settingsOf(type, module.settings),
      released: elementId(moduleId, port.released),
    };
  }
  return undefined;
}

function leads(
  refs: ReadonlySet<string>,
  moduleId: string,
  { roles, detectors }: SafetyPort,
  taken: ReadonlySet<string>,
): boolean {
  const wired = [roles.channel1Return, roles.channel2Return].some((name) => refs.has(`${moduleId}:${name}`));
  return wired && detectors.some((id) => taken.has(id));
}
