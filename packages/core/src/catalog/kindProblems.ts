import type { Problem } from '../model/index.ts';
import { problemsOfIssues } from '../model/index.ts';
import { DeviceDescription } from './description/deviceDescription.ts';
import { ModuleDescription } from './description/moduleDescription.ts';
import { problemsOfDevice, problemsOfModule } from './soundness.ts';

const found = new WeakMap<object, readonly Problem[]>();

/**
 * Everything that is wrong with a description of a device or module, be it its shape or its soundness; at most 20
 * problems of shape. Worked out once for each object, since a job asks for it with every change.
 */
export function problemsOfKind(
  collection: 'ownDevices' | 'ownModules',
  description: object,
): readonly Problem[] {
  let problems = found.get(description);
  if (!problems) found.set(description, (problems = examine(collection, description)));
  return problems;
}

function examine(collection: 'ownDevices' | 'ownModules', description: object): readonly Problem[] {
  if (collection === 'ownDevices') {
    const read = DeviceDescription.safeParse(description);
    return read.success ? problemsOfDevice(read.data) : problemsOfIssues(read.error.issues);
  }
  const read = ModuleDescription.safeParse(description);
  return read.success ? problemsOfModule(read.data) : problemsOfIssues(read.error.issues);
}
