import { mixedJob } from './mixedJob.ts';
import { checkJob } from '@keypost/core/proving';
import { jobProgress } from '@keypost/core/proving';
const job = mixedJob(500);
checkJob(mixedJob(60));
for (let i=0;i<2;i++){ let t=performance.now(); checkJob({...job}); console.log('check', performance.now()-t); t=performance.now(); jobProgress({...job}); console.log('progress', performance.now()-t); }
