/** Goes through all records away from the page. */
import '../core/records/zodSetup.ts';
import { ownDesk, runRecordJob } from '../storage/allRecords.ts';
import type { AnyRecordJob } from '../storage/recordJobs.ts';
import type { Task } from './protocol.ts';
import { serve } from './serve.ts';

export type RecordsTask = Task<AnyRecordJob, unknown>;
const desk = ownDesk();
serve<AnyRecordJob, unknown>((given, context) => runRecordJob(desk, given, context));
