import { sure } from '@keypost/core/lists';
import { applyHistory } from '@keypost/core/job';
import type { Actor, Change } from '@keypost/core/job';
import type { PhotoSubject } from '@keypost/core/model';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { NewContent } from '../jobs/makeJob.ts';
import { figuresOf, lookAt } from '../photos/pictures.ts';
import type { Picture } from '../photos/pictures.ts';
import type { SimulatorPorts } from '../simulators/start.ts';
import { here } from './here.ts';
import { ternRock } from './ternRock.ts';

/** Pictures that were drawn for the demo. */
const drawn = (name: string): Picture =>
  lookAt(readFileSync(path.join(here, 'pictures', `${name}.jpg`)).toString('base64'));

/** The demo job with its photos. */
export function demoJob(ports?: SimulatorPorts): NewContent {
  const job = ternRock(ports);
  const low = sure(job.results.find(({ pointId, pass }) => pointId === 'pe-106' && !pass));
  const taken = [
    photo(
      20,
      { kind: 'point', pointId: 'pe-106' },
      'Bracket bent: the beam passes above the tray',
      'bracket',
    ),
    photo(
      26,
      { kind: 'result', pointId: 'pe-106', resultId: low.id },
      'Meter at the output, nothing there',
      'meter',
    ),
    photo(34, { kind: 'part', itemId: 'di-3' }, 'Two cores in one terminal, as found', 'terminals'),
  ];
  const history = taken.map(({ change, actor }) => [change, actor] as const);
  return { job: applyHistory(job, history), pictures: taken.map(({ picture }) => picture) };
}

function photo(
  minute: number,
  subject: PhotoSubject,
  caption: string,
  name: string,
): { change: Change; actor: Actor; picture: Picture } {
  const picture = drawn(name);
  return {
    picture,
    actor: { by: 'JT', at: new Date(Date.UTC(2026, 8, 15, 9, minute)).toISOString() },
    change: {
      kind: 'addPhoto',
      photo: { id: `photo-${name}`, subject, caption, ...figuresOf(picture) },
    },
  };
}
