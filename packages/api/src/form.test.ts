import { z } from 'zod';
import { ANSWERS, REFUSAL } from './answers.ts';
import { FORM } from './form.ts';

test('the mark of the form is that of what is answered', async () => {
  const forms = Object.entries({ ...ANSWERS, refusal: REFUSAL }).map(([name, schema]) => [
    name,
    z.toJSONSchema(schema, { io: 'output' }),
  ]);
  const sum = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(JSON.stringify(forms)));
  const mark = Array.from(new Uint8Array(sum, 0, 6), (byte) => byte.toString(16).padStart(2, '0')).join('');
  expect(FORM).toBe(mark);
});
