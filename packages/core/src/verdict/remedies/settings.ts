import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { settingsOf } from '../../catalog/index.ts';
import type { DeviceType, PartType } from '../../catalog/index.ts';
import type { Settings } from '../../model/index.ts';
import type { PointContext } from '../../network/index.ts';
import type { Remedy } from './remedy.ts';

/** Switches and parameters of what the point stands on and of its own parts, put to another of their choices. */
export function otherSettings(context: PointContext): Remedy[] {
  const { ports, device, helpers, index } = context;
  // What a safety relay is set to is for the competent person to say, never for a proposal.
  const modules = new Set(
    ports.map(({ module }) => module.id).filter((id) => !index.typeOf(id).description.safety),
  );
  const names = new Set(ports.map(({ port }) => port.name));
  const ofPort = (key: string): boolean => !key.includes('.') || names.has(nth(key.split('.'), 0));
  return [
    ...[...modules].flatMap((id) => {
      const module = index.module(id);
      if (!module) return [];
      const type = index.moduleType(module);
      return choices(type, module.settings, ofPort).map(({ settings, words }) => ({
        sentence: say('remedy.set-module', { module: module.tag, words }),
        change: { kind: 'editModule', id, patch: { settings } } as const,
      }));
    }),
    ...[device, ...helpers].flatMap((part) =>
      choices(index.deviceType(part), part.settings, exchangeable(index.deviceType(part))).map(
        ({ settings, words }) => ({
          sentence: say('remedy.set-part', { part: part.tag, words }),
          change: { kind: 'editDevice', id: part.id, patch: { settings } } as const,
        }),
      ),
    ),
  ];
}

/** Of a device its switches, a relay's suppressor and a resistor's power; what else it is was chosen on purpose. */
const exchangeable =
  (type: DeviceType) =>
  (key: string): boolean =>
    // Switches of a chain are right or wrong by its other units.
    key !== type.description.chain?.address &&
    key !== type.description.chain?.last &&
    (key === 'suppressor' ||
      key === 'watts' ||
      (type.settings ?? []).some((setting) => setting.key === key && setting.place === 'switch'));

/** Every way to change one setting, then every way to change two that belong to the same input. */
function choices(
  type: PartType,
  chosen: Settings | undefined,
  counts: (key: string) => boolean,
): { settings: Settings; words: Message }[] {
  const now = settingsOf(type, chosen);
  const single = (type.settings ?? [])
    .filter(({ key }) => counts(key))
    .flatMap(({ key, label, choices: all, place }) =>
      all
        .filter(({ value }) => value !== now[key])
        .map(({ value, label: to }) => ({
          key,
          settings: { ...chosen, [key]: value },
          words: say('remedy.setting', { place, label, to }),
        })),
    );
  const pairs = single.flatMap((a) =>
    single
      .filter((b) => a.key < b.key && a.key.split('.')[0] === b.key.split('.')[0])
      .map((b) => ({
        settings: { ...a.settings, [b.key]: sure(b.settings[b.key]) },
        words: say('remedy.both', { a: a.words, b: b.words }),
      })),
  );
  return [...single, ...pairs];
}
