/** Imported first: without this Zod probes for `new Function`, which the content policy forbids. */
import { z } from 'zod';

z.config({ jitless: true });
