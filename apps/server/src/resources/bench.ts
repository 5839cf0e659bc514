import type { FastifyInstance } from 'fastify';
import { inject, measure } from '../partners/benchClient.ts';
import { PartnerProblem } from '../partners/partnerProblem.ts';
import { Refusal } from '../problems.ts';
import { register } from '../register.ts';

/** A source on the bench, or in the technician's hand, that stands in for a sensor. */
export function benchResource(app: FastifyInstance): void {
  register(app, 'inject', ({ body }) => refusing(inject(body.link, body.unit, body.value)));
  register(app, 'measure', ({ body }) => refusing(measure(body.link, body.unit)));
}

async function refusing<T>(answer: Promise<T>): Promise<T> {
  try {
    return await answer;
  } catch (error) {
    if (error instanceof PartnerProblem) throw partnerRefusal(error);
    throw error;
  }
}

/** A partner that is away or refuses, as the answer of this server. */
function partnerRefusal({ kind, said }: PartnerProblem): Refusal {
  return new Refusal(kind === 'away' ? 504 : 422, said);
}
