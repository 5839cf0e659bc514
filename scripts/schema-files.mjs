// Writes the JSON Schemas in docs from the schemas that the program itself uses.
// Run it with `npx tsx scripts/schema-files.mjs`, then prettier, after a change of what a job, device or module holds.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { kindFileSchema } from '@keypost/core/job';
import { jobFileSchema } from '@keypost/core/jobFile';

const files = {
  job: jobFileSchema(),
  device: kindFileSchema('ownDevices'),
  module: kindFileSchema('ownModules'),
};

for (const [name, schema] of Object.entries(files)) {
  const text = `${JSON.stringify(schema, null, 2)}\n`;
  writeFileSync(fileURLToPath(new URL(`../docs/${name}.schema.json`, import.meta.url)), text);
}
