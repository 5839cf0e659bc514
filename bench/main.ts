import { coldLoads } from './coldLoads.ts';
import { allocating } from './allocating.ts';
import { blocking } from './blocking.ts';
import { crowding } from './crowded.ts';
import { durable } from './durable.ts';
import { firstLoad } from './firstLoad.ts';
import { fuzzing } from './fuzzing.ts';
import { serving } from './serving.ts';
import { talking } from './fieldbus.ts';

await allocating();
await crowding();
await serving();
await durable();
await fuzzing();
await blocking();
await talking();
firstLoad();
await coldLoads();
