import process from 'node:process';

/** Ends with one sentence when this Node.js cannot run Key Post. */
export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number);
  if ((major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22) return;
  console.error(`Key Post needs Node.js 20 (20.19 or later); this is ${version}.`);
  process.exit(1);
}
