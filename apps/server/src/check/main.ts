import '@keypost/core/messages/all';
import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { checkJob, openJobFile, waysOut } from '@keypost/core/proving';
import { readFileSync, statSync } from 'node:fs';
import { JobProblem } from '@keypost/core/model';
import { MAX_FILE_BYTES } from '@keypost/core/jobFile';
import type { CheckedPoint, WaysOut } from '@keypost/core/proving';
import type { JobContent } from '@keypost/core/model';

const USAGE = 'Usage: ./keypost check FILE [--json]';

/** Reads, checks and prints a job file. @returns 0 all can work, 1 a point cannot, 2 the file is bad. */
function main(args: string[]): number {
  const json = args.includes('--json');
  const files = args.filter((arg) => !arg.startsWith('--'));
  const unknown = args.find((arg) => arg.startsWith('--') && arg !== '--json');
  if (files.length !== 1 || unknown)
    return complain(unknown ? `There is no option ${unknown}. ${USAGE}` : USAGE);
  let job: JobContent;
  try {
    if (statSync(nth(files, 0)).size > MAX_FILE_BYTES)
      return complain(
        `${files[0]} is larger than ${Math.floor(MAX_FILE_BYTES / 1024 / 1024)} MB, the maximum for a job file.`,
      );
    job = openJobFile(readFileSync(nth(files, 0), 'utf8'));
  } catch (error) {
    if (error instanceof JobProblem) return complain(`${files[0]}:\n${error.message}`);
    return complain(
      `${files[0]} cannot be read (${(error as NodeJS.ErrnoException).code ?? String(error)}).`,
    );
  }
  const waysFor = waysOut(job);
  // Only a point that cannot work is looked at for ways out.
  const points = checkJob(job).map((point) => {
    const { verdict, pointId } = point.progress;
    return { ...point, ...(verdict.status === 'cannot' ? waysFor(pointId) : { remedies: [] }) };
  });
  if (json) console.log(JSON.stringify({ job: job.name, site: job.site, points }, null, 2));
  else print(job, points);
  return points.some(({ progress }) => progress.verdict.status === 'cannot') ? 1 : 0;
}

function complain(sentence: string): number {
  console.error(sentence);
  return 2;
}

function print(job: JobContent, points: (CheckedPoint & WaysOut)[]): void {
  console.log(`${job.name}${job.site ? `, ${job.site}` : ''}: ${points.length} points`);
  for (const { progress, place, address, states, readings, remedies, needed } of points) {
    console.log(`\n${progress.tag}  ${progress.name}  (${textOf(place)}${address ? `, ${address}` : ''})`);
    console.log(`  ${progress.verdict.status}: ${textOf(progress.verdict.sentence)}`);
    remedies.forEach((way) => console.log(`    to change: ${textOf(way)}`));
    if (needed) console.log(`    ${textOf(needed)}`);
    for (const { words, outputOn, signal, input, led, bit } of states)
      console.log(
        `  ${textOf(words)}: sensor output ${outputOn ? 'on' : 'off'}, signal ${signal}, input ${textOf(input)}, LED ${led ?? 'none'}, bit ${bit ?? '?'}`,
      );
    readings.forEach(({ check, expected }) => console.log(`  expect ${textOf(check)}: ${textOf(expected)}`));
  }
  const stopped = points.filter(({ progress }) => progress.verdict.status === 'cannot').length;
  console.log(
    `\n${stopped === 0 ? 'Every point can work.' : `${stopped} of ${points.length} points cannot work.`}`,
  );
}

process.exitCode = main(process.argv.slice(2));
