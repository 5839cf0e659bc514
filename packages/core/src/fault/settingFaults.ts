import { say } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { settingsOf } from '../catalog/index.ts';
import type { PartType } from '../catalog/index.ts';
import type { JobContent, Settings } from '../model/index.ts';
import { standing } from './pointFault.ts';
import type { PointFault } from './pointFault.ts';
import { subjectIn } from './subject.ts';

/** Of each setting so many other choices are thought of. */
const MOST = 3;

interface Part {
  readonly id: string;
  readonly tag: string;
  readonly settings?: Settings;
}

/** Every switch and parameter of a point's parts, and of its channel, that stands elsewhere: solved as it then is. */
export function settingFaults({ context }: Analysis): PointFault[] {
  const { index, point, device, output, helpers, ports } = context;
  const { job } = index;
  const talks = output.drivenBy === 'communication';
  const names = new Set(ports.map(({ port }) => port.name));
  const ofPort = (key: string): boolean => !key.includes('.') || names.has(key.slice(0, key.indexOf('.')));
  const modules = [...new Map(ports.map(({ module }) => [module.id, module])).values()];
  const faults = (
    part: Part,
    type: PartType,
    place: (settings: Settings) => JobContent,
    counts: (key: string) => boolean = () => true,
  ): PointFault[] =>
    (type.settings ?? [])
      .filter(
        ({ key, place: where, names: naming }) => counts(key) && where !== 'version' && naming === undefined,
      )
      .flatMap(({ key, label, choices, from }) => {
        const stands = settingsOf(type, part.settings)[key];
        return choices
          .filter(({ value }) => value !== stands)
          .slice(0, MOST)
          .flatMap(({ value, label: name }): PointFault[] => {
            const next = place({ ...part.settings, [key]: value });
            const other = subjectIn(next, point.id);
            if (!other) return [];
            // A port that is set to anything else does not talk.
            const silent = from === 'port.mode' && talks && value !== 'iolink';
            return [
              {
                id: `setting ${part.id} ${key} ${value}`,
                what: say('fault.setting-elsewhere', { part: part.tag, label, name }),
                place: { in: 'part', id: part.id },
                sort: 'setting',
                likely: 'usual',
                ...standing(other),
                shown: { setElsewhere: part.id, ...(silent && { silent: true }) },
              },
            ];
          });
      });
  return [
    ...[device, ...helpers].flatMap((part) =>
      faults(part, index.deviceType(part), (settings) => ({
        ...job,
        devices: job.devices.map((row) => (row.id === part.id ? { ...row, settings } : row)),
      })),
    ),
    ...modules.flatMap((part) =>
      faults(
        part,
        index.moduleType(part),
        (settings) => ({
          ...job,
          modules: job.modules.map((row) => (row.id === part.id ? { ...row, settings } : row)),
        }),
        ofPort,
      ),
    ),
  ];
}
