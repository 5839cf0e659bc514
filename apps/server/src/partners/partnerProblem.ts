import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
/** Why a partner could not be spoken to, or refused. */
export class PartnerProblem extends Error {
  /** `away`: no answer, connection broken, too late. `refused`: it answered, and said no. */
  readonly kind: 'away' | 'refused';
  readonly said: Message;
  constructor(kind: 'away' | 'refused', said: Message) {
    super(textOf(said));
    this.kind = kind;
    this.said = said;
  }
}

/** How long a partner may take, ms. */
export const PATIENCE_MS = 2000;
