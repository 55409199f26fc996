import { challenge } from './challenge';
import { communication } from './communication';
import { compare } from './compare';
import { controlCheck } from './controlCheck';
import { decision } from './decision';
import { indications } from './indications';
import type { LineKind, Sort } from './LineKind';
import { measure } from './measure';
import { action, callout, caution, check, gate, memory, note, read, start } from './tick';
import { walk } from './walk';

/** Every kind of line that there is. */
export const kinds: Record<Sort, LineKind> = {
  ACTION: action,
  CHECK: check,
  MEASURE: measure,
  COMPARE: compare,
  CHALLENGE: challenge,
  READ: read,
  MEMORY: memory,
  DECISION: decision,
  GATE: gate,
  CALLOUT: callout,
  COMMUNICATION: communication,
  NOTE: note,
  CAUTION: caution,
  CONTROL_CHECK: controlCheck,
  WALK: walk,
  INDICATIONS: indications,
  START: start,
};
