import { openData } from './db/openData.ts';
import { claimPort } from './claimPort.ts';
import { readConfig } from './config.ts';
import { seedDemo } from './demo/seed.ts';
import { startSentence } from './startSentence.ts';
import { buildServer } from './server.ts';
import { startSimulators } from './simulators/start.ts';

async function main(): Promise<void> {
  const config = readConfig(process.argv.slice(2), process.env);
  await claimPort(config.host, config.port);
  const db = await openData(config.database);
  const simulators = config.demo ? await startSimulators(config.simulators) : undefined;
  if (config.demo) await seedDemo(db, config.simulators);
  const { devOrigin, trustNetwork } = config;
  const app = await buildServer(db, config.web, { devOrigin, trustNetwork, simulators, log: true });
  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    await app.close();
    await simulators?.close();
    await db.close();
    process.exit(0);
  };
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
  await app.listen({ host: config.host, port: config.port });
  console.log(
    `Key Post answers at http://${config.host.includes(':') ? `[${config.host}]` : config.host}:${config.port}`,
  );
}

main().catch((error: unknown) => {
  console.error(startSentence(error));
  process.exit(1);
});
