/** Imported before any schema: without `jitless` Zod probes for `new Function`, which the content policy forbids; and what
 *  a schema refuses is told as a code with its limit (`tooBig string 80`), not in a validator's English. */
import { z } from 'zod';

type Raw = Parameters<NonNullable<ReturnType<typeof z.config>['customError']>>[0];

/** `tooSmall number 0`, `above number 0` for a limit that is itself excluded, `notOneOf`, `wrongType number`. */
function codeOf(issue: Raw): string {
  switch (issue.code) {
    case 'too_small':
      return `${issue.inclusive === false ? 'notAbove' : 'tooSmall'} ${issue.origin} ${String(issue.minimum)}`;
    case 'too_big':
      return `${issue.inclusive === false ? 'notBelow' : 'tooBig'} ${issue.origin} ${String(issue.maximum)}`;
    case 'invalid_type':
      return `wrongType ${issue.expected}`;
    case 'invalid_value':
    case 'invalid_union':
      return 'notOneOf';
    case 'unrecognized_keys':
      return 'strangeField';
    default:
      return 'wrongForm';
  }
}

z.config({ jitless: true, customError: codeOf });
