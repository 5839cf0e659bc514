import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { judge } from '@keypost/core/verdict';
import * as S from '../packages/core/test/safetyJobs.ts';
import { bridges, letsThrough, mayPass, slips } from '../packages/core/test/safetyMutations.ts';
import { RIGHT, WRONG } from '../packages/core/test/safetyWirings.ts';

const works = (job: JobContent, id = 'px-1'): boolean =>
  judge(analyse(new JobIndex(job), id)).status === 'works';

/** Wrong and right wirings of safety functions: how many were tried, and what was judged wrongly. */
export function safety(): void {
  const wrong = WRONG.filter(([, job]) => works(job()));
  const right = RIGHT.filter(([, job, id]) => !works(job(), id));
  console.log('Wirings of safety functions');
  console.log(`  wrong by hand     ${String(WRONG.length).padStart(5)} tried, ${wrong.length} let through`);
  console.log(`  right by hand     ${String(RIGHT.length).padStart(5)} tried, ${right.length} refused`);
  const bases = [
    S.twoContactors(),
    S.twoContactors({}, 'guard-transistor'),
    S.relayOnDrive(),
    S.driveStopJob(),
    S.inTheReturn(),
    S.withValve(),
  ];
  for (const [name, made] of [
    ['one wire more', bridges],
    ['one end slipped', slips],
  ] as const) {
    const tried = bases.flatMap(made).filter((_, i) => i % 3 === 0);
    const live = tried.filter(letsThrough);
    console.log(
      `  ${name.padEnd(17)} ${String(tried.length).padStart(5)} tried, ${live.length} give energy, ${live.filter(mayPass).length} let through`,
    );
  }
}
