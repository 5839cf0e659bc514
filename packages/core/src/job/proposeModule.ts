import { partTypesOf, settingsOf } from '../catalog/index.ts';
import type { ModuleType } from '../catalog/index.ts';
import type { JobContent } from '../model/index.ts';
import { imageOf } from './addresses.ts';
import type { CommonRail } from './jobIndex.ts';
import { takesAc } from './propose.ts';

/** What is proposed for a new module of a job. */
export interface ProposedModule {
  /** Free, by what it is: `DI 2`, `AI 1`. */
  readonly tag: string;
  /** Behind the bytes of all others. */
  readonly firstByte: number;
  /** The rail of each common that can sit on one rail only. */
  readonly rails: Readonly<Record<string, CommonRail>>;
}

export function proposeModule(job: JobContent, type: ModuleType): ProposedModule {
  return { tag: freeTag(job, `${type.description.tag} `), firstByte: nextByte(job), rails: railsOf(type) };
}

/** The first free tag of some letters, counted from one. */
export function freeTag({ supplies, modules, devices, points }: JobContent, letters: string): string {
  const taken = new Set([...supplies, ...modules, ...devices, ...points].map(({ tag }) => tag.toLowerCase()));
  for (let n = 1; ; n++) if (!taken.has(`${letters}${n}`.toLowerCase())) return `${letters}${n}`;
}

function nextByte(job: JobContent): number {
  const types = partTypesOf(job);
  return job.modules.reduce((next, module) => {
    const type = types.findModule(module);
    return Math.max(next, module.firstByte + (type ? (imageOf(type)?.bytes ?? 0) : 0));
  }, 0);
}

/** An analog input measures against 0 V; one for a.c. against N; a digital one that goes one way only takes its current from the other rail. */
function railsOf(type: ModuleType): Record<string, CommonRail> {
  const ports = type.ports(settingsOf(type));
  return Object.fromEntries(
    type.groups.flatMap(({ common, channels }) => {
      const own = ports.filter(({ channel }) => channels.includes(channel));
      const rails = new Set(
        own.map((port) =>
          takesAc(port)
            ? 'N'
            : port.kind === 'analog'
              ? '-'
              : port.kind !== 'digital' || port.sense === 'both'
                ? undefined
                : port.sense === 'sink'
                  ? '-'
                  : '+',
        ),
      );
      const [rail] = rails;
      return rails.size === 1 && rail ? [[common, rail] as const] : [];
    }),
  );
}
