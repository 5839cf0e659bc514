/** Why a partner could not be spoken to, or refused. */
export class PartnerProblem extends Error {
  /** `away`: no answer, connection broken, too late. `refused`: it answered, and said no. */
  readonly kind: 'away' | 'refused';
  constructor(kind: 'away' | 'refused', message: string) {
    super(message);
    this.kind = kind;
  }
}

/** How long a partner may take, ms. */
export const PATIENCE_MS = 2000;
